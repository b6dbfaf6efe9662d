import { View } from 'react-native';
import type { Sheet } from '@stennet/core/procedure';
import { useSignedIn } from '@/data';
import { Line, Section } from '@/ui';
import { text } from '../text';

/** What the checks asked before approval, and who said that the page has it so. */
export function Answered({ sheet: { answered } }: { sheet: Sheet }) {
  const { format } = useSignedIn();
  if (!answered || answered.length === 0) return null;
  return (
    <Section title={text.answered}>
      {answered.map((a) => (
        <View key={`${a.place} ${a.question}`}>
          <Line>{a.question}</Line>
          <Line strong>{text.answeredBy({ by: a.by, at: format.dateTime(new Date(a.at)) })}</Line>
        </View>
      ))}
    </Section>
  );
}
