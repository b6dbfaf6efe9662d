import { memo, useCallback, useMemo, useState, type ReactNode } from 'react';
import { View } from 'react-native';
import { isAllowed } from '@stennet/core/contract';
import { next } from '@stennet/core/run';
import { useSending, useSignedIn } from '@/data';
import { useUnpracticed } from '@/data/practice';
import type { Confirm } from '@/data/runs';
import type { RunView } from '@/data/runStore';
import { useHands } from '@/platform/hands';
import { useWakeLock } from '@/platform/wakeLock';
import { HeadButton, SavedBadge, ScreenFrame, useIsWide } from '@/ui';
import { useActs } from '../hooks/useActs';
import { useHandsFree } from '../hooks/useHandsFree';
import { RunNowProvider, useRunSoon } from '../hooks/useRunNow';
import { RunPlaceProvider, type RunPlace } from '../hooks/useRunPlace';
import { useSeenSheet } from '../hooks/useSeenSheet';
import { text } from '../text';
import { GlassGuard } from './GlassGuard';
import { NEAR, Phone, styles, useIsLow, Wide } from './Layouts';

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
  const asks = useUnpracticed(state.sheet.kind);
  const isAsked = mayWrite && !place.practice && state.status === 'open';
  useWakeLock(isWriting && state.status === 'open');
  // Behind locked glass nothing can be pressed, the head of the screen neither.
  // Practice can be left at any time.
  const mayPause =
    isWriting && !place.practice && state.status === 'open' && due.kind !== 'finish' && !isLocked;
  const now = {
    view,
    due,
    acts,
    seat,
    onSeat,
    takeOver,
    onLock: useCallback(() => setLocked(true), []),
    isWriting,
    mayPause,
    unpracticed: isAsked ? asks : NONE,
  };
  return (
    <RunPlaceProvider value={place}>
      <RunNowProvider value={now}>
        <Frame
          title={title}
          subtitle={subtitle}
          back={back}
          backLabel={backLabel}
          mark={mark}
          isLocked={isLocked}
          onOpen={useCallback(() => setLocked(false), [])}
          isHuge={hands.huge && due.kind === 'pull'}
          // A wrench on the bolt, or the bolts from above, need the room.
          isNear={place.practice !== null && NEAR.includes(due.kind)}
        />
      </RunNowProvider>
    </RunPlaceProvider>
  );
}

const NONE: readonly string[] = [];

interface FrameProps extends Pick<Props, 'title' | 'subtitle' | 'back' | 'backLabel'> {
  mark: ReactNode;
  isLocked: boolean;
  onOpen: () => void;
  isHuge: boolean;
  isNear: boolean;
}

/** What stays from one confirmation to the next. */
const Frame = memo(function Frame({
  title,
  subtitle,
  back,
  backLabel,
  mark,
  isLocked,
  onOpen,
  isHuge,
  isNear,
}: FrameProps) {
  const isWide = useIsWide();
  const isLow = useIsLow();
  return (
    <ScreenFrame
      title={title}
      subtitle={subtitle}
      {...(isLocked ? {} : { back, backLabel })}
      right={<HeadRight mark={mark} />}
      fixed
    >
      <View style={[styles.work, { pointerEvents: isLocked ? 'none' : 'auto' }]}>
        {isWide || isLow ? <Wide isLow={isLow} /> : <Phone isHuge={isHuge} isNear={isNear} />}
      </View>
      {isLocked ? <GlassGuard onOpen={onOpen} /> : null}
    </ScreenFrame>
  );
});

function HeadRight({ mark }: { mark: ReactNode }) {
  const { acts, mayPause } = useRunSoon();
  return (
    <View style={styles.right}>
      {mark ?? <Badge />}
      {mayPause ? (
        <HeadButton text={text.pause} onPress={() => void acts.confirm('paused', {})} />
      ) : null}
    </View>
  );
}

/** What is said of the way to the server changes often: nothing but the badge is drawn for it. */
function Badge() {
  const { view } = useRunSoon();
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
