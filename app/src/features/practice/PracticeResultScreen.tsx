import { useLocalSearchParams, useRouter } from 'expo-router';
import { useState } from 'react';
import type { AppError } from '@stennet/core/errors';
import { practiceText, type PracticeResult } from '@stennet/core/practice';
import { asAppError, useSignedIn } from '@/data';
import { newPractice, useJudged, type JudgedPractice } from '@/data/practice';
import { BigButton, Card, Columns, Heading, Line, Loading, Notice, ScreenFrame } from '@/ui';
import { BoltTable } from './parts/BoltTable';
import { JudgedList } from './parts/JudgedList';
import { Replay } from './parts/Replay';
import { betterText, faultText } from './say';
import { text } from './text';

/** What came of one practice run: each bolt, what was missed, and one thing to do better. */
export function PracticeResultScreen() {
  const { attempt } = useLocalSearchParams<{ attempt: string }>();
  const judged = useJudged(attempt);
  const router = useRouter();
  const frame = { title: text.mark, back: '/practice', backLabel: text.back };
  if (judged.data?.result)
    return <Result key={attempt} of={{ ...judged.data, result: judged.data.result }} />;
  return (
    <ScreenFrame {...frame}>
      {judged.data ? (
        <Notice
          title={text.result.notEnded}
          action={{
            text: text.result.goOn,
            onPress: () => router.navigate(`/practice/${attempt}`),
          }}
        />
      ) : judged.isError ? (
        <Notice title={text.nothing} text={asAppError(judged.error).fix} alert />
      ) : (
        <Loading text={text.result.loading} />
      )}
    </ScreenFrame>
  );
}

function Result({ of }: { of: JudgedPractice & { result: PracticeResult } }) {
  const { me, format } = useSignedIn();
  const router = useRouter();
  const [problem, setProblem] = useState<AppError | null>(null);
  const { result, log, sheet } = of;
  const { exercise } = log;
  const title = exercise ? practiceText.exercises[exercise].title : sheet.title;
  const again = (): void =>
    void newPractice(me, exercise ? { exercise } : { sheet }).then(
      (id) => router.replace(`/practice/${id}`),
      (e: unknown) => setProblem(asAppError(e)),
    );
  const fault = faultText(result.fault, format);
  return (
    <ScreenFrame title={title} subtitle={text.mark} back="/practice" backLabel={text.back}>
      {problem ? <Notice title={problem.message} text={problem.fix} look="warn" alert /> : null}
      <Columns
        left={
          <>
            <Card {...(result.passed ? {} : { edge: 'warn' as const })}>
              <Heading>{result.passed ? text.result.passed : text.result.failed}</Heading>
              {fault ? <Line strong>{fault}</Line> : null}
              <Line>
                {result.better ? `${text.result.better}: ${betterText(result)}` : text.result.well}
              </Line>
              <BigButton text={text.result.again} onPress={again} />
              <BigButton
                text={text.result.all}
                look="quiet"
                onPress={() => router.navigate('/practice')}
              />
            </Card>
            <JudgedList result={result} />
          </>
        }
        right={
          <>
            <Replay result={result} sheet={sheet} />
            <BoltTable result={result} title={`${text.mark}: ${title}`} />
          </>
        }
      />
    </ScreenFrame>
  );
}
