import { useEffect, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { markedBolt } from '@stennet/core/drawing';
import { groupOfSeat } from '@stennet/core/procedure';
import { fastenerId, type RunState } from '@stennet/core/run';
import { useSignedIn } from '@/data';
import type { PracticeRun } from '@/data/practice';
import { DrawingView, useInks } from '@/ui';
import { fastenerName, text } from '../text';

/** A voice says it to the nearest of these: what an eye can read off. */
const READ_TO_DEG = 15;

/** What someone sees who bends over the joint: every bolt with its paint mark. */
export function PaintMarks({ practice, state }: { practice: PracticeRun; state: RunState }) {
  const inks = useInks();
  const { format } = useSignedIn();
  const [marks, setMarks] = useState<Readonly<Record<string, number>>>({});
  const { length } = state.events;
  useEffect(() => {
    let isOver = false;
    void practice
      .stripes(state.sheet.seats.map((s) => s.id))
      .then((found) => isOver || setMarks(found));
    return () => void (isOver = true);
  }, [practice, state.sheet, length]);
  const labelOf = (seat: string): string => {
    const bolt = fastenerName(state.sheet, fastenerId(seat, 1));
    const deg = marks[seat];
    return deg === undefined
      ? text.practice.noMark({ bolt })
      : text.practice.markLabel({
          bolt,
          deg: format.turned(Math.round(deg / READ_TO_DEG) * READ_TO_DEG),
        });
  };
  return (
    <View style={styles.marks}>
      <Text style={{ fontSize: 16, fontWeight: '700', color: inks.ink }}>
        {text.practice.marks}
      </Text>
      <View style={styles.bolts}>
        {state.sheet.seats.map(({ id }) => (
          <View key={id} style={styles.bolt}>
            <Text style={{ fontSize: 15, fontWeight: '700', color: inks.ink }}>{id}</Text>
            <DrawingView
              drawing={markedBolt(groupOfSeat(state.sheet, id).head, marks[id] ?? null)}
              label={labelOf(id)}
              width={62}
              height={62}
            />
          </View>
        ))}
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  marks: { flex: 1, alignItems: 'center', justifyContent: 'center', gap: 6, padding: 6 },
  bolts: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, justifyContent: 'center' },
  bolt: { alignItems: 'center', gap: 0 },
});
