import { useRouter } from 'expo-router';
import { useState } from 'react';
import { AppError } from '@stennet/core/errors';
import { asAppError, useSending, useSignedIn, useStatements } from '@/data';
import { BigButton, Notice } from '@/ui';
import { lineFor } from '../hooks/useHandsFree';
import { useRunNow, useRunSoon } from '../hooks/useRunNow';
import { useRunPlace } from '../hooks/useRunPlace';
import { useSeenSheet } from '../hooks/useSeenSheet';
import { statementText } from '../say';
import { text } from '../text';
import { LeadDesk } from './LeadDesk';
import { OneSeen } from './OnePanel';
import { Panel } from './Panel';
import { RefusedEntries } from './RefusedEntries';
import { WatchPanel } from './StepPanel';

/** What the hand has to do, and what it has to know first. */
export function Hand() {
  const { view, due, acts, seat, onSeat, onLock, takeOver, isWriting, unpracticed } = useRunNow();
  const { practice } = useRunPlace();
  const { state } = view;
  return (
    <>
      {view.refused.length > 0 ? <RefusedEntries view={view} /> : null}
      <SignInDue />
      {isWriting && state.status !== 'paused' && !practice ? <Said /> : null}
      {unpracticed.length > 0 ? (
        <PracticeFirst exercises={unpracticed} />
      ) : isWriting || state.status === 'finished' ? (
        <Panel
          view={view}
          acts={acts}
          due={due}
          seat={seat}
          onSeat={onSeat}
          onLock={onLock}
          takeOver={takeOver}
        />
      ) : (
        <Watching />
      )}
    </>
  );
}

/** Whoever goes on with it has passed what the lead asks for. */
function PracticeFirst({ exercises }: { exercises: readonly string[] }) {
  const router = useRouter();
  const first = new AppError('PRACTICE_FIRST', { exercises: exercises.join(',') });
  return (
    <Notice
      title={first.message}
      text={first.fix}
      action={{ text: text.practice.back, onPress: () => router.navigate('/practice') }}
      look="warn"
      alert
    />
  );
}

function SignInDue() {
  const { unsent } = useRunSoon().view;
  const router = useRouter();
  const sending = useSending();
  if (sending.state !== 'signIn' || unsent === 0) return null;
  return (
    <Notice
      title={text.signInTitle({ count: unsent })}
      text={text.signInText}
      action={{ text: text.signInGo, onPress: () => router.navigate('/') }}
      look="warn"
      alert
    />
  );
}

function Watching() {
  const { view, due, seat, onSeat, takeOver } = useRunNow();
  const [error, setError] = useState<AppError | null>(null);
  const { me, format } = useSignedIn();
  const seen = useSeenSheet(view.state.sheet);
  return (
    <>
      {seat === null ? null : (
        <>
          <OneSeen view={view} due={due} seat={seat} />
          <BigButton text={text.close} look="plain" onPress={() => onSeat(null)} />
        </>
      )}
      <WatchPanel
        state={view.state}
        people={view.kept.people}
        device={text.thisDevice}
        line={view.state.status === 'open' ? lineFor(seen, due, format) : null}
        error={error ? `${error.message} ${error.fix}` : null}
        onTakeOver={() => void takeOver().catch((e: unknown) => setError(asAppError(e)))}
      />
      {me.role === 'lead' ? <LeadDesk run={view.kept.id} state={view.state} /> : null}
    </>
  );
}

/** What a lead said elsewhere: taken in by the device that holds the run. */
function Said() {
  const { view, acts } = useRunSoon();
  const { kept, state } = view;
  const { people } = kept;
  const { data } = useStatements(kept.id, true);
  const used = new Set(
    state.effective
      .toArray()
      .flatMap((c) => (c.event.type === 'used' ? [c.event.payload.statement.id] : [])),
  );
  return data?.statements
    .filter((s) => !used.has(s.id))
    .map((s) => (
      <Notice
        key={s.id}
        title={text.said({ name: people[s.person] ?? text.theLead, what: statementText(s, state) })}
        {...(s.text ? { text: s.text } : {})}
        action={{ text: text.takeIn, onPress: () => void acts.confirm('used', { statement: s }) }}
        look="warn"
        alert
      />
    ));
}
