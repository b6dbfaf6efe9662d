import { useLocalSearchParams, useRouter } from 'expo-router';
import { useMemo } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { EXERCISES, practiceText } from '@stennet/core/practice';
import { useSignedIn } from '@/data';
import { usePracticeRun, type PracticeRun } from '@/data/practice';
import type { RunView } from '@/data/runStore';
import { HeadButton, ScreenFrame, useInks, Waiting } from '@/ui';
import { practicePlace } from '../hooks/useRunPlace';
import { RunScreen } from '../parts/RunScreen';
import { text } from '../text';

/** A practice run: the screen of a real one, on a joint that is simulated. */
export function PracticeRunScreen() {
  const { attempt } = useLocalSearchParams<{ attempt: string }>();
  return <Opened key={attempt} attempt={attempt} />;
}

function Opened({ attempt }: { attempt: string }) {
  const { run, loaded } = usePracticeRun(attempt);
  if (loaded.status === 'ready') return <Ready view={loaded} run={run} />;
  const failed = loaded.status === 'failed' ? loaded.error : null;
  return (
    <ScreenFrame title={text.practice.mark} back="/practice" backLabel={text.practice.back}>
      <Waiting
        problem={failed}
        text={{ ...text, loading: text.practice.loading }}
        onRetry={() => void run.load()}
      />
    </ScreenFrame>
  );
}

function Ready({ view, run }: { view: RunView; run: PracticeRun }) {
  const { me } = useSignedIn();
  const router = useRouter();
  const place = useMemo(() => practicePlace(run), [run]);
  const { exercise } = run;
  const name = me.person.name.split(' ')[0] ?? '';
  const end = (): void =>
    void run.end().then(() => router.replace(`/practice/${view.kept.id}/result`));
  const isOver = view.state.status === 'finished';
  return (
    <RunScreen
      view={view}
      confirm={(type, payload) => run.confirm(type, payload)}
      takeOver={() => Promise.resolve()}
      place={place}
      title={exercise ? practiceText.exercises[exercise].title : view.kept.sheet.title}
      subtitle={
        exercise
          ? text.practice.sub({
              n: EXERCISES.indexOf(exercise) + 1,
              of: EXERCISES.length,
              name,
            })
          : text.practice.subSheet({ name })
      }
      back="/practice"
      backLabel={text.practice.back}
      mark={
        <View style={styles.mark}>
          <PracticeMark />
          {isOver ? null : <HeadButton text={text.practice.end} onPress={end} />}
        </View>
      }
    />
  );
}

function PracticeMark() {
  const inks = useInks();
  return (
    <View style={[styles.pill, { borderColor: inks.brand, backgroundColor: inks.brandSoft }]}>
      <Text style={{ fontSize: 15, fontWeight: '700', color: inks.brand }}>
        {text.practice.mark}
      </Text>
    </View>
  );
}

const styles = StyleSheet.create({
  mark: { flexDirection: 'row', alignItems: 'center', gap: 8 },
  pill: { borderWidth: 2, borderRadius: 8, paddingHorizontal: 8, paddingVertical: 4 },
});
