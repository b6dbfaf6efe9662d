import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import type { CheckPoint, JudgedCheck, WrenchCheck } from '@stennet/core/calibration';
import { useSignedIn } from '@/data';
import { Line, useInks } from '@/ui';
import { text } from '../text';

/** What each point of a check was off by, and what follows for the wrench. */
export function JudgedPoints({ check, judged }: { check: WrenchCheck; judged: JudgedCheck }) {
  const inks = useInks();
  const { format } = useSignedIn();
  const isWithin = judged.verdict === 'within';
  return (
    <View style={styles.points}>
      <Text style={{ fontSize: 18, fontWeight: '700', color: isWithin ? inks.ink : inks.warnText }}>
        {`${isWithin ? '' : '▲ '}${verdictText(judged, check, (n) => format.number(n, 1))}`}
      </Text>
      {judged.isCoarse ? <Line>{text.check.coarse}</Line> : null}
      {judged.points.map((p) => (
        <View key={`${p.direction}${p.percent}`} style={styles.point}>
          <Text style={{ fontSize: 16, color: inks.ink, flexShrink: 1 }}>
            {text.check.line({
              p: p.percent,
              direction: text.check[p.direction],
              set: format.number(p.wrench, 2),
              got: format.quantity({ value: p.reference, unit: check.unit }).text,
            })}
          </Text>
          <Text
            style={{
              fontSize: 16,
              fontWeight: '700',
              color: p.verdict === 'within' ? inks.ink : inks.warnText,
            }}
          >
            {text.check.off({
              off: offText(p, (n) => format.number(n, 1)),
              u: format.number(p.uncertaintyPercent, 1),
            })}
          </Text>
        </View>
      ))}
    </View>
  );
}

export const verdictText = (
  { verdict }: JudgedCheck,
  { tolerancePercent }: WrenchCheck,
  number: (n: number) => string,
): string => text.check.verdicts[verdict]({ p: number(tolerancePercent) });

/** Said of what the bolt got: a wrench that shows more than it gives is low. */
function offText({ deviationPercent: off }: CheckPoint, number: (n: number) => string): string {
  const shown = number(Math.abs(off));
  if (shown === number(0)) return text.check.on;
  return off > 0 ? text.check.low({ p: shown }) : text.check.high({ p: shown });
}

const styles = StyleSheet.create({
  points: { gap: 6 },
  point: { flexDirection: 'row', flexWrap: 'wrap', justifyContent: 'space-between', columnGap: 12 },
});
