import type { Sheet } from '../procedure';
import { type PullNext, next } from '../run';
import { partsOf, begin } from './mishaps';
import { type Technician } from '../rehearse/technician';

export interface Moment {
  t: Technician;
  due: PullNext;
}

/**
 * Where the mishaps happen: led as told to the second fastener (or the only one) of every stage,
 * and of every part of `each`.
 */
export function momentsOf(sheet: Sheet): Moment[] {
  return partsOf(sheet).flatMap((part) =>
    begin(sheet, part).state.sheet.stages.flatMap((stage) =>
      [...(stage.each ? stage.each.keys() : [0])].flatMap(
        (partIndex) => upTo(sheet, part, stage.id, partIndex) ?? [],
      ),
    ),
  );
}

function upTo(sheet: Sheet, part: string, stage: string, partIndex: number): Moment | null {
  const t = begin(sheet, part);
  let seen = 0;
  for (let i = 0; i < 3000; i += 1) {
    const due = next(t.state);
    if (due.kind === 'done') return null;
    if (
      due.kind === 'pull' &&
      due.stage.id === stage &&
      (due.task.part === null || due.task.stage.each?.indexOf(due.task.part) === partIndex)
    ) {
      seen += 1;
      if (seen === 2 || due.of === 1) return { t, due };
    }
    t.step();
  }
  return null;
}
