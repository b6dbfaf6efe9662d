import type { ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { useIsWide } from './ScreenFrame';

/** Two columns at the desk, one below the other on the phone. */
export function Columns({ left, right }: { left: ReactNode; right: ReactNode }) {
  const isWide = useIsWide();
  return (
    <View style={isWide ? styles.wide : styles.column}>
      <View style={[styles.column, isWide && styles.half]}>{left}</View>
      <View style={[styles.column, isWide && styles.half]}>{right}</View>
    </View>
  );
}

const styles = StyleSheet.create({
  wide: { flexDirection: 'row', gap: 12, alignItems: 'flex-start' },
  column: { gap: 12 },
  half: { flex: 1, minWidth: 0 },
});
