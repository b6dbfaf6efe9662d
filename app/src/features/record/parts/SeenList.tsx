import { View } from 'react-native';
import type { RecordedSight, RunRecord } from '@stennet/core/record';
import type { Formatter } from '@stennet/core/quantity';
import { useSignedIn } from '@/data';
import { Line, Section } from '@/ui';
import { text } from '../text';

/** What was seen, measured, tried and put away, in the order it happened. */
export function SeenList({ record, people }: { record: RunRecord; people: Readonly<Record<string, string>> }) {
  const { format } = useSignedIn();
  if (record.seen.length === 0) return null;
  return (
    <Section title={text.seen}>
      {record.seen.map((s) => (
        <View key={s.event}>
          <Line strong>{headOf(s)}</Line>
          {[resultOf(s, format), s.note].filter(Boolean).map((line) => (
            <Line key={line}>{line}</Line>
          ))}
          <Line>{text.seenBy(people[s.person] ?? '', format.dateTime(new Date(s.deviceTime)))}</Line>
        </View>
      ))}
    </Section>
  );
}

/** The first one in a hole is named by the hole alone. */
const boltLabel = (fastener: string): string => fastener.replace(/\/1$/, '');

function headOf(s: RecordedSight): string {
  const bolts = s.fasteners.map(boltLabel).join(', ');
  if (s.kind === 'bagged') return text.keptIn(s.what, bolts);
  if (s.kind === 'tried') return text.tried(bolts, s.what);
  if (s.kind === 'failed') return text.wentWrong(s.failure ? text.failures[s.failure] : '', bolts ? `${text.bolt} ${bolts}` : s.what);
  return s.what;
}

function resultOf(s: RecordedSight, format: Formatter): string {
  const values = s.values.map(({ row, value }) => `${row ? `${row}: ` : ''}${format.quantity(value, 3).text}`).join('; ');
  return [s.kind === 'tried' ? (text.attempts[s.result] ?? s.result) : s.result, values].filter(Boolean).join(' · ');
}
