import { createContext, useContext, useDeferredValue, type ReactNode } from 'react';
import type { Next } from '@stennet/core/run';
import type { RunView } from '@/data/runStore';
import type { Acts } from './useActs';

/**
 * The run as it stands. Only what says something of it asks for it: the frame of the screen round
 * it is not drawn again with each confirmation.
 */
export interface RunNow {
  view: RunView;
  due: Next;
  acts: Acts;
  /** A fastener that was tapped on the map. */
  seat: string | null;
  onSeat: (seat: string | null) => void;
  takeOver: () => Promise<void>;
  onLock: () => void;
  /** This person, here, writes it. */
  isWriting: boolean;
  mayPause: boolean;
  /** Exercises that the lead asks for first. */
  unpracticed: readonly string[];
}

const NowContext = createContext<RunNow | null>(null);
const SoonContext = createContext<RunNow | null>(null);

export function RunNowProvider({ value, children }: { value: RunNow; children: ReactNode }) {
  return (
    <NowContext value={value}>
      <SoonContext value={useDeferredValue(value)}>{children}</SoonContext>
    </NowContext>
  );
}

export const useRunNow = (): RunNow => inRun(useContext(NowContext));

/**
 * The same for what goes with it: map, ribbon, list, badge. Drawn right after what the hand has to
 * do next, which never waits for a drawing.
 */
export const useRunSoon = (): RunNow => inRun(useContext(SoonContext));

function inRun(run: RunNow | null): RunNow {
  if (!run) throw new Error('this part is shown in a run');
  return run;
}
