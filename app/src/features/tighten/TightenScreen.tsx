import { useLocalSearchParams, useRouter } from 'expo-router';
import {
  useCallback,
  useEffect,
  useMemo,
  useRef,
  useState,
  type ReactNode,
  type RefObject,
} from 'react';
import {
  ScrollView,
  StyleSheet,
  View,
  type NativeScrollEvent,
  type NativeSyntheticEvent,
} from 'react-native';
import { isAllowed } from '@stennet/core/contract';
import { AppError } from '@stennet/core/errors';
import { next, type Next, type RunState } from '@stennet/core/run';
import { asAppError, useSending, useSignedIn, useStatements } from '@/data';
import { useRun, type RunView } from '@/data/runs';
import { useHands } from '@/platform/hands';
import { useWakeLock } from '@/platform/wakeLock';
import { BigButton, Loading, Notice, SavedBadge, ScreenFrame, useInks, useIsWide } from '@/ui';
import { useActs, type Acts } from './hooks/useActs';
import { lineFor, useHandsFree } from './hooks/useHandsFree';
import { useSeenSheet } from './hooks/useSeenSheet';
import { RunPlaceProvider, useRunPlaceOf } from './hooks/useRunPlace';
import { GlassGuard } from './parts/GlassGuard';
import { LeadDesk } from './parts/LeadDesk';
import { OneSeen } from './parts/OnePanel';
import { Panel } from './parts/Panel';
import { MapOf, RibbonOf } from './parts/RunDrawings';
import { RefusedEntries } from './parts/RefusedEntries';
import { WatchPanel } from './parts/StepPanel';
import { ValuesStrip } from './parts/ValuesStrip';
import { statementText } from './say';
import { text } from './text';

export function TightenScreen() {
  const { run } = useLocalSearchParams<{ run: string }>();
  const { me } = useSignedIn();
  const { loaded, confirm, reload, takeOver } = useRun(run, me.person.id);
  if (loaded.status === 'ready')
    return <Ready view={loaded} confirm={confirm} takeOver={takeOver} />;
  return (
    <ScreenFrame title="Tighten" back="/" backLabel={text.back}>
      {loaded.status === 'failed' ? (
        <Notice
          title={text.failed}
          text={`${loaded.error.message} ${loaded.error.fix}`}
          action={{ text: text.retry, onPress: reload }}
          alert
        />
      ) : (
        <Loading text={text.loading} />
      )}
    </ScreenFrame>
  );
}

function Ready({
  view,
  confirm,
  takeOver,
}: {
  view: RunView;
  confirm: ReturnType<typeof useRun>['confirm'];
  takeOver: () => Promise<void>;
}) {
  const { me, format } = useSignedIn();
  const isWide = useIsWide();
  const { kept, state } = view;
  const acts = useActs(kept.id, state, confirm);
  const seen = useSeenSheet(state.sheet);
  const place = useRunPlaceOf(kept);
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
  const isWriting =
    view.isMine && isAllowed(me.role, 'run.write') && state.holder?.person === me.person.id;
  useHandsFree({ state, seen, due, hands, format, refused: acts.error, active: isWriting });
  useWakeLock(isWriting && state.status === 'open');
  // Behind locked glass nothing can be pressed, the head of the screen neither.
  const mayPause = isWriting && state.status === 'open' && due.kind !== 'finish' && !isLocked;
  const right = (
    <View style={styles.right}>
      <Badge view={view} />
      {mayPause ? (
        <BigButton
          text={text.pause}
          look="quiet"
          size="desk"
          onPress={() => void acts.confirm('paused', {})}
        />
      ) : null}
    </View>
  );
  const hand = (
    <>
      {view.refused.length > 0 ? <RefusedEntries view={view} /> : null}
      <SignInDue unsent={view.unsent} />
      {isWriting && state.status !== 'paused' ? (
        <Said run={kept.id} state={state} acts={acts} people={kept.people} />
      ) : null}
      {isWriting || state.status === 'finished' ? (
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
      title={kept.order.joint}
      subtitle={
        kept.supersededBy
          ? text.keepsOld(kept.sheet.revision, kept.supersededBy)
          : text.sub(kept.order.number, kept.order.vehicle)
      }
      {...(isLocked ? {} : { back: `/orders/${kept.order.id}`, backLabel: text.back })}
      right={right}
      fixed
    >
      <RunPlaceProvider value={place}>
        <View style={[styles.work, { pointerEvents: isLocked ? 'none' : 'auto' }]}>
          {isWide ? (
            <Wide view={view} due={due} hand={hand} onSeat={onSeat} />
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
      title={text.signInTitle(unsent)}
      text={text.signInText}
      action={{ text: text.signInGo, onPress: () => router.navigate('/') }}
      look="warn"
      alert
    />
  );
}

interface Layout {
  view: RunView;
  due: Next;
  hand: ReactNode;
  onSeat: (seat: string) => void;
}

function Phone({ view, due, hand, onSeat, isHuge }: Layout & { isHuge: boolean }) {
  const inks = useInks();
  const top = useTop(view.state);
  return (
    <View style={styles.phone}>
      {isHuge ? null : (
        <View style={styles.ribbon}>
          <RibbonOf state={view.state} height={56} />
        </View>
      )}
      <View style={isHuge ? styles.noMap : styles.map}>
        {isHuge ? null : (
          <MapOf state={view.state} joint={view.kept.order.joint} due={due} onSeat={onSeat} />
        )}
      </View>
      <View
        style={[
          styles.sheet,
          isHuge && styles.whole,
          { backgroundColor: inks.card, borderTopColor: inks.brand },
        ]}
      >
        <ScrollView
          {...top}
          scrollEventThrottle={100}
          contentContainerStyle={styles.sheetBody}
          tabIndex={0}
        >
          {hand}
        </ScrollView>
      </View>
    </View>
  );
}

function Wide({ view, due, hand, onSeat }: Layout) {
  const inks = useInks();
  const top = useTop(view.state);
  return (
    <View style={styles.wide}>
      <View style={styles.left}>
        <View style={styles.ribbon}>
          <RibbonOf state={view.state} height={72} />
        </View>
        <View style={styles.map}>
          <MapOf state={view.state} joint={view.kept.order.joint} due={due} onSeat={onSeat} />
        </View>
        <View style={styles.values}>
          <ValuesStrip
            state={view.state}
            nextSeat={due.kind === 'pull' ? due.seat : null}
            nextStage={due.kind === 'pull' ? due.stageIndex : -1}
          />
        </View>
      </View>
      <View style={[styles.panel, { backgroundColor: inks.card, borderLeftColor: inks.line }]}>
        <ScrollView
          {...top}
          scrollEventThrottle={100}
          contentContainerStyle={styles.panelBody}
          tabIndex={0}
        >
          {hand}
        </ScrollView>
      </View>
    </View>
  );
}

/** What comes next is read from its first line, however far down the last panel was scrolled. */
function useTop(state: RunState): {
  ref: RefObject<ScrollView | null>;
  onScroll: (e: NativeSyntheticEvent<NativeScrollEvent>) => void;
} {
  const ref = useRef<ScrollView>(null);
  // Asked of the browser only after somebody scrolled: it lays the page out anew to answer.
  const isDown = useRef(false);
  const { length } = state.events;
  useEffect(() => {
    if (isDown.current) ref.current?.scrollTo({ y: 0, animated: false });
    isDown.current = false;
  }, [length]);
  return { ref, onScroll: (e) => (isDown.current = e.nativeEvent.contentOffset.y > 0) };
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

/** What a lead said elsewhere: taken in by whoever holds the run. */
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
        title={text.said(people[s.person] ?? text.theLead, statementText(s, state))}
        {...(s.text ? { text: s.text } : {})}
        action={{ text: text.takeIn, onPress: () => void acts.confirm('used', { statement: s }) }}
        look="warn"
        alert
      />
    ));
}

const styles = StyleSheet.create({
  right: { flexDirection: 'row', gap: 8, alignItems: 'center' },
  work: { flex: 1, minHeight: 0 },
  phone: { flex: 1, minHeight: 0 },
  noMap: { height: 0 },
  whole: { maxHeight: '100%', flexGrow: 1 },
  ribbon: { paddingHorizontal: 8, paddingTop: 6, alignItems: 'center' },
  map: { flex: 1, minHeight: 130, padding: 4 },
  sheet: {
    borderTopWidth: 2,
    borderTopLeftRadius: 18,
    borderTopRightRadius: 18,
    flexShrink: 1,
    maxHeight: '72%',
  },
  sheetBody: { padding: 14, gap: 12 },
  wide: { flex: 1, flexDirection: 'row', minHeight: 0 },
  left: { flex: 1, minWidth: 0 },
  values: { paddingHorizontal: 16, paddingBottom: 12 },
  panel: { width: 400, borderLeftWidth: 1 },
  panelBody: { padding: 24, gap: 12, flexGrow: 1, justifyContent: 'center' },
});
