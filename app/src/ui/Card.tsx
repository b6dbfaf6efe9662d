import type { ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { useInks } from './theme';

export function Card({ children, edge }: { children: ReactNode; edge?: 'warn' }) {
  const inks = useInks();
  return (
    <View
      style={[
        styles.card,
        { backgroundColor: inks.card },
        edge === 'warn' && { borderLeftWidth: 6, borderLeftColor: inks.warn },
      ]}
    >
      {children}
    </View>
  );
}

const styles = StyleSheet.create({ card: { borderRadius: 14, padding: 16, gap: 10 } });
