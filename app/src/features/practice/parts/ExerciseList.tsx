import { StyleSheet, View } from 'react-native';
import { Text, TouchableRipple } from 'react-native-paper';
import { practiceText, type ExerciseId } from '@stennet/core/practice';
import { useSignedIn } from '@/data';
import { now } from '@/platform/clock';
import { Icon, MONO, Section, useInks } from '@/ui';
import type { Standing } from '../progress';
import { text } from '../text';

/** A dozen, from the first wrench on; each can be done again at any time. */
export function ExerciseList({
  standings,
  onBegin,
}: {
  standings: readonly Standing[];
  onBegin: (exercise: ExerciseId) => void;
}) {
  return (
    <Section title={text.exercises}>
      <View>
        {standings.map((s, i) => (
          <Row
            key={s.exercise}
            number={i + 1}
            standing={s}
            isLast={i === standings.length - 1}
            onPress={() => onBegin(s.exercise)}
          />
        ))}
      </View>
    </Section>
  );
}

function Row({
  number,
  standing,
  isLast,
  onPress,
}: {
  number: number;
  standing: Standing;
  isLast: boolean;
  onPress: () => void;
}) {
  const inks = useInks();
  const { format } = useSignedIn();
  const { title, about } = practiceText.exercises[standing.exercise];
  const { passedAt, triedAt, askedFor } = standing;
  const ago = (at: string): string => format.ago(new Date(at), now());
  const state = passedAt
    ? text.passedAgo({ ago: ago(passedAt) })
    : triedAt
      ? text.failedAgo({ ago: ago(triedAt) })
      : text.never;
  const asked =
    askedFor.length > 0 ? text.askedOf({ kinds: askedFor.map(kindName).join(', ') }) : '';
  return (
    <TouchableRipple
      role="button"
      aria-label={[`${number}. ${title}`, state, asked, about].filter(Boolean).join('. ')}
      onPress={onPress}
    >
      <View style={[styles.row, !isLast && { borderBottomWidth: 1, borderBottomColor: inks.line }]}>
        <Text style={[styles.number, { color: inks.inkSoft, fontFamily: MONO }]}>{number}</Text>
        <View style={styles.words}>
          <Text style={{ fontSize: 17, fontWeight: '700', color: inks.ink }}>{title}</Text>
          <Text style={{ fontSize: 15, lineHeight: 21, color: inks.inkSoft }}>{about}</Text>
          <Text
            style={{
              fontSize: 14,
              lineHeight: 20,
              fontWeight: '700',
              color: passedAt ? inks.ink : triedAt ? inks.warnText : inks.inkSoft,
            }}
          >
            {state}
          </Text>
          {asked && !passedAt ? (
            <Text style={{ fontSize: 14, lineHeight: 20, color: inks.warnText }}>{asked}</Text>
          ) : null}
        </View>
        <Icon
          name={passedAt ? 'check' : 'chevron-right'}
          size={26}
          color={passedAt ? inks.paint : inks.inkSoft}
        />
      </View>
    </TouchableRipple>
  );
}

/** A kind as a sheet says it, to be read: `cylinder-head` */
export const kindName = (kind: string): string => kind.replace(/-/g, ' ');

const styles = StyleSheet.create({
  row: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: 12,
    minHeight: 72,
    paddingVertical: 10,
    paddingHorizontal: 4,
  },
  number: { fontSize: 18, fontWeight: '700', width: 26, textAlign: 'right' },
  words: { flex: 1, minWidth: 0, gap: 2 },
});
