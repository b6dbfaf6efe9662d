import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { MONO, useInks } from './theme';

/** A name and its value, the values in line. */
export function ValueRow({ name, value }: { name: string; value: string }) {
  const inks = useInks();
  return (
    <View style={[styles.row, { borderTopColor: inks.line }]}>
      <Text style={{ fontSize: 16, color: inks.inkSoft, flexShrink: 1 }}>{name}</Text>
      <Text style={[styles.value, { color: inks.ink }]}>{value}</Text>
    </View>
  );
}

const styles = StyleSheet.create({
  row: {
    flexDirection: 'row',
    justifyContent: 'space-between',
    alignItems: 'center',
    gap: 12,
    minHeight: 48,
    borderTopWidth: 1,
  },
  value: { fontSize: 18, fontWeight: '700', fontFamily: MONO, textAlign: 'right' },
});
