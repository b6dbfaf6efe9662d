import {
  groupOfSeat,
  isByFastener,
  isOn,
  isOwedByPosition,
  orderOf,
  seatsNamed,
  stageAt,
  type Sheet,
} from '../procedure';
import type { Progress, SeatProgress } from './state';

/**
 * A fastener as it stands when nothing has been turned on it, or all of it has been turned back.
 */
export const LOOSE = {
  turnedDeg: {},
  parts: 0,
  marked: false,
  stripeFrom: 0,
  failed: null,
  catchUpPass: 1,
  aside: 0,
  lagAt: null,
} as const satisfies Partial<SeatProgress>;

/** How a fastener is named: its seat and which one it is there. */
export const fastenerId = (seat: string, life: number): string => `${seat}/${life}`;
export const seatIdOf = (fastener: string): string => fastener.slice(0, fastener.indexOf('/'));
export const lifeOf = (fastener: string): number =>
  Number(fastener.slice(fastener.indexOf('/') + 1));
export const fastenerIn = (progress: Progress, seat: string): string =>
  fastenerId(seat, progress.seats[seat]?.life ?? 1);

export function seatOf(progress: Progress, fastener: string): SeatProgress {
  const seat = progress.seats[seatIdOf(fastener)];
  if (!seat) throw new Error(`no seat for ${fastener}`);
  return seat;
}

/** Index of the first stage that this fastener still owes; past the last one when it owes none. */
export function owedStage(sheet: Sheet, seat: SeatProgress): number {
  let index = 0;
  while (index < sheet.stages.length && !owes(sheet, seat, index)) index += 1;
  return index;
}

export function owes(sheet: Sheet, seat: SeatProgress, index: number): boolean {
  const stage = stageAt(sheet, index);
  return (
    !seat.leftOut && isByFastener(stage) && isOn(sheet, index, seat.seat) && !seat.done[stage.id]
  );
}

/** Lags: was left open at an earlier stage that may lag, and was put off again at this one. */
const isPutOff = (sheet: Sheet, progress: Progress, seat: SeatProgress): boolean =>
  seat.lagAt === progress.stage && progress.stage < sheet.stages.length;

/**
 * A fastener that owes something from before the present stage and is asked for it now: a
 * replacement, an eased one, a lagging one.
 */
export function seatBehind(sheet: Sheet, progress: Progress): SeatProgress | undefined {
  return Object.values(progress.seats).find(
    (s) =>
      owedStage(sheet, s) < Math.min(progress.stage, sheet.stages.length) &&
      !isPutOff(sheet, progress, s),
  );
}

/**
 * Seats that take part in this pass of the present stage, in order: not left out, not done already,
 * not lagging behind.
 */
export function participants(sheet: Sheet, progress: Progress): string[] {
  return orderOf(sheet, progress.stage).filter((id) => {
    const seat = progress.seats[id];
    return (
      seat !== undefined &&
      seat.lagAt !== progress.stage &&
      owedStage(sheet, seat) === progress.stage
    );
  });
}

/** Still to be pulled in this pass; those set aside come last. */
export function openInPass(sheet: Sheet, progress: Progress): SeatProgress[] {
  const open = participants(sheet, progress).flatMap((id) => {
    const seat = progress.seats[id];
    return seat && !progress.inPass[id] ? [seat] : [];
  });
  return [...open.filter((s) => !s.aside), ...open.filter((s) => s.aside)];
}

/** Those that may be confirmed together now, in the order they come. */
export const openTogether = ({ sheet, progress }: { sheet: Sheet; progress: Progress }): string[] =>
  openInPass(sheet, progress).map((s) => fastenerId(s.seat, s.life));

/** Whether any fastener of the joint has begun an angle that counts; a trial's does not. */
export function hasAngles(sheet: Sheet, progress: Progress): boolean {
  const trials = new Set(sheet.stages.filter(isOwedByPosition).map((s) => s.id));
  const counts = ([key, deg]: [string, number | null]): boolean =>
    (deg === null || deg > 0) && !trials.has(key.split('.')[0] ?? '');
  return Object.values(progress.seats).some((s) => Object.entries(s.turnedDeg).some(counts));
}

/** Whether a fastener has turned by an angle since it was last slackened fully. */
export const hasTurned = (seat: SeatProgress): boolean =>
  Object.values(seat.turnedDeg).some((deg) => deg === null || deg > 0);

/**
 * The seats next to one: as the sheet names them, else whatever lies nearest (a third farther still
 * counts).
 */
export function neighboursOf(sheet: Sheet, seatId: string): string[] {
  const seat = sheet.seats.find((s) => s.id === seatId);
  if (seat?.neighbours) return seat.neighbours;
  const at = sheet.pattern.positions.find((p) => p.label === seat?.position);
  if (!seat || !at) return [];
  const others = sheet.seats.filter((s) => s.position !== seat.position && s.group === seat.group);
  const far = others.map((s) => {
    const p = sheet.pattern.positions.find((q) => q.label === s.position);
    return { id: s.id, mm: p ? Math.hypot(p.xMm - at.xMm, p.yMm - at.yMm) : Infinity };
  });
  const nearest = Math.min(...far.map((f) => f.mm));
  return far.filter((f) => f.mm <= nearest * 1.34).map((f) => f.id);
}

/**
 * A one-time-use fastener that has begun an angle, or may have: loose once more, it is never
 * tightened again. From engineering practice: how far past yield it went, no one can measure.
 */
export const isSpent = (sheet: Sheet, seat: SeatProgress): boolean =>
  isOneTimeUse(sheet, seat.seat) &&
  (seat.usedUp !== null || seat.yielded || hasTurned(seat) || seat.failed === 'angleLost');

/**
 * What its stripe showed before one stage's turn: all that was turned since it was painted, in
 * degrees; null where no one knows.
 */
export function stripeBefore(seat: SeatProgress, key: string): number | null {
  const others = Object.entries(seat.turnedDeg).filter(([k]) => k !== key);
  if (others.some(([, deg]) => deg === null)) return null;
  return others.reduce((sum, [, deg]) => sum + (deg ?? 0), 0) - seat.stripeFrom;
}

/**
 * Used up, and what comes next on it counts: a trial and the old part as a tool go on with the old
 * one.
 */
export function needsNew(sheet: Sheet, seat: SeatProgress): boolean {
  if (seat.leftOut || !seat.usedUp) return false;
  const owed = sheet.stages[owedStage(sheet, seat)];
  return owed === undefined || !isOwedByPosition(owed);
}

/**
 * A fastener that must be a new one before it goes on: used up, or an old one that only the trial
 * was allowed to have. The sheet's own swap comes at its stage.
 */
export function swapDue(sheet: Sheet, progress: Progress): SeatProgress | undefined {
  return Object.values(progress.seats).find((s) => {
    if (s.leftOut) return false;
    if (needsNew(sheet, s)) return true;
    const isOld = s.fitted === 'ownHole' || s.fitted === 'other';
    if (
      !isOld ||
      !isOneTimeUse(sheet, s.seat) ||
      progress.allowed[`reuse:${groupOfSeat(sheet, s.seat).id}`]
    )
      return false;
    const owed = owedStage(sheet, s);
    const stage = owed <= progress.stage ? sheet.stages[owed] : undefined;
    return stage !== undefined && !isOwedByPosition(stage) && stage.action !== 'swap';
  });
}

/**
 * What a position keeps when its fastener is another one: trials, the old part as a tool, and all
 * before a swap that was made.
 */
export function keptByPosition(sheet: Sheet, seat: SeatProgress): SeatProgress['done'] {
  const swap = sheet.stages.findLastIndex(
    (s, i) => s.action === 'swap' && isOn(sheet, i, seat.seat) && seat.done[s.id],
  );
  return Object.fromEntries(
    sheet.stages
      .filter((s, i) => seat.done[s.id] && (i <= swap || isOwedByPosition(s)))
      .map((s) => [s.id, true as const]),
  );
}

export const isOneTimeUse = (sheet: Sheet, seatId: string): boolean =>
  groupOfSeat(sheet, seatId).reuse === 'replace';

/** Ids of the seats that a step or cover names. */
export const idsNamed = (sheet: Sheet, on: readonly string[] | undefined): string[] =>
  on ? seatsNamed(sheet, on).map((s) => s.id) : [];
