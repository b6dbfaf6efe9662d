import { Fragment, useEffect, useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { units } from '@stennet/core/quantity';
import { methodsFor, next, type Next, type PullNext, type RunState } from '@stennet/core/run';
import { useWrenchLink, type HeardWrench } from '@/data';
import type { RunView } from '@/data/runs';
import { letGo } from '@/platform/keys';
import { BigButton, useInks } from '@/ui';
import { lostOf } from '@/ui/work';
import { useRunPlace } from '../hooks/useRunPlace';
import type { Acts } from '../hooks/useActs';
import { text } from '../text';
import { AroundPanel, LostInRun } from './AroundPanel';
import { AnotherPanel } from './AnotherPanel';
import { BagPanel } from './BagPanel';
import { BesidesPanel, roundOf } from './BesidesPanel';
import { FitPanel } from './FitPanel';
import { GoBackPanel } from './GoBackPanel';
import { LatePanel } from './LatePanel';
import { LeadSettle } from './LeadSettle';
import { MorePanel } from './MorePanel';
import { OnePanel } from './OnePanel';
import { maySeveral, PullPanel, wordsOf } from './PullPanel';
import { ReadingForm } from './ReadingForm';
import { ReconcilePanel } from './ReconcilePanel';
import { HoldPanel } from './HoldPanel';
import { ChooseValuePanel, CrankPanel, RoundPanel, WaitPanel } from './StagePanel';
import { DonePanel, FinishPanel, MarkPanel, ResumePanel, SetToolPanel } from './StepPanel';
import { DueStepPanel, NeighboursPanel, SwapPanel } from './DueStepPanel';
import { PlainOnFailure } from './PlainOnFailure';
import { SetupPanel } from './SetupPanel';
import { ShortPanel } from './ShortPanel';
import { SlackenPanel } from './SlackenPanel';
import { TogetherPanel } from './TogetherPanel';
import { TooMuchPanel } from './TooMuchPanel';
import { ToolPanel } from './ToolPanel';
import { WrongPanel } from './WrongPanel';

type Mode =
  | 'main'
  | 'goBack'
  | 'wrong'
  | 'reading'
  | 'tool'
  | 'around'
  | 'several'
  | 'another'
  | 'setup'
  | 'one'
  | 'besides'
  | 'more'
  | 'short';

/**
 * The hand's panel: what comes next, or one of the ways round it. Starts at `main` again with each
 * confirmation.
 */
interface PanelProps {
  view: RunView;
  acts: Acts;
  due: Next;
  /** A fastener that was tapped on the map. */
  seat: string | null;
  onSeat: (seat: string | null) => void;
  onLock: () => void;
  takeOver: () => Promise<void>;
}

export function Panel({ view, acts, due, seat, onSeat, onLock, takeOver }: PanelProps) {
  const inks = useInks();
  const step = view.state.events.length;
  const [chosen, setChosen] = useState<{ mode: Mode; step: number }>({ mode: 'main', step });
  const setMode = (next: Mode): void => setChosen({ mode: next, step });
  const mode = seat !== null ? 'one' : chosen.step === step ? chosen.mode : 'main';
  // What was pressed belongs to the fastener before.
  useEffect(letGo, [step]);
  const close = (): void => {
    onSeat(null);
    setMode('main');
  };
  // Above the panels: what the wrench did is still there after a look at another one.
  const wrench = useWrenchLink(due.kind === 'pull' && due.tool.method === 'digital');
  const isLost = lostOf(useRunPlace().entries).length > 0;
  // Something that fell stops everything; what is done already can still be taken back or finished
  // later.
  if (isLost && due.kind !== 'done') return <LostInRun />;
  return (
    <View style={{ gap: 12 }}>
      {acts.error && acts.sure ? <TooMuchPanel error={acts.error} acts={acts} /> : null}
      {acts.error && !acts.sure ? (
        <View role="alert">
          <Text
            style={{ color: inks.warnText, fontSize: 16, lineHeight: 22, fontWeight: '700' }}
          >{`${acts.error.message} ${acts.error.fix}`}</Text>
        </View>
      ) : null}
      {acts.late ? <LatePanel acts={acts} state={view.state} /> : null}
      {mode === 'one' ? (
        <>
          <OnePanel view={view} due={due} acts={acts} seat={seat} onSeat={onSeat} />
          <BigButton text={text.close} look="plain" onPress={close} />
        </>
      ) : mode === 'setup' ? (
        <SetupPanel
          sheet={view.state.sheet.id}
          onLock={() => {
            close();
            onLock();
          }}
          onClose={close}
        />
      ) : (
        // From pull to pull the panel stays and only its words change; every other panel begins
        // anew.
        <Fragment key={due.kind === 'pull' && mode === 'main' ? 'pull' : step}>
          <PlainOnFailure state={view.state} acts={acts} due={due}>
            {acts.sure ? null : (
              <Current
                view={view}
                acts={acts}
                due={due}
                wrench={wrench}
                mode={mode}
                setMode={setMode}
                takeOver={takeOver}
              />
            )}
          </PlainOnFailure>
        </Fragment>
      )}
      {mode === 'main' && due.kind !== 'done' ? (
        <BigButton text={text.more} look="quiet" size="desk" onPress={() => setMode('more')} />
      ) : null}
    </View>
  );
}

interface CurrentProps {
  view: RunView;
  acts: Acts;
  due: Next;
  wrench: HeardWrench;
  mode: Mode;
  setMode: (mode: Mode) => void;
  takeOver: () => Promise<void>;
}

function Current({ view, acts, due, wrench, mode, setMode, takeOver }: CurrentProps) {
  const { state } = view;
  const close = (): void => setMode('main');
  const onGoBack = (): void => setMode('goBack');
  if (mode === 'more')
    return (
      <MorePanel
        several={due.kind === 'pull' && maySeveral(state, due)}
        besides={!NO_ROUND.includes(due.kind) && roundOf(state).length > 1}
        onGo={setMode}
        onClose={close}
      />
    );
  if (mode === 'besides')
    return <BesidesPanel fasteners={roundOf(state)} state={state} acts={acts} onClose={close} />;
  if (mode === 'around') return <AroundPanel onClose={close} />;
  if (mode === 'goBack') return <GoBackPanel state={state} acts={acts} onClose={close} />;
  if (mode === 'tool' && (due.kind === 'pull' || due.kind === 'setTool') && due.target)
    return (
      <ToolPanel
        state={state}
        task={due.task}
        target={due.target}
        methods={methodsFor(due.task)}
        acts={acts}
        onCancel={close}
      />
    );
  if (due.kind === 'pull' && mode === 'wrong')
    return (
      <WrongPanel
        due={due}
        state={state}
        acts={acts}
        onShort={() => setMode('short')}
        onReading={() => setMode('reading')}
        onAnother={() => setMode('another')}
        onClose={close}
      />
    );
  if (due.kind === 'pull' && mode === 'short')
    return <ShortPanel due={due} state={state} acts={acts} onClose={close} />;
  if (due.kind === 'pull' && mode === 'another')
    return <AnotherPanel due={due} state={state} acts={acts} onClose={close} />;
  if (due.kind === 'pull' && mode === 'several')
    return (
      <TogetherPanel due={due} state={state} acts={acts} outcomes={wordsOf(due)} onClose={close} />
    );
  if (due.kind === 'pull' && mode === 'reading')
    return <PullReading due={due} acts={acts} onClose={close} />;
  switch (due.kind) {
    case 'pull':
      return (
        <PullPanel
          due={due}
          state={state}
          acts={acts}
          wrench={wrench}
          onGoBack={onGoBack}
          onWrong={() => setMode('wrong')}
          onReading={() => setMode('reading')}
          onTool={() => setMode('tool')}
        />
      );
    case 'fit':
      return <FitPanel due={due} state={state} acts={acts} onGoBack={onGoBack} />;
    case 'chooseTool':
      return (
        <ToolPanel
          state={state}
          task={due.task}
          target={due.target}
          methods={due.methods}
          acts={acts}
          onGoBack={onGoBack}
        />
      );
    case 'setTool':
      return (
        <SetToolPanel
          due={due}
          state={state}
          acts={acts}
          onGoBack={onGoBack}
          onTool={() => setMode('tool')}
        />
      );
    case 'mark':
      return <MarkPanel due={due} state={state} acts={acts} onGoBack={onGoBack} />;
    case 'hold':
      return <HoldPanel due={due} state={state} acts={acts} onGoBack={onGoBack} />;
    case 'step':
      return <DueStepPanel due={due} state={state} acts={acts} onGoBack={onGoBack} />;
    case 'neighbours':
      return <NeighboursPanel due={due} state={state} acts={acts} onGoBack={onGoBack} />;
    case 'swap':
      return <SwapPanel due={due} state={state} acts={acts} onGoBack={onGoBack} />;
    case 'chooseValue':
      return <ChooseValuePanel due={due} acts={acts} onGoBack={onGoBack} />;
    case 'slacken':
      return <SlackenPanel due={due} state={state} acts={acts} onGoBack={onGoBack} />;
    case 'round':
      return <RoundPanel due={due} state={state} acts={acts} onGoBack={onGoBack} />;
    case 'wait':
    case 'waitClock':
      return <WaitPanel due={due} state={state} acts={acts} onGoBack={onGoBack} />;
    case 'turnCrank':
      return <CrankPanel due={due} state={state} acts={acts} onGoBack={onGoBack} />;
    case 'reconcile':
      return <ReconcilePanel due={due} state={state} acts={acts} />;
    case 'resume':
      return <ResumePanel state={state} acts={acts} after={afterPause(state)} />;
    case 'bag':
      return (
        <BagPanel
          key={due.fasteners.length}
          due={due}
          state={state}
          acts={acts}
          onGoBack={onGoBack}
        />
      );
    case 'finish':
      return <FinishPanel state={state} acts={acts} onGoBack={onGoBack} />;
    case 'done':
      return (
        <>
          <LeadSettle state={state} acts={acts} isMine={view.isMine} takeOver={takeOver} />
          <DonePanel run={view.kept.id} order={view.kept.order.id} state={state} />
        </>
      );
    case 'start':
      return null;
  }
}

/** What must be answered first. */
const NO_ROUND: readonly Next['kind'][] = ['reconcile', 'hold', 'fit', 'done', 'start', 'resume'];

const afterPause = (state: RunState): Next => next({ ...state, status: 'open' });

function PullReading({ due, acts, onClose }: { due: PullNext; acts: Acts; onClose: () => void }) {
  const isAngle = due.task.action === 'angle';
  const unit = isAngle ? 'deg' : (due.inHand?.unit ?? 'N.m');
  return (
    <ReadingForm
      title={isAngle ? text.otherAngle : text.reading}
      label={isAngle ? text.angleLabel : text.torqueLabel(units[unit].symbol)}
      hint=""
      onRecord={(value) =>
        void acts.pull(due, due.outcomes[0] ?? 'reached', { reading: { value, unit } })
      }
      onCancel={onClose}
    />
  );
}
