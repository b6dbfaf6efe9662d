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
    putIn: stillIn(state),
    asksLead: progress.deviations.filter((d) => d.needsLead && d.decision === null).length + (due.kind === 'hold' && due.ways.length === 1 && due.ways[0] === 'statement' ? 1 : 0),
  };
}

/** What a step put in and none has taken out yet, by the sheet's name for it. */
function stillIn({ sheet, progress }: RunState): string[] {
  const isDone = (step: string): boolean => progress.steps[step]?.settled === true;
  const out = new Set(sheet.steps.flatMap((s) => (s.takesOut && isDone(s.id) ? [s.takesOut] : [])));
  return [...new Set(sheet.steps.flatMap((s) => (s.putsIn && isDone(s.id) && !out.has(s.putsIn) ? [s.putsIn.replace(/-/g, ' ')] : [])))];
}
