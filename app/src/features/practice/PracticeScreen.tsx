import { useRouter } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { isAllowed } from '@stennet/core/contract';
import type { AppError } from '@stennet/core/errors';
import { practiceText, type ExerciseId } from '@stennet/core/practice';
import { asAppError, problemOf, useSignedIn } from '@/data';
import { newPractice, usePractice, usePracticeHere, type KeptPractice } from '@/data/practice';
import { now } from '@/platform/clock';
import {
  BigButton,
  Card,
  Columns,
  Heading,
  Line,
  Notice,
  RowLink,
  ScreenFrame,
  Section,
  Waiting,
} from '@/ui';
import { ExerciseList } from './parts/ExerciseList';
import { People } from './parts/People';
import { Rules } from './parts/Rules';
import { nextExercise, standingsOf } from './progress';
import { text } from './text';

/** The exercises, how far this person is, and for the lead everybody else. */
export function PracticeScreen() {
  const { me } = useSignedIn();
  const practice = usePractice();
  const here = usePracticeHere();
  const [problem, setProblem] = useState<AppError | null>(null);
  const router = useRouter();
  const { attempts = [], rules = [] } = practice.data ?? {};
  const standings = standingsOf(attempts, rules, { person: me.person.id, role: me.role });
  const next = nextExercise(standings);
  const begin = (exercise: ExerciseId): void =>
    void newPractice(me, { exercise }).then(
      (id) => router.navigate(`/practice/${id}`),
      (e: unknown) => setProblem(asAppError(e)),
    );
  const open = (here.data ?? []).filter((k) => !k.result);
  const isKnown = practice.data !== undefined || practice.isError;
  return (
    <ScreenFrame title={text.title} subtitle={text.sub} back="/" backLabel={text.today}>
      {problem ? <Notice title={problem.message} text={problem.fix} look="warn" alert /> : null}
      {practice.isError && !practice.data ? (
        <Notice title={asAppError(practice.error).message} text={asAppError(practice.error).fix} />
      ) : null}
      {!isKnown ? (
        <Waiting
          problem={problemOf(practice)}
          text={text}
          onRetry={() => void practice.refetch()}
        />
      ) : (
        <Columns
          left={
            <>
              <Card>
                <Heading>
                  {text.progress({
                    done: standings.filter((s) => s.passedAt).length,
                    of: standings.length,
                  })}
                </Heading>
                {next ? (
                  <>
                    <Line>{text.next({ title: practiceText.exercises[next].title })}</Line>
                    <BigButton text={text.begin} onPress={() => begin(next)} />
                  </>
                ) : null}
                {open.map((k) => (
                  <OpenRun key={k.log.id} kept={k} />
                ))}
              </Card>
              <ExerciseList standings={standings} onBegin={begin} />
            </>
          }
          right={
            <>
              {isAllowed(me.role, 'practice.lead') ? (
                <>
                  <People attempts={attempts} rules={rules} />
                  <Rules rules={rules} />
                </>
              ) : null}
              <Section title={text.sheets}>
                <RowLink
                  href="/find"
                  icon="magnify"
                  title={text.sheets}
                  line={text.sheetsLine}
                  isLast
                />
              </Section>
            </>
          }
        />
      )}
      <View style={styles.end} />
    </ScreenFrame>
  );
}

function OpenRun({ kept }: { kept: KeptPractice }) {
  const { format } = useSignedIn();
  const router = useRouter();
  const { exercise, id } = kept.log;
  return (
    <BigButton
      text={text.carryOn({
        title: exercise ? practiceText.exercises[exercise].title : kept.sheet.title,
      })}
      hint={text.openLine({ ago: format.ago(new Date(kept.begunAt), now()) })}
      look="plain"
      onPress={() => router.navigate(`/practice/${id}`)}
    />
  );
}

const styles = StyleSheet.create({ end: { height: 8 } });
