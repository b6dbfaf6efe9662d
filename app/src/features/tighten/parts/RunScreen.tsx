import { useRouter } from 'expo-router';
import { useCallback, useMemo, useState, type ReactNode } from 'react';
import { View } from 'react-native';
import { isAllowed } from '@stennet/core/contract';
import { AppError } from '@stennet/core/errors';
import { next, type Next, type RunState } from '@stennet/core/run';
import { asAppError, useSending, useSignedIn, useStatements } from '@/data';
import { useUnpracticed } from '@/data/practice';
import type { Confirm } from '@/data/runs';
import { type RunView } from '@/data/runStore';
import { useHands } from '@/platform/hands';
import { useWakeLock } from '@/platform/wakeLock';
import { BigButton, Notice, SavedBadge, ScreenFrame, useIsWide } from '@/ui';
import { useActs, type Acts } from '../hooks/useActs';
import { lineFor, useHandsFree } from '../hooks/useHandsFree';
import { useSeenSheet } from '../hooks/useSeenSheet';
import { RunPlaceProvider, type RunPlace } from '../hooks/useRunPlace';
import { GlassGuard } from './GlassGuard';
import { LeadDesk } from './LeadDesk';
import { OneSeen } from './OnePanel';
import { Panel } from './Panel';
import { RefusedEntries } from './RefusedEntries';
import { WatchPanel } from './StepPanel';
import { statementText } from '../say';
import { text } from '../text';
import { styles, Wide, Phone, useIsLow } from './Layouts';

interface Props {
  view: RunView;
  confirm: Confirm;
  takeOver: () => Promise<void>;
  place: RunPlace;
  title: string;
  subtitle: string;
  /** Where the arrow leads. */
  back: string;
  backLabel: string;
  /** Stands where the badge of what is saved does. */
  mark?: ReactNode;
}

/** One run, led: the joint and the hand. The same for a real joint and for practice. */
export function RunScreen({
  view,
  confirm,
  takeOver,
  place,
  title,
  subtitle,
  back,
  backLabel,
  mark,
}: Props) {
  const { me, format } = useSignedIn();
  const isWide = useIsWide();
  const isLow = useIsLow();
  const { kept, state } = view;
  const acts = useActs(kept.id, state, confirm);
  const seen = useSeenSheet(state.sheet);
  const hands = useHands(me.person.id);
  const [asked, setAsked] = useState<{ seat: string; at: number } | null>(null);
  const [isLocked, setLocked] = useState(false);
  const seat = asked?.at === state.events.length ? asked.seat : null;
  const { length } = state.events;
  const onSeat = useCallback(
    (next: string | null): void => setAsked(next === null ? null : { seat: next, at: length }),
    [length],
  );
  const due = useMemo(() => next(state), [state]);
  // Practice is everybody's.
  const mayWrite = place.practice !== null || isAllowed(me.role, 'run.write');
  const isWriting = view.isMine && mayWrite && state.holder?.person === me.person.id;
  useHandsFree({ state, seen, due, hands, format, refused: acts.error, active: isWriting });
  const unpracticed = useUnpracticed(state.sheet.kind);
  const isAsked = unpracticed.length > 0 && mayWrite && !place.practice && state.status === 'open';
  useWakeLock(isWriting && state.status === 'open');
  // Behind locked glass nothing can be pressed, the head of the screen neither.
  // Practice can be left at any time.
  const mayPause =
    isWriting && !place.practice && state.status === 'open' && due.kind !== 'finish' && !isLocked;
  const right = (
    <View style={styles.right}>
      {mark ?? <Badge view={view} />}
      {mayPause ? (
        <BigButton text={text.pause} look="quiet" onPress={() => void acts.confirm('paused', {})} />
      ) : null}
    </View>
  );
  const hand = (
    <>
      {view.refused.length > 0 ? <RefusedEntries view={view} /> : null}
      <SignInDue unsent={view.unsent} />
      {isWriting && state.status !== 'paused' && !place.practice ? (
        <Said run={kept.id} state={state} acts={acts} people={kept.people} />
      ) : null}
      {isAsked ? (
        <PracticeFirst exercises={unpracticed} />
      ) : isWriting || state.status === 'finished' ? (
        <Panel
          view={view}
          acts={acts}
          due={due}
          seat={seat}
          onSeat={onSeat}
          onLock={() => setLocked(true)}
          takeOver={takeOver}
        />
      ) : (
        <Watching view={view} due={due} seat={seat} onSeat={onSeat} takeOver={takeOver} />
      )}
    </>
  );
  return (
    <ScreenFrame
      title={title}
      subtitle={subtitle}
      {...(isLocked ? {} : { back, backLabel })}
      right={right}
      fixed
    >
      <RunPlaceProvider value={place}>
        <View style={[styles.work, { pointerEvents: isLocked ? 'none' : 'auto' }]}>
          {isWide || isLow ? (
            <Wide view={view} due={due} hand={hand} onSeat={onSeat} isLow={isLow} />
          ) : (
            <Phone
              view={view}
              due={due}
              hand={hand}
              onSeat={onSeat}
              isHuge={hands.huge && due.kind === 'pull'}
            />
          )}
        </View>
        {isLocked ? <GlassGuard onOpen={() => setLocked(false)} /> : null}
      </RunPlaceProvider>
    </ScreenFrame>
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

/** What is said of the way to the server changes often: nothing but the badge is drawn for it. */
function Badge({ view }: { view: RunView }) {
  const sending = useSending();
  return (
    <SavedBadge
      unsent={view.unsent}
      refused={view.refused.length}
      state={sending.state}
      compact={!useIsWide()}
    />
  );
}

function SignInDue({ unsent }: { unsent: number }) {
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

interface OnWatch {
  view: RunView;
  due: Next;
  seat: string | null;
  onSeat: (seat: string | null) => void;
  takeOver: () => Promise<void>;
}

function Watching({ view, due, seat, onSeat, takeOver }: OnWatch) {
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
function Said({
  run,
  state,
  acts,
  people,
}: {
  run: string;
  state: RunState;
  acts: Acts;
  people: Readonly<Record<string, string>>;
}) {
  const { data } = useStatements(run, true);
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
