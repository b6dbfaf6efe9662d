import { stageAt, stageIndex, TAKE_APART, type Sheet } from '../procedure';
import { refusedOpen } from './deviation';
import { rungsOf } from './ladder';
import { hasTurned, isSpent, lifeOf, owedStage, seatIdOf, seatOf, stripeBefore } from './seats';
import type { AnyHold, Deviation, FailureKind, OpenHold, Progress, SeatProgress } from './state';

/** Ways out of a hold; which of them are open follows from what happened to the bolt. */
export const WAYS = [
  'passed',
  'failed',
  'pending',
  'statement',
  'replace',
  'redo',
  'restart',
  'readStripe',
  'again',
  'rung',
  'reallyDone',
  'redone',
  'notDone',
  'turnOn',
] as const;
export type Way = (typeof WAYS)[number];

/** What holds the run up now, the most pressing first. */
export function openHold(sheet: Sheet, p: Progress): AnyHold | null {
  const [claim] = p.claims;
  if (claim) return { kind: 'claim', claim };
  const failed = Object.values(p.seats).find((s) => s.failed !== null);
  if (failed?.failed)
    return {
      kind: 'failed',
      seat: failed.seat,
      failure: failed.failed,
      rung: rungOf(sheet, p, failed),
    };
  if (p.hold) return p.hold;
  const deviation = refusedOpen(p);
  return deviation ? { kind: 'refused', deviation } : null;
}

/**
 * The open hold, unless it is about this fastener: what is slackened, replaced or left out is
 * answered for.
 */
export const holdBut = (p: Progress, fastener: string): OpenHold | null =>
  p.hold && 'fastener' in p.hold && p.hold.fastener === fastener ? null : p.hold;

/** The next rung of the ladder for this failure. */
function rungOf(sheet: Sheet, p: Progress, seat: SeatProgress): string | null {
  return seat.failed ? (rungsOf(sheet, seat.failed)[p.ladder[seat.seat] ?? 0]?.id ?? null) : null;
}

const RE_STARTS: readonly FailureKind[] = [
  'crossThreaded',
  'wontStartByHand',
  'bottomed',
  'wrongCompound',
];

export function waysOf(sheet: Sheet, p: Progress, hold: AnyHold, part: string): readonly Way[] {
  switch (hold.kind) {
    case 'claim':
      return ['reallyDone', 'redone', 'notDone'];
    case 'failed':
      return waysOfFailure(sheet, p, hold.seat, hold.failure, hold.rung, part);
    case 'notSettled':
    case 'notSeated':
      return ['restart', 'pending'];
    case 'named':
      return waysOfNamed(sheet, hold);
    case 'above':
    case 'belowFloor':
    case 'notCovered':
      return isSpent(sheet, seatOf(p, hold.fastener))
        ? ['replace', 'statement']
        : ['redo', 'replace', 'pending'];
    case 'replaced':
      return ['statement'];
    case 'refused':
      return waysOfRefused(sheet, p, hold.deviation);
  }
}

function waysOfFailure(
  sheet: Sheet,
  p: Progress,
  seatId: string,
  failure: FailureKind,
  rung: string | null,
  part: string,
): Way[] {
  const seat = p.seats[seatId];
  if (!seat) throw new Error(`no seat ${seatId}`);
  const first: Way[] = rung ? ['rung'] : [];
  // Taken apart: it comes out in the end, or the lead leaves it in; a new one goes in later.
  if (part === TAKE_APART) return [...first, 'again', 'statement'];
  if (failure === 'angleLost' && !seat.usedUp && canReadStripe(sheet, p, seat))
    first.push('readStripe');
  if (failure === 'wontLoosen') first.push('again');
  if ((RE_STARTS.includes(failure) || failure === 'angleLost') && !isSpent(sheet, seat))
    first.push('redo');
  // No room to get at what is left: the part comes off, and everything begins again when it is
  // back.
  const isBegun = p.stage > 0 || Object.keys(p.inPass).length > 0;
  if (isBroken(failure) && !rung && isBegun) first.push('restart');
  return [...first, 'replace', 'statement'];
}

/** The fastener or its thread itself is gone: slackening the joint does not put that right. */
export const isBroken = (failure: FailureKind | null): boolean =>
  failure === 'broke' || failure === 'stripped';

/** The stripe tells the turn of the angle stage that the fastener stands in. */
function canReadStripe(sheet: Sheet, p: Progress, seat: SeatProgress): boolean {
  if (!seat.marked) return false;
  const stage = sheet.stages[Math.min(owedStage(sheet, seat), p.stage)];
  const part = stage?.action === 'each' ? stage.each?.[seat.parts] : undefined;
  const isAngle = stage !== undefined && (stage.action === 'angle' || part?.action === 'angle');
  return isAngle && stripeBefore(seat, part ? `${stage.id}.${part.id}` : stage.id) !== null;
}

function waysOfNamed(sheet: Sheet, hold: Extract<OpenHold, { kind: 'named' }>): Way[] {
  const stage = stageAt(sheet, stageIndex(sheet, hold.stage));
  if (stage.release === 'lead') return ['statement'];
  if (stage.ifNot !== undefined) return ['passed', 'failed'];
  return hold.failed ? ['passed', 'pending', 'statement'] : ['passed', 'failed'];
}

function waysOfRefused(sheet: Sheet, p: Progress, d: Deviation): Way[] {
  const seat = d.fastener ? p.seats[seatIdOf(d.fastener)] : undefined;
  if (!seat) return ['restart'];
  const on: Way[] = canTurnOn(sheet, p, seat, d) ? ['turnOn'] : [];
  return [
    ...on,
    ...(d.kind === 'reused' || d.kind === 'redone' || isSpent(sheet, seat)
      ? (['replace'] as const)
      : (['redo', 'replace'] as const)),
  ];
}

/**
 * It stopped short, and how far is known: what is missing can still be turned. At torque only while
 * no angle stands on it.
 */
function canTurnOn(sheet: Sheet, p: Progress, seat: SeatProgress, d: Deviation): boolean {
  if (
    d.kind !== 'stoppedShort' ||
    !d.fastener ||
    lifeOf(d.fastener) !== seat.life ||
    seat.leftOut ||
    seat.failed ||
    seat.usedUp
  )
    return false;
  const index = stageIndex(sheet, d.stage);
  const stage = sheet.stages[index];
  if (!stage || isLoosenedSince(sheet, seat, index)) return false;
  if (stage.action === 'angle') return typeof seat.turnedDeg[stage.id] === 'number';
  return stage.action === 'torque' && !hasTurned(seat);
}

const isLoosenedSince = (sheet: Sheet, seat: SeatProgress, index: number): boolean =>
  sheet.stages.some(
    (s, i) => i > index && (s.action === 'loosen' || s.action === 'swap') && seat.done[s.id],
  );

/**
 * Where a hold of the whole joint leads back to: its own stage, or the one that a refused deviation
 * is about.
 */
export function restartOf(sheet: Sheet, hold: AnyHold): string | null {
  if (hold.kind === 'notSettled' || hold.kind === 'notSeated') return hold.stage;
  if (hold.kind === 'failed') return isBroken(hold.failure) ? (sheet.stages[0]?.id ?? null) : null;
  if (hold.kind !== 'refused') return null;
  const { stage } = hold.deviation;
  return stageIndex(sheet, stage) >= 0 ? stage : (sheet.stages[0]?.id ?? null);
}
