import { StyleSheet } from 'react-native';

/** One below the other on the phone, beside each other at the desk. */
export const columns = StyleSheet.create({
  phone: { gap: 12 },
  wide: { flexDirection: 'row', gap: 12, alignItems: 'flex-start' },
  most: { flex: 3, minWidth: 0 },
  least: { flex: 2, minWidth: 0 },
  half: { flex: 1, minWidth: 0 },
});
