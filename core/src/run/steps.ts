import {
  isOn,
  isOwedByPosition,
  seatsNamed,
  stageIndex,
  type Sheet,
  type Step,
} from '../procedure';
import type { Progress, StepAnswer } from './state';

/** Done, and nothing came of it. */
export const SETTLED: StepAnswer = { settled: true, answer: null, then: null, deferredTo: null };

/**
 * Steps that are due now, in order: those after a stage before those before the next. A deferred
 * one is asked for with the step it was put off to.
 */
export function dueSteps(sheet: Sheet, p: Progress, instance: string | null): Step[] {
  const open = sheet.steps.filter(
    (s) =>
      !p.steps[s.id]?.settled &&
      s.due.when !== 'atFailure' &&
      !isNamedByStage(sheet, s) &&
      concerns(s, instance),
  );
  return open
    .map((step) => ({ step, at: placeOf(sheet, deferredTo(sheet, p, step) ?? step) }))
    .filter(({ at }) => at <= p.stage)
    .sort((a, b) => a.at - b.at)
    .map(({ step }) => step);
}

const isNamedByStage = (sheet: Sheet, step: Step): boolean =>
  sheet.stages.some((s) => s.action === 'do' && s.step === step.id);
const concerns = (step: Step, instance: string | null): boolean =>
  !step.instances || instance === null || step.instances.includes(instance);

function deferredTo(sheet: Sheet, p: Progress, step: Step): Step | undefined {
  const to = p.steps[step.id]?.deferredTo;
  return to ? sheet.steps.find((s) => s.id === to) : undefined;
}

/** Stage index at which a step comes due; half a stage earlier where it follows the one before. */
export function placeOf(sheet: Sheet, step: Step): number {
  const { due } = step;
  if (step.kind === 'mark') return placeOfStripe(sheet, step);
  if (due.when === 'before' || due.when === 'after') {
    const index = stageIndex(sheet, due.stage);
    // A stage of another part of the sheet: due there, not here.
    return index < 0 ? Infinity : index + (due.when === 'after' ? 0.5 : 0);
  }
  if (due.when === 'beforeFirstPull')
    return Math.max(
      0,
      sheet.stages.findIndex((s) => !isOwedByPosition(s)),
    );
  return Infinity;
}

/**
 * A stripe says something only once the torques are behind: it comes due with the first angle on
 * its fasteners.
 */
function placeOfStripe(sheet: Sheet, step: Step): number {
  const ids = step.on ? seatsNamed(sheet, step.on).map((s) => s.id) : sheet.seats.map((s) => s.id);
  const angle = sheet.stages.findIndex(
    (s, i) => s.action === 'angle' && ids.some((id) => isOn(sheet, i, id)),
  );
  return angle < 0 ? Infinity : angle;
}

/**
 * Plain ones stand in one list, read and confirmed as seen; what can ruin an engine stands alone.
 */
export function isPlain(sheet: Sheet, step: Step): boolean {
  const hasClock = sheet.clocks.some(
    (c) =>
      ('step' in c.from && c.from.step === step.id) || ('step' in c.to && c.to.step === step.id),
  );
  return (
    ['check', 'place', 'fit', 'remove', 'tool', 'orderTrap', 'clean'].includes(step.kind) &&
    !step.answers &&
    !step.limits &&
    !step.measure &&
    !step.compound &&
    !step.covers &&
    !hasClock
  );
}

/** The steps that may be confirmed together with the first one that is due. */
export function together(sheet: Sheet, due: readonly Step[]): Step[] {
  const [first, ...rest] = due;
  if (!first || !isPlain(sheet, first)) return [];
  const end = rest.findIndex(
    (s) => !isPlain(sheet, s) || placeOf(sheet, s) !== placeOf(sheet, first),
  );
  return end < 0 ? rest : rest.slice(0, end);
}
