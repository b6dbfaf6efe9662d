import { View } from 'react-native';
import { sightResult, sightTitle, type RunRecord } from '@stennet/core/record';
import { useSignedIn } from '@/data';
import { Line, Section } from '@/ui';
import { text } from '../text';

/** What was seen, measured, tried and put away, in the order it happened. */
export function SeenList({
  record,
  people,
}: {
  record: RunRecord;
  people: Readonly<Record<string, string>>;
}) {
  const { format } = useSignedIn();
  if (record.seen.length === 0) return null;
  return (
    <Section title={text.seen}>
      {record.seen.map((s) => (
        <View key={s.event}>
          <Line strong>{sightTitle(s)}</Line>
          {[sightResult(s, format), s.note].filter(Boolean).map((line) => (
            <Line key={line}>{line}</Line>
          ))}
          <Line>
            {text.seenBy({
              by: people[s.person] ?? '',
              at: format.dateTime(new Date(s.deviceTime)),
            })}
          </Line>
        </View>
      ))}
    </Section>
  );
}
