import { StyleSheet, View } from 'react-native';
import { bare } from '@stennet/core/find';
import { Chip } from '@/ui';

const MOST = 6;

/** What the shop knows of a field, by its first letters; nothing once one of them stands there. */
export function Suggest({
  label,
  typed,
  known,
  onTake,
}: {
  label: string;
  typed: string;
  known: readonly string[];
  onTake: (value: string) => void;
}) {
  const begun = bare(typed);
  if (begun === '' || known.includes(typed.trim())) return null;
  const fit = known.filter((k) => bare(k).includes(begun)).slice(0, MOST);
  if (fit.length === 0) return null;
  return (
    <View style={styles.wrap} role="radiogroup" aria-label={label}>
      {fit.map((k) => (
        <Chip key={k} role="radio" text={k} on={false} onPress={() => onTake(k)} />
      ))}
    </View>
  );
}

const styles = StyleSheet.create({
  wrap: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, paddingTop: 6 },
});
