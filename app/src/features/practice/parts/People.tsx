import { View } from 'react-native';
import { ROLE_TEXT } from '@stennet/core/contract';
import type { PracticeAttempt, PracticeRule } from '@stennet/core/contract/work';
import { practiceText } from '@stennet/core/practice';
import { usePeople, useSignedIn } from '@/data';
import { now } from '@/platform/clock';
import { Fold, Line, RowLink, Section } from '@/ui';
import { standingsOf } from '../progress';
import { text } from '../text';

const LATEST = 6;

/** What the lead sees: how far everybody is, and what was tried last. */
export function People({
  attempts,
  rules,
}: {
  attempts: readonly PracticeAttempt[];
  rules: readonly PracticeRule[];
}) {
  const people = usePeople().data?.people.filter((p) => p.active) ?? [];
  const tried = people.filter((p) => attempts.some((a) => a.person === p.id));
  return (
    <Section title={text.people}>
      {tried.length === 0 ? <Line>{text.noAttempts}</Line> : null}
      {tried.map((p) => {
        const standings = standingsOf(attempts, rules, { person: p.id, role: p.role });
        const passed = standings.filter((s) => s.passedAt);
        const names = (all: typeof standings): string =>
          all.map((s) => practiceText.exercises[s.exercise].title).join(', ') || text.none;
        return (
          <View key={p.id}>
            <Fold
              title={`${p.name}, ${ROLE_TEXT[p.role]}: ${text.personLine({ count: passed.length, of: standings.length })}`}
            >
              <Line>
                {text.openPerson({
                  passed: names(passed),
                  rest: names(standings.filter((s) => !s.passedAt)),
                })}
              </Line>
              <Latest attempts={attempts.filter((a) => a.person === p.id)} />
            </Fold>
          </View>
        );
      })}
    </Section>
  );
}

/** The last few of one person, each with how it went. */
function Latest({ attempts }: { attempts: readonly PracticeAttempt[] }) {
  const { format } = useSignedIn();
  return attempts
    .slice(0, LATEST)
    .map((a, i, all) => (
      <RowLink
        key={a.id}
        href={`/practice/${a.id}/result`}
        icon={a.passed ? 'check' : 'alert'}
        title={a.exercise ? practiceText.exercises[a.exercise].title : (a.title ?? '')}
        line={`${a.passed ? text.passed : text.notYet} · ${format.ago(new Date(a.at), now())}`}
        isWarn={!a.passed}
        isLast={i === all.length - 1}
      />
    ));
}
