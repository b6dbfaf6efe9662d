import type { Sheet } from '../sheet';

type Place = { step: string } | { stage: string };

/** Taking apart comes before all that is tightened. */
const TAKE_APART = -1000;

/** When a stage or a step comes up in a run, as a number that grows; NaN where nothing names it. */
export function momentOf(sheet: Sheet, place: Place): number {
  return 'stage' in place ? momentOfStage(sheet, place.stage) : momentOfStep(sheet, place.step);
}

function momentOfStage(sheet: Sheet, id: string): number {
  const at = sheet.stages.findIndex((s) => s.id === id);
  if (at >= 0) return at + 0.4;
  const apart = sheet.takeApart.findIndex((s) => s.id === id);
  return apart >= 0 ? TAKE_APART + apart + 0.4 : NaN;
}

function momentOfStep(sheet: Sheet, id: string): number {
  const byDo = sheet.stages.findIndex((s) => s.action === 'do' && s.step === id);
  if (byDo >= 0) return byDo + 0.4;
  const index = sheet.steps.findIndex((s) => s.id === id);
  const due = sheet.steps[index]?.due;
  if (!due || due.when === 'atFailure') return NaN;
  // Of several at the same stage the one that stands first comes first.
  const inList = index / 1000;
  if (due.when === 'beforeFirstPull') return -0.5 + inList;
  const stage = momentOfStage(sheet, due.stage);
  return due.when === 'after' ? stage + 0.1 + inList : stage - 0.5 + inList;
}
