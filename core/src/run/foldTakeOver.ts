import { isByFastener, orderOf, stageAt, stageIndex, type Sheet } from '../procedure';
import { advance, withSeat, without } from './advance';
import { noted } from './deviation';
import type { EventOf } from './events';
import { lifeOf, owedStage, fastenerIn, seatOf } from './seats';
import type { Progress, SeatProgress } from './state';
import { taskOf } from './task';

/**
 * The new holder looks first: every fastener of the pass, by its stripe. Wrenches are set and
 * confirmed again.
 */
export function foldTakeOver(sheet: Sheet, p: Progress): Progress {
  const isUnderWay =
    p.stage < sheet.stages.length &&
    isByFastener(stageAt(sheet, p.stage)) &&
    stageAt(sheet, p.stage).action !== 'swap';
  const seats = isUnderWay
    ? orderOf(sheet, p.stage).filter((id) => p.seats[id]?.fitted && !p.seats[id]?.leftOut)
    : [];
  return { ...p, settings: {}, toReconcile: seats.map((id) => fastenerIn(p, id)) };
}

/** What the new holder saw goes before what the earlier one had sent of this pass. */
export function foldReconciled(sheet: Sheet, p: Progress, event: EventOf<'reconciled'>): Progress {
  const index = stageIndex(sheet, event.payload.stage);
  const cleared: Progress = { ...p, toReconcile: [] };
  if (index !== p.stage || event.payload.pass !== p.pass)
    return index > p.stage ? laterAngles(sheet, cleared, event, index) : cleared;
  const after = event.payload.fasteners.reduce<Progress>((at, { fastener, found }) => {
    const seat = seatOf(at, fastener);
    if (lifeOf(fastener) !== seat.life || owedStage(sheet, seat) !== index) return at;
    if (found === 'turned') return foundTurned(sheet, at, seat, index);
    return foundOpen(sheet, at, seat, index, found === 'cannotTell');
  }, cleared);
  return advance(sheet, after, event.deviceTime);
}

function angleKeys(
  sheet: Sheet,
  p: Progress,
  index: number,
): { key: string; target: number; entersYield: boolean }[] {
  const count = stageAt(sheet, index).each?.length ?? 1;
  return Array.from({ length: count }, (_, part) => taskOf(sheet, p, index, part)).flatMap((t) =>
    t.action === 'angle' && t.target
      ? [{ key: t.key, target: t.target.value, entersYield: t.entersYield }]
      : [],
  );
}

function foundTurned(sheet: Sheet, p: Progress, seat: SeatProgress, index: number): Progress {
  const keys = angleKeys(sheet, p, index);
  const turnedDeg = {
    ...Object.fromEntries(keys.map((k) => [k.key, k.target])),
    ...seat.turnedDeg,
  };
  const settling = taskOf(sheet, p, index, 0).settling;
  const turned = {
    ...seat,
    turnedDeg,
    parts: 0,
    yielded: seat.yielded || keys.some((k) => k.entersYield),
  };
  return {
    ...withSeat(p, turned),
    inPass: { ...p.inPass, [seat.seat]: p.inPass[seat.seat] ?? { moved: settling } },
  };
}

/** Not turned: asked again. Cannot tell, at an angle: the angle is lost. */
function foundOpen(
  sheet: Sheet,
  p: Progress,
  seat: SeatProgress,
  index: number,
  cannotTell: boolean,
): Progress {
  const keys = angleKeys(sheet, p, index).map((k) => k.key);
  const isLost = cannotTell && keys.length > 0;
  const open: SeatProgress = {
    ...seat,
    turnedDeg: without(seat.turnedDeg, ...keys),
    parts: 0,
    failed: isLost ? 'angleLost' : seat.failed,
  };
  return { ...withSeat(p, open), inPass: without(p.inPass, seat.seat) };
}

/**
 * The pass it was about was opened again by a correction: angles that were seen stand, the lead
 * decides.
 */
function laterAngles(
  sheet: Sheet,
  p: Progress,
  event: EventOf<'reconciled'>,
  index: number,
): Progress {
  const keys = angleKeys(sheet, p, index);
  if (keys.length === 0) return p;
  return event.payload.fasteners.reduce<Progress>((at, { fastener, found }) => {
    const seat = seatOf(at, fastener);
    if (found !== 'turned' || lifeOf(fastener) !== seat.life) return at;
    const { id } = stageAt(sheet, index);
    const stands = {
      ...seat,
      done: { ...seat.done, [id]: true as const },
      turnedDeg: { ...Object.fromEntries(keys.map((k) => [k.key, k.target])), ...seat.turnedDeg },
    };
    return noted(
      withSeat(at, { ...stands, yielded: seat.yielded || keys.some((k) => k.entersYield) }),
      event,
      'angleStands',
      { fastener, stage: id },
    );
  }, p);
}
