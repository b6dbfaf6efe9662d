import type { RunBrief } from '@stennet/core/contract';
import { seatsOf } from '@stennet/core/procedure';
import { seatIdOf, type Next, type RunState } from '@stennet/core/run';

/** Where a run stands, in a few numbers: for Today and the repair order, without replaying there. */
export function standingOf(state: RunState, due: Next): RunBrief['standing'] {
  const { sheet, progress } = state;
  const stage = sheet.stages[progress.stage];
  return {
    stage: progress.stage,
    stages: sheet.stages.length,
    done: Object.keys(progress.inPass).length,
    of: stage ? seatsOf(sheet, stage).length : 0,
    fastener: due.kind === 'pull' ? seatIdOf(due.fastener) : null,
    stageName: stage?.name ?? null,
  };
}
