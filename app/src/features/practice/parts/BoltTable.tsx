import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import type { PracticedBolt, PracticeResult } from '@stennet/core/practice';
import { useSignedIn } from '@/data';
import { printTable } from '@/platform/printTable';
import { BigButton, Line, MONO, Section, useInks } from '@/ui';
import { text } from '../text';

/** Each bolt beside the same bolt of a perfect run. */
export function BoltTable({ result, title }: { result: PracticeResult; title: string }) {
  const inks = useInks();
  const { format } = useSignedIn();
  const kn = (n: number): string =>
    format.quantity({ value: Math.round(n * 10) / 10, unit: 'kN' }).text;
  const hasAngles = result.bolts.some((b) => b.angleOffDeg !== null);
  const heads = [
    text.result.bolt,
    text.result.yours,
    text.result.perfect,
    ...(hasAngles ? [text.result.angleOff] : []),
    text.result.verdict,
  ];
  const cells = (b: PracticedBolt): string[] => [
    b.seat,
    kn(b.clampKn),
    kn(b.perfectKn),
    ...(hasAngles ? [angle(b.angleOffDeg)] : []),
    text.result.is[b.is],
  ];
  const angle = (deg: number | null): string =>
    deg === null ? text.result.none : `${deg > 0 ? '+' : ''}${format.turned(Math.round(deg))}`;
  const rows = result.bolts.map(cells);
  return (
    <Section title={text.result.clamp}>
      <View role="table" aria-label={text.result.clamp}>
        <View role="row" style={styles.row}>
          {heads.map((h, i) => (
            <Text
              key={h}
              role="columnheader"
              style={[cellStyle(i, heads.length), { color: inks.inkSoft }]}
            >
              {h}
            </Text>
          ))}
        </View>
        {rows.map((row, r) => (
          <View
            key={row[0]}
            role="row"
            style={[styles.row, { borderTopWidth: 1, borderTopColor: inks.line }]}
          >
            {row.map((cell, i) => (
              <Text
                key={`${heads[i]}`}
                role="cell"
                style={[
                  cellStyle(i, row.length),
                  {
                    color: result.bolts[r]?.is === 'good' ? inks.ink : inks.warnText,
                    fontFamily: i > 0 && i < row.length - 1 ? MONO : undefined,
                  },
                ]}
              >
                {cell}
              </Text>
            ))}
          </View>
        ))}
      </View>
      <Line>{text.result.mean({ kn: kn(result.meanKn) })}</Line>
      <Line>
        {text.result.spread({
          yours: format.number(result.spread * 100, 0),
          perfect: format.number(result.perfectSpread * 100, 0),
        })}
      </Line>
      <BigButton
        text={text.result.print}
        look="quiet"
        size="desk"
        onPress={() => printTable(title, heads, rows)}
      />
    </Section>
  );
}

const cellStyle = (i: number, of: number) =>
  i === 0 ? styles.first : i === of - 1 ? styles.last : styles.cell;

const styles = StyleSheet.create({
  row: { flexDirection: 'row', alignItems: 'center', minHeight: 40, gap: 8 },
  first: { width: 44, fontSize: 16, fontWeight: '700' },
  cell: { flex: 1, fontSize: 15 },
  last: { flex: 1.4, fontSize: 15 },
});
