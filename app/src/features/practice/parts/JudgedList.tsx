import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { practiceText, type PracticeResult } from '@stennet/core/practice';
import { Icon, Line, Section, useInks } from '@/ui';
import { text } from '../text';

/** Every criterion of this exercise, with the bolts it does not hold for. */
export function JudgedList({ result }: { result: PracticeResult }) {
  const inks = useInks();
  return (
    <Section title={text.result.judged}>
      <View role="list">
        {result.judged
          .filter((j) => j.counts)
          .map((j) => {
            const what = practiceText.criteria[j.id];
            const bolts = j.seats.filter(Boolean).join(', ');
            return (
              <View
                key={j.id}
                role="listitem"
                aria-label={`${what}: ${j.ok ? text.result.holds : text.result.fails}`}
                style={styles.row}
              >
                <Icon
                  name={j.ok ? 'check' : 'alert'}
                  size={24}
                  color={j.ok ? inks.paint : inks.warnText}
                />
                <Text style={{ flex: 1, fontSize: 16, color: j.ok ? inks.ink : inks.warnText }}>
                  {!j.ok && bolts ? text.result.of({ what, bolts }) : what}
                </Text>
              </View>
            );
          })}
      </View>
      <Line>{text.result.time({ count: Math.max(1, Math.round(result.minutes)) })}</Line>
    </Section>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', alignItems: 'center', gap: 12, minHeight: 40 },
});
