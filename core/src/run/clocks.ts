import { stageIndex, type Clock, type Sheet } from '../procedure';
import { AppError } from '../errors';
import type { RunEvent } from './events';
import { timeOf } from './foldPull';
import type { Progress, RunState } from './state';

const MINUTE_MS = 60_000;

/** A clock that runs: the screen shows what is left, core reads no clock of its own. */
export interface RunningClock {
  clock: Clock;
  startedAt: string;
  /** Until then (within), or not before (notBefore). */
  limitAt: string;
}

const placeKey = (place: Clock['from']): string =>
  'step' in place ? `step:${place.step}` : `stage:${place.stage}`;

/** Clocks of a run that have started and not ended; times as the device said them. */
export function clocks(state: RunState): RunningClock[] {
  return running(state.sheet, state.progress);
}

export function running(sheet: Sheet, p: Progress): RunningClock[] {
  return sheet.clocks.flatMap((clock) => {
    const startedAt = p.times[placeKey(clock.from)];
    if (!startedAt || p.times[placeKey(clock.to)]) return [];
    return [
      {
        clock,
        startedAt,
        limitAt: new Date(Date.parse(startedAt) + clock.minutes * MINUTE_MS).toISOString(),
      },
    ];
  });
}

/**
 * The waiting clock that stands before a step or the present stage, if it was not waited for yet.
 */
export function waitingFor(
  sheet: Sheet,
  p: Progress,
  place: { step: string } | { stage: string },
): RunningClock | undefined {
  return running(sheet, p).find(
    (r) =>
      r.clock.kind === 'notBefore' &&
      !p.waited[r.clock.id] &&
      placeKey(r.clock.to) === placeKey(place),
  );
}

/**
 * An end that comes too late is asked when it was really done; later than the limit is an overrun.
 * @throws AppError CLOCK_PASSED
 */
export function admitEnds(sheet: Sheet, before: Progress, after: Progress, event: RunEvent): void {
  const still = new Set(running(sheet, after).map((r) => r.clock.id));
  for (const { clock, limitAt } of running(sheet, before)) {
    const ended =
      clock.kind === 'within' &&
      !still.has(clock.id) &&
      after.times[placeKey(clock.from)] !== undefined;
    if (ended && Date.parse(timeOf(event)) > Date.parse(limitAt))
      throw new AppError('CLOCK_PASSED', {
        what: clock.text,
        minutes: clock.minutes,
        clock: clock.id,
      });
  }
}

/** Where an overrun leads back to: the stage at which its step comes due, or the stage itself. */
export function stageOfPlace(sheet: Sheet, place: Clock['from']): number {
  if ('stage' in place) return Math.max(0, stageIndex(sheet, place.stage));
  const due = sheet.steps.find((s) => s.id === place.step)?.due;
  const byDo = sheet.stages.findIndex((s) => s.action === 'do' && s.step === place.step);
  if (byDo >= 0) return byDo;
  if (due?.when === 'before') return Math.max(0, stageIndex(sheet, due.stage));
  if (due?.when === 'after') return stageIndex(sheet, due.stage) + 1;
  return 0;
}
