import { groupOfSeat, isOn, isOwedByPosition, isSettling, stageAt, type Sheet } from '../procedure';
import { advance, withSeat, without } from './advance';
import { noted } from './deviation';
import type { EventOf } from './events';
import { goBack } from './goBack';
import { holdBut } from './hold';
import {
  fastenerId,
  hasAngles,
  isOneTimeUse,
  keptByPosition,
  lifeOf,
  LOOSE,
  neighboursOf,
  seatOf,
} from './seats';
import type { Progress, SeatProgress } from './state';

/** A new fastener in a seat: as the sheet's own swap, or in place of one that is no longer good. */
export function foldSwap(sheet: Sheet, p: Progress, event: EventOf<'swapped'>): Progress {
  const old = seatOf(p, event.payload.fastener);
  if (lifeOf(event.payload.fastener) !== old.life) return p;
  const stage = sheet.stages[p.stage];
  const fresh: SeatProgress = {
    ...old,
    ...LOOSE,
    life: old.life + 1,
    fitted: event.payload.condition,
    yielded: false,
    usedUp: null,
  };
  if (
    stage?.action === 'swap' &&
    isOn(sheet, p.stage, old.seat) &&
    !old.done[stage.id] &&
    !p.inPass[old.seat]
  ) {
    // What stood beyond this stage (angles, after a correction) stood on the old one.
    const behind = sheet.stages
      .slice(0, p.stage)
      .flatMap((s) => (old.done[s.id] ? [[s.id, true as const] as const] : []));
    return advance(
      sheet,
      {
        ...withSeat(p, { ...fresh, done: Object.fromEntries(behind) }),
        inPass: { ...p.inPass, [old.seat]: { moved: false } },
      },
      event.deviceTime,
    );
  }
  const named = isPlanned(sheet, p, old)
    ? p
    : noted(p, event, 'replaced', { fastener: event.payload.fastener, stage: stage?.id ?? '' });
  const alone: Progress = {
    ...withSeat(lockedAgain(sheet, named), { ...fresh, done: keptByPosition(sheet, old) }),
    inPass: without(p.inPass, old.seat),
    disturbed: true,
    hold: holdBut(p, event.payload.fastener),
    ladder: without(p.ladder, old.seat),
  };
  return joining(
    sheet,
    alone,
    fresh,
    event.deviceTime,
    hasAngles(sheet, p) && !(stage && isOwedByPosition(stage)),
  );
}

/** The new one that the sheet asks for once a trial on the old one is over: nothing went wrong. */
function isPlanned(sheet: Sheet, p: Progress, old: SeatProgress): boolean {
  if (old.failed || p.hold || old.usedUp === 'work' || !isOneTimeUse(sheet, old.seat)) return false;
  const done = sheet.stages.filter((s) => old.done[s.id]);
  return done.some((s) => s.trial) && done.every(isOwedByPosition);
}

/**
 * What kept the joint from turning and is out already has to go in again, for the one that joins
 * late.
 */
export function lockedAgain(sheet: Sheet, p: Progress): Progress {
  const out = sheet.steps
    .filter((s) => s.takesOut !== undefined && p.steps[s.id]?.settled)
    .map((s) => s.takesOut);
  const locks = sheet.steps.filter((s) => s.putsIn?.includes('lock') && out.includes(s.putsIn));
  const names = new Set(locks.map((s) => s.putsIn));
  const again = sheet.steps.filter((s) => names.has(s.putsIn ?? s.takesOut)).map((s) => s.id);
  return again.length === 0 ? p : { ...p, steps: without(p.steps, ...again) };
}

/**
 * After the first angle the sheet says whether one new fastener joins alone, or the joint begins
 * again; left open, the lead does.
 */
function joining(
  sheet: Sheet,
  p: Progress,
  fresh: SeatProgress,
  at: string,
  atAngle: boolean,
): Progress {
  const mode = atAngle ? (groupOfSeat(sheet, fresh.seat).onReplace ?? 'lead') : 'single';
  const fastener = fastenerId(fresh.seat, fresh.life);
  if (mode === 'redo') return redoJoint(sheet, p, at);
  if (mode === 'lead' && !p.hold)
    return {
      ...p,
      hold: {
        kind: 'replaced',
        fastener,
        stage: stageAt(sheet, Math.min(p.stage, sheet.stages.length - 1)).id,
      },
    };
  return single(sheet, p, fresh.seat, at);
}

/** Back to the first stage that counts for the fasteners themselves. */
export function redoJoint(sheet: Sheet, p: Progress, at: string): Progress {
  const lastSwap = sheet.stages.findLastIndex((s, i) => s.action === 'swap' && i < p.stage);
  const first = sheet.stages.findIndex((s, i) => i > lastSwap && !isOwedByPosition(s));
  return goBack(sheet, p, Math.max(first, 0), at);
}

/**
 * The new one goes through the earlier stages alone; what lies next to it and was tight is looked
 * at afterwards.
 */
export function single(sheet: Sheet, p: Progress, seatId: string, at: string): Progress {
  const stage = sheet.stages[p.stage];
  const willSettle = stage !== undefined && (isSettling(stage) || isOwedByPosition(stage));
  const tight = willSettle ? [] : neighboursOf(sheet, seatId).filter((id) => isTight(sheet, p, id));
  return advance(
    sheet,
    {
      ...p,
      hold: p.hold?.kind === 'replaced' ? null : p.hold,
      neighbours: [...new Set([...p.neighbours, ...tight])],
    },
    at,
  );
}

const isTight = (sheet: Sheet, p: Progress, id: string): boolean => {
  const seat = p.seats[id];
  return (
    seat !== undefined &&
    !seat.failed &&
    !seat.leftOut &&
    sheet.stages.some(
      (s) =>
        ['torque', 'stretch', 'each'].includes(s.action) && !isOwedByPosition(s) && seat.done[s.id],
    )
  );
};
