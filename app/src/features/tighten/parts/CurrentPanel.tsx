import type { ReactElement } from 'react';
import { units } from '@stennet/core/quantity';
import { type Next, methodsFor, type RunState, next, type PullNext } from '@stennet/core/run';
import type { HeardWrench } from '@/data';
import type { RunView } from '@/data/runStore';
import type { Acts } from '../hooks/useActs';
import { text } from '../text';
import { AnotherPanel } from './AnotherPanel';
import { AroundPanel } from './AroundPanel';
import { BagPanel } from './BagPanel';
import { roundOf, BesidesPanel } from './BesidesPanel';
import { DueStepPanel, NeighboursPanel, SwapPanel } from './DueStepPanel';
import { FitPanel } from './FitPanel';
import { GoBackPanel } from './GoBackPanel';
import { HoldPanel } from './HoldPanel';
import { LeadSettle } from './LeadSettle';
import { MorePanel } from './MorePanel';
import { maySeveral, wordsOf, PullPanel } from './PullPanel';
import { ReadingForm } from './ReadingForm';
import { ReconcilePanel } from './ReconcilePanel';
import { ShortPanel } from './ShortPanel';
import { SlackenPanel } from './SlackenPanel';
import { ChooseValuePanel, RoundPanel, WaitPanel, CrankPanel } from './StagePanel';
import { SetToolPanel, MarkPanel, ResumePanel, FinishPanel, DonePanel } from './StepPanel';
import { TogetherPanel } from './TogetherPanel';
import { ToolPanel } from './ToolPanel';
import { WrongPanel } from './WrongPanel';

export type Mode =
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
interface CurrentProps {
  view: RunView;
  acts: Acts;
  due: Next;
  wrench: HeardWrench;
  mode: Mode;
  setMode: (mode: Mode) => void;
  takeOver: () => Promise<void>;
}

/** What is due, or what was asked for beside it. */
export function Current(props: CurrentProps) {
  return asked(props) ?? <Due {...props} />;
}

/** What a button beside the way opened, as long as it fits what is due. */
function asked({ view: { state }, acts, due, mode, setMode }: CurrentProps): ReactElement | null {
  const close = (): void => setMode('main');
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
  return null;
}

function Due({ view, acts, due, wrench, setMode, takeOver }: CurrentProps) {
  const { state } = view;
  const onGoBack = (): void => setMode('goBack');
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
      label={isAngle ? text.angleLabel : text.torqueLabel({ unit: units[unit].symbol })}
      hint=""
      expected={isAngle ? null : due.inHand}
      onRecord={(value, readIn = unit) =>
        void acts.pull(due, due.outcomes[0] ?? 'reached', { reading: { value, unit: readIn } })
      }
      onCancel={onClose}
    />
  );
}
