import { isByFastener, isSettling, stageAt, type Sheet, type Stage } from '../procedure';
import { needsNew, openInPass, participants, seatBehind } from './seats';
import type { Progress, SeatProgress } from './state';

/**
 * Where a check finds no movement at once, one pass is enough; a settling torque needs a second
 * one.
 */
const FEWEST_PASSES = { check: 1, torque: 2 } as const;
const MOST_CHECK_PASSES = 3;

export const withSeats = (
  progress: Progress,
  change: (s: SeatProgress) => SeatProgress,
): Progress => ({
  ...progress,
  seats: Object.fromEntries(Object.entries(progress.seats).map(([id, s]) => [id, change(s)])),
});
export const withSeat = (progress: Progress, seat: SeatProgress): Progress => ({
  ...progress,
  seats: { ...progress.seats, [seat.seat]: seat },
});

export function without<T>(
  record: Readonly<Record<string, T>>,
  ...keys: readonly string[]
): Readonly<Record<string, T>> {
  return Object.fromEntries(Object.entries(record).filter(([k]) => !keys.includes(k)));
}

/**
 * Closes whatever is complete: the pass, the stage, and the next one where nothing is left to do in
 * it.
 * @param at time of the confirmation that completes it
 */
export function advance(sheet: Sheet, progress: Progress, at: string): Progress {
  let p = progress;
  while (
    p.stage < sheet.stages.length &&
    !p.hold &&
    isByFastener(stageAt(sheet, p.stage)) &&
    !isBlocked(sheet, p)
  ) {
    if (openInPass(sheet, p).some((s) => s.aside < 2)) return p;
    p = closePass(sheet, p, at);
  }
  return p;
}

function isBlocked(sheet: Sheet, p: Progress): boolean {
  return (
    Object.values(p.seats).some((s) => s.failed !== null || needsNew(sheet, s)) ||
    seatBehind(sheet, p) !== undefined
  );
}

export function mostPasses(stage: Stage): number {
  return stage.repeat?.kind === 'untilSettled' ? stage.repeat.maxPasses : MOST_CHECK_PASSES;
}

/**
 * When every fastener of the stage is done in this pass: on to the next pass, the next stage, or a
 * hold.
 */
function closePass(sheet: Sheet, p: Progress, at: string): Progress {
  const stage = stageAt(sheet, p.stage);
  const left = openInPass(sheet, p);
  if (stage.repeat?.kind === 'passes' && p.pass < stage.repeat.passes)
    return nextPass(p, p.countedPasses + 1);
  if (!isSettling(stage)) return closeStage(sheet, p, at);
  const moved = participants(sheet, p).filter((id) => p.inPass[id]?.moved);
  const isQuiet = moved.length === 0 && left.length === 0 && !p.disturbed;
  if (isQuiet && p.pass >= FEWEST_PASSES[stage.action === 'check' ? 'check' : 'torque'])
    return closeStage(sheet, p, at);
  const counted = p.countedPasses + (left.length > 0 ? 0 : 1);
  if (counted >= mostPasses(stage))
    return { ...p, hold: { kind: 'notSettled', stage: stage.id, moved } };
  return nextPass(p, counted);
}

function nextPass(p: Progress, countedPasses: number): Progress {
  const asked = withSeats(p, (s) => (s.aside === 2 ? { ...s, aside: 1 } : s));
  return {
    ...asked,
    pass: p.pass + 1,
    countedPasses,
    disturbed: false,
    lastPass: p.inPass,
    inPass: {},
    toReconcile: [],
  };
}

/** The stage is behind everyone who took part; who lags keeps owing it. */
export function closeStage(sheet: Sheet, p: Progress, at: string): Progress {
  const { id } = stageAt(sheet, p.stage);
  const through = withSeats(p, (s) =>
    p.inPass[s.seat] ? { ...s, done: { ...s.done, [id]: true }, aside: 0, catchUpPass: 1 } : s,
  );
  return atStage({ ...through, times: { ...p.times, [`stage:${id}`]: at } }, p.stage + 1, at);
}

/**
 * At the beginning of a stage: what a take-over left to look at in the one before has been gone
 * over since.
 */
export function atStage(p: Progress, stage: number, at: string): Progress {
  return {
    ...p,
    stage,
    since: at,
    pass: 1,
    countedPasses: 0,
    disturbed: false,
    round: 1,
    inPass: {},
    lastPass: {},
    toReconcile: [],
    hold: null,
  };
}
