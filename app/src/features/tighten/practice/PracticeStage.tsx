import { useState, type ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { exercises, isForHand } from '@stennet/core/practice';
import type { Next, RunState } from '@stennet/core/run';
import type { PracticeRun } from '@/data/practice';
import { Chip } from '@/ui';
import { text } from '../text';
import { HandStage } from './HandStage';
import { PaintMarks } from './PaintMarks';

interface Props {
  practice: PracticeRun;
  state: RunState;
  due: Next;
  map: ReactNode;
}

/**
 * Where a real joint shows its map, practice shows the bolt under the wrench; the map is a tap
 * away. After something went wrong, the paint marks.
 */
export function PracticeStage({ practice, state, due, map }: Props) {
  const [showsMap, setShowsMap] = useState(false);
  if (due.kind === 'reconcile' || due.kind === 'hold')
    return <PaintMarks practice={practice} state={state} />;
  if (due.kind !== 'pull' || !isForHand(due.task)) return map;
  if (!showsMap)
    return (
      <HandStage
        practice={practice}
        state={state}
        due={due}
        room={roomOf(practice)}
        onMap={() => setShowsMap(true)}
      />
    );
  return (
    <View style={styles.stage}>
      {map}
      <View style={styles.choice}>
        <Chip
          role="checkbox"
          text={text.practice.map}
          on
          size="hand"
          onPress={() => setShowsMap(false)}
        />
      </View>
    </View>
  );
}

const roomOf = ({ exercise }: PracticeRun): number | undefined =>
  exercise === null ? undefined : exercises[exercise].swingDeg;

const styles = StyleSheet.create({
  stage: { flex: 1, minHeight: 0, gap: 4 },
  choice: { flexDirection: 'row', gap: 8, justifyContent: 'center' },
});
