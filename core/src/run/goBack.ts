import {
  isByFastener,
  isOn,
  isOwedByPosition,
  orderOf,
  stageIndex,
  type Sheet,
  type Stage,
} from '../procedure';
import { atStage, withSeats, without } from './advance';
import { isBroken } from './hold';
import { fastenerId, hasTurned, isSpent, keptByPosition, LOOSE } from './seats';
import type { Progress, SeatProgress } from './state';

const keyBelongs = (key: string, stages: ReadonlySet<string>): boolean =>
  stages.has(key.split('.')[0] ?? '');

/**
 * A fastener that had an angle and comes loose again outside the procedure is used up, where it may
 * be used once; its stripe says nothing more.
 */
export const slackened = (
  sheet: Sheet,
  seat: SeatProgress,
  by: 'trial' | 'work' = 'work',
): SeatProgress => ({
  ...seat,
  usedUp: seat.usedUp ?? (!seat.leftOut && isSpent(sheet, seat) ? by : null),
  marked: false,
  stripeFrom: 0,
});

/**
 * Going back is one act: what lies past that point is slackened in reverse, what is one-time-use
 * and has begun an angle must be replaced, steps due since are due again, passes count from one. A
 * fastener that comes loose has lost its earlier torques too: it begins where it was last loose.
 * @param isSlack the technician has said that all of it is slackened; else that is asked first
 */
export function goBack(
  sheet: Sheet,
  p: Progress,
  to: number,
  at: string,
  isSlack = false,
): Progress {
  const past = new Set(sheet.stages.slice(to).map((s) => s.id));
  const comesLoose = (s: SeatProgress): boolean =>
    Object.keys(s.done).some((id) => past.has(id)) ||
    Object.keys(s.turnedDeg).some((k) => keyBelongs(k, past)) ||
    p.inPass[s.seat] !== undefined ||
    s.parts > 0;
  const loosened = Object.values(p.seats).filter((s) => comesLoose(s) && !s.leftOut);
  const clamped = clampedIn(sheet, p, loosened);
  const from = loosened.length > 0 ? lastLoose(sheet, to) : to;
  const gone = new Set(sheet.stages.slice(from).map((s) => s.id));
  const loose = withSeats(p, (s) => {
    if (!comesLoose(s)) return { ...s, parts: 0, catchUpPass: 1, aside: 0, lagAt: null };
    const turnedDeg = Object.fromEntries(
      Object.entries(s.turnedDeg).filter(([k]) => !keyBelongs(k, gone)),
    );
    const back: SeatProgress = {
      ...slackened(sheet, s),
      ...LOOSE,
      done: without(s.done, ...gone),
      turnedDeg,
    };
    return { ...back, failed: isBroken(s.failed) ? s.failed : null };
  });
  const steps = sheet.steps.filter((s) => stepIsAtOrAfter(sheet, s.due, to)).map((s) => s.id);
  // A fastener that went too far before that point is still too far.
  const hold =
    p.hold && 'fastener' in p.hold && stageIndex(sheet, p.hold.stage) < to ? p.hold : null;
  const back = atStage(
    {
      ...loose,
      settings: {},
      toSlacken: isSlack ? [] : clamped,
      waited: {},
      neighbours: [],
      steps: without(p.steps, ...steps),
      times: without(
        p.times,
        ...steps.map((s) => `step:${s}`),
        ...[...gone].map((s) => `stage:${s}`),
      ),
    },
    from,
    at,
  );
  return { ...back, hold };
}

/**
 * Where a stage before it leaves fasteners loose, or what was there before counts for nothing: they
 * begin after that.
 */
function lastLoose(sheet: Sheet, to: number): number {
  const isLoose = (s: Stage): boolean =>
    isOwedByPosition(s) ||
    ['handStart', 'runDown', 'draw', 'swap'].includes(s.action) ||
    (s.action === 'loosen' && s.loosen !== 'crack');
  const last = sheet.stages.slice(0, to).findLastIndex(isLoose);
  const first = sheet.stages.findIndex(
    (s, i) => i > last && (isByFastener(s) || s.action === 'drawDown'),
  );
  return first < 0 ? to : Math.min(first, to);
}

/** Those of them that a torque or an angle has clamped, last tightened first. */
function clampedIn(sheet: Sheet, p: Progress, seats: readonly SeatProgress[]): string[] {
  const when = (s: SeatProgress): number => {
    const stage = sheet.stages.findLastIndex(
      (x, i) =>
        (isByFastener(x) || x.action === 'drawDown') &&
        x.action !== 'loosen' &&
        isOn(sheet, i, s.seat) &&
        (s.done[x.id] || (i === p.stage && p.inPass[s.seat])),
    );
    return stage < 0 ? -1 : stage * 1000 + orderOf(sheet, stage).indexOf(s.seat);
  };
  return seats
    .filter((s) => isClamped(sheet, p, s))
    .sort((a, b) => when(b) - when(a))
    .map((s) => fastenerId(s.seat, s.life));
}

/** Whether the last thing done to it tightened it. */
function isClamped(sheet: Sheet, p: Progress, seat: SeatProgress): boolean {
  const done = sheet.stages.filter(
    (s, i) =>
      isOn(sheet, i, seat.seat) && (seat.done[s.id] || (i === p.stage && p.inPass[seat.seat])),
  );
  const last = done.findLast((s) =>
    ['torque', 'angle', 'stretch', 'check', 'each', 'drawDown', 'loosen', 'swap'].includes(
      s.action,
    ),
  );
  return (
    seat.parts > 0 ||
    hasTurned(seat) ||
    (last !== undefined &&
      last.action !== 'swap' &&
      !(last.action === 'loosen' && last.loosen === 'free'))
  );
}

function stepIsAtOrAfter(sheet: Sheet, due: Sheet['steps'][number]['due'], to: number): boolean {
  return (due.when === 'before' || due.when === 'after') && stageIndex(sheet, due.stage) >= to;
}

/** One fastener slackened fully and brought back alone; what counts for its position stands. */
export function redoSeat(sheet: Sheet, p: Progress, seat: SeatProgress): Progress {
  const back: SeatProgress = {
    ...slackened(sheet, seat),
    ...LOOSE,
    done: keptByPosition(sheet, seat),
  };
  return {
    ...p,
    seats: { ...p.seats, [seat.seat]: back },
    inPass: without(p.inPass, seat.seat),
    disturbed: true,
  };
}
