import { View } from 'react-native';
import { Text } from 'react-native-paper';
import type { Judged, Measured, MeasureKindId, Verdict } from '@stennet/core/measure';
import { asRead, type Formatter } from '@stennet/core/quantity';
import { useInks } from '../theme';
import { text, verdictText } from './text';

const SIGN: Record<Verdict, string> = { pass: '●', marginal: '▬', fail: '✕' };

/** The verdict and what it is made of; a sign other than the word, never a color alone. */
export function Result({
  what,
  judged,
  unit,
  format,
}: {
  what: MeasureKindId;
  judged: Judged;
  unit: Measured['unit'];
  format: Formatter;
}) {
  const inks = useInks();
  const say = (mm: number | null): string =>
    mm === null ? '' : format.quantity(asRead({ value: mm, unit: 'mm' }, unit)).text;
  const ink = (verdict: Verdict | null): string =>
    verdict === 'fail' || verdict === 'marginal' ? inks.warnText : inks.ink;
  return (
    <View role="status" style={{ gap: 6 }}>
      <Text
        style={{ fontSize: 20, fontWeight: '700', color: ink(judged.verdict) }}
      >{`${SIGN[judged.verdict]} ${judged.missing && judged.soFar === 'pass' ? text.soFar({ count: judged.missing }) : verdictText(what, judged.verdict)}`}</Text>
      {judged.missing && judged.soFar !== 'pass' ? (
        <Text style={{ fontSize: 16, color: inks.ink }}>
          {text.stillOpen({ count: judged.missing })}
        </Text>
      ) : null}
      {judged.found.map((f) => (
        <Text key={f.what} style={{ fontSize: 16, lineHeight: 23, color: ink(f.verdict) }}>
          {[f.verdict ? SIGN[f.verdict] : '', f.what, say(f.mm), f.note ?? '']
            .filter(Boolean)
            .join(' · ')}
        </Text>
      ))}
    </View>
  );
}
