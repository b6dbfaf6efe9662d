import { useState } from 'react';
import { View } from 'react-native';
import { sightResult, sightTitle, type RunRecord } from '@stennet/core/record';
import { useSignedIn } from '@/data';
import { BigButton, Line, Section } from '@/ui';
import { text } from '../text';

/**
 * Every step, hold, tool, value and fastener that was confirmed, in the order it happened: long,
 * and opened when asked for.
 */
export function DoneList({
  record,
  people,
}: {
  record: RunRecord;
  people: Readonly<Record<string, string>>;
}) {
  const { format } = useSignedIn();
  const [isOpen, setOpen] = useState(false);
  const done = record.done.filter((s) => !record.seen.includes(s));
  if (done.length === 0) return null;
  return (
    <Section title={text.done}>
      {isOpen
        ? done.map((s, i) => (
            <View key={`${s.event}-${i}`}>
              <Line strong>{sightTitle(s)}</Line>
              <Line>
                {[
                  sightResult(s, format),
                  s.note,
                  text.seenBy({
                    by: people[s.person] ?? '',
                    at: format.dateTime(new Date(s.deviceTime)),
                  }),
                ]
                  .filter(Boolean)
                  .join(' · ')}
              </Line>
            </View>
          ))
        : null}
      <BigButton
        text={isOpen ? text.hideDone : text.showDone({ n: done.length })}
        look="quiet"
        size="desk"
        onPress={() => setOpen(!isOpen)}
      />
    </Section>
  );
}
