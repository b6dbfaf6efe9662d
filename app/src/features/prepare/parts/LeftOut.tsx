import { View } from 'react-native';
import { fastenerName, type Sheet } from '@stennet/core/procedure';
import { Card, Chip, Heading, Line } from '@/ui';
import { text } from '../text';

/** Of each seat that a teardown left out: still out, or repaired since. */
export type OutAnswers = Readonly<Record<string, 'out' | 'repaired' | undefined>>;

interface Props {
  sheet: Sheet;
  seats: readonly string[];
  answers: OutAnswers;
  onAnswer: (seat: string, is: 'out' | 'repaired') => void;
}

/**
 * A stud that stayed broken in its hole is not asked for again, unless someone says that it is
 * repaired.
 */
export function LeftOut({ sheet, seats, answers, onAnswer }: Props) {
  if (seats.length === 0) return null;
  return (
    <Card edge="warn">
      <Heading>{text.outTitle({ count: seats.length })}</Heading>
      <Line>{text.outText}</Line>
      {seats.map((seat) => {
        const name = fastenerName(sheet, `${seat}/1`);
        return (
          <View key={seat} role="radiogroup" aria-label={name} style={{ gap: 8 }}>
            <Line strong>{name}</Line>
            <View style={{ flexDirection: 'row', gap: 12, flexWrap: 'wrap' }}>
              {(['out', 'repaired'] as const).map((is) => (
                <Chip
                  key={is}
                  role="radio"
                  text={text.outIs[is]}
                  on={answers[seat] === is}
                  onPress={() => onAnswer(seat, is)}
                />
              ))}
            </View>
          </View>
        );
      })}
    </Card>
  );
}
