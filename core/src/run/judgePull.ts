import { type Sheet, stageIndex, isOn } from '../procedure';
import { type Quantity, units, boltTorque } from '../quantity';
import type { EventOf } from './events';
import { type Judgement, judge, type Before } from './judge';
import { seatOf, lifeOf, owedStage, stripeBefore } from './seats';
import type { Progress, SeatProgress } from './state';
import { isTorque, type Task, taskOf } from './task';
import { toolFor } from './tools';
import { type TooMuch, tooMuch } from './tooMuch';

export type Pull = EventOf<'pulled'>['payload'];
/**
 * How a pull lies to what is due: in this pass, on one that is behind, beside it, or after a
 * correction past the present stage.
 */
export type Place = 'here' | 'behind' | 'again' | 'beside' | 'later' | 'gone';
export function placeOf(
  sheet: Sheet,
  p: Progress,
  pull: Pick<Pull, 'fastener' | 'stage' | 'pass'>,
): Place {
  const index = stageIndex(sheet, pull.stage);
  const seat = seatOf(p, pull.fastener);
  if (index < 0 || lifeOf(pull.fastener) !== seat.life) return 'gone';
  if (!isOn(sheet, index, seat.seat)) return 'beside';
  const owed = owedStage(sheet, seat);
  if (index > p.stage) return 'later';
  if (owed < index) return 'beside';
  if (owed > index) return 'again';
  if (index < p.stage) return 'behind';
  return pull.pass === p.pass ? 'here' : 'gone';
}

/** Judged by what this fastener had before. */

export function judgePull(
  sheet: Sheet,
  p: Progress,
  pull: Omit<Pull, 'verdict' | 'core'>,
): Judgement {
  const seat = seatOf(p, pull.fastener);
  const task = taskIn(sheet, p, seat, pull.stage);
  const reading = readingOn(sheet, p, pull);
  const { reading: _shown, ...said } = pull;
  return judge(task, beforeOf(sheet, p, seat, pull), {
    ...said,
    ...(reading ? { reading } : {}),
    isTooMuch: tooMuchOf(sheet, p, pull) !== null,
  });
}

/**
 * A reading that is far past anything the fastener or the wrench is made for, and why; null where
 * it is not.
 */

export function tooMuchOf(
  sheet: Sheet,
  p: Progress,
  pull: Omit<Pull, 'verdict' | 'core'>,
): { reading: Quantity; why: TooMuch } | null {
  const reading = readingOn(sheet, p, pull);
  if (!reading) return null;
  const seat = seatOf(p, pull.fastener);
  const task = taskIn(sheet, p, seat, pull.stage);
  if (task.target && units[task.target.unit].kind !== units[reading.unit].kind) return null;
  const before =
    task.action === 'angle' && pull.stripeDeg === undefined ? (seat.turnedDeg[task.key] ?? 0) : 0;
  const total = before > 0 ? { ...reading, value: reading.value + before } : reading;
  const why = tooMuch(sheet, seat, task, total, toolFor(sheet, p, task), pull.reading);
  return why && { reading, why };
}

/**
 * What a pull did to the fastener, of what was read: with a crowfoot the scale says another torque
 * than the bolt got, and a stripe shows all that was turned since it was painted.
 */

export function readingOn(
  sheet: Sheet,
  p: Progress,
  pull: Pick<Pull, 'fastener' | 'stage' | 'part' | 'method' | 'reading' | 'stripeDeg'>,
): Quantity | undefined {
  const seat = seatOf(p, pull.fastener);
  const task = taskIn(sheet, p, seat, pull.stage);
  if (pull.stripeDeg !== undefined) {
    const before = stripeBefore(seat, task.key);
    return before === null
      ? undefined
      : { value: Math.max(0, pull.stripeDeg - before), unit: 'deg' };
  }
  const wrench = isTorque(task.action) && pull.reading ? toolFor(sheet, p, task)?.wrench : null;
  return wrench && pull.reading ? boltTorque(wrench, pull.reading) : pull.reading;
}

export const taskIn = (sheet: Sheet, p: Progress, seat: SeatProgress, stage: string): Task =>
  taskOf(sheet, p, stageIndex(sheet, stage), seat.parts);
function beforeOf(
  sheet: Sheet,
  p: Progress,
  seat: SeatProgress,
  pull: Omit<Pull, 'verdict' | 'core'>,
): Before {
  const task = taskIn(sheet, p, seat, pull.stage);
  const hadAngle =
    task.action === 'angle' &&
    seat.turnedDeg[task.key] !== undefined &&
    (p.inPass[seat.seat] !== undefined || placeOf(sheet, p, pull) === 'again');
  return {
    // A stripe shows all that was turned in the stage, a gauge only this pull.
    turnedDeg: pull.method === 'stripe' ? 0 : (seat.turnedDeg[task.key] ?? 0),
    untouched: mustTurn(sheet, p, seat, task),
    hadAngle: hadAngle && pull.method !== 'stripe',
  };
}

/**
 * The first torque on a fastener turns it, else something is wrong; not where an earlier run left
 * it tight.
 */

export function mustTurn(sheet: Sheet, p: Progress, seat: SeatProgress, task: Task): boolean {
  if (
    task.action !== 'torque' ||
    seat.fitted === 'asLeft' ||
    seat.catchUpPass > 1 ||
    p.inPass[seat.seat]
  )
    return false;
  if (task.stageIndex === p.stage && p.pass > 1) return false;
  const earlier = sheet.stages
    .slice(0, task.stageIndex)
    .some(
      (s, i) =>
        ['torque', 'angle', 'stretch', 'drawDown', 'draw', 'each'].includes(s.action) &&
        isOn(sheet, i, seat.seat),
    );
  return !earlier;
}
