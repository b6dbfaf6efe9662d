import { StyleSheet, View, type ViewStyle } from 'react-native';
import { Text } from 'react-native-paper';
import { useInks } from './theme';

/**
 * The shape of what is on its way, and what that is. It breathes by CSS alone: an animation that
 * React drives redraws with every frame, and on a slow phone the screen that it stands for never
 * gets its turn.
 */
export function Loading({ text, rows = 1 }: { text: string; rows?: number }) {
  const inks = useInks();
  const bar = { backgroundColor: inks.line };
  return (
    <View style={styles.loading}>
      <View role="progressbar" aria-label={text} style={[styles.rows, breathing]}>
        {Array.from({ length: rows }, (_, row) => (
          <View key={row} style={styles.row}>
            <View style={[styles.thumb, bar]} />
            <View style={styles.words}>
              <View style={[styles.title, bar]} />
              <View style={[styles.line, bar]} />
            </View>
          </View>
        ))}
      </View>
      <Text style={{ color: inks.inkSoft, fontSize: 15 }}>{text}</Text>
    </View>
  );
}

const isStill =
  typeof matchMedia === 'function' && matchMedia('(prefers-reduced-motion: reduce)').matches;
const breathing = (
  isStill
    ? {}
    : {
        animationKeyframes: {
          '0%': { opacity: 1 },
          '50%': { opacity: 0.45 },
          '100%': { opacity: 1 },
        },
        animationDuration: '1.6s',
        animationIterationCount: 'infinite',
      }
) as ViewStyle;

const styles = StyleSheet.create({
  loading: { padding: 16, gap: 12 },
  rows: { gap: 20 },
  row: { flexDirection: 'row', gap: 14, alignItems: 'center' },
  thumb: { width: 56, height: 48, borderRadius: 10 },
  words: { flex: 1, gap: 10 },
  title: { height: 16, width: '70%', borderRadius: 8 },
  line: { height: 12, width: '90%', borderRadius: 6 },
});
