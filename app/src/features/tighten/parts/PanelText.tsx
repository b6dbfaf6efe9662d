import { memo, type ReactNode } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { MONO, useInks } from '@/ui';

export function PanelTitle({ children }: { children: ReactNode }) {
  const inks = useInks();
  return (
    <Text
      role="heading"
      aria-level={2}
      style={{ fontSize: 22, lineHeight: 28, fontWeight: '700', color: inks.ink }}
    >
      {children}
    </Text>
  );
}

export { Line as PanelBody } from '@/ui';

/** The number for the tool in hand: the largest thing on the screen, never without its unit. */
export const BigValue = memo(function BigValue({ number, unit }: { number: string; unit: string }) {
  const inks = useInks();
  const isDegree = unit === '°';
  return (
    <View
      style={{
        flexDirection: 'row',
        alignItems: 'baseline',
        flexWrap: 'wrap',
        columnGap: isDegree ? 0 : 10,
      }}
    >
      <Text
        style={{
          fontFamily: MONO,
          fontWeight: '700',
          fontSize: 72,
          lineHeight: 76,
          color: inks.ink,
        }}
      >
        {isDegree ? `${number}°` : number}
      </Text>
      {isDegree ? null : (
        <Text style={{ fontWeight: '700', fontSize: 26, color: inks.ink }}>{unit}</Text>
      )}
    </View>
  );
});
