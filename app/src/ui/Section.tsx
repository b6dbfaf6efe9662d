import { createContext, useContext, type ReactNode } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { Card } from './Card';
import { useInks } from './theme';

export function Heading({ children }: { children: string }) {
  const inks = useInks();
  return (
    <Text
      role="heading"
      aria-level={2}
      style={{ fontSize: 18, fontWeight: '700', color: inks.ink }}
    >
      {children}
    </Text>
  );
}

/** Inside something that already says what it is: no card, no heading of their own. */
const IsFlat = createContext(false);
export const FlatSections = ({ children }: { children: ReactNode }) => (
  <IsFlat.Provider value>{children}</IsFlat.Provider>
);

export function Section({ title, children }: { title: string; children: ReactNode }) {
  const isFlat = useContext(IsFlat);
  if (isFlat)
    return (
      <View role="region" aria-label={title} style={{ gap: 10 }}>
        {children}
      </View>
    );
  return (
    <Card>
      <Heading>{title}</Heading>
      {children}
    </Card>
  );
}

export function Line({ children, strong = false }: { children: ReactNode; strong?: boolean }) {
  const inks = useInks();
  return (
    <Text
      style={{
        fontSize: 16,
        lineHeight: 23,
        color: strong ? inks.ink : inks.inkSoft,
        fontWeight: strong ? '700' : '400',
      }}
    >
      {children}
    </Text>
  );
}
