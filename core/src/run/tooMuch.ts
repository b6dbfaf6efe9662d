import { AppError } from '../errors';
import { evenFriction, torqueLimit } from '../clamp';
import { groupOfSeat, type Sheet } from '../procedure';
import { convert, units, type Quantity } from '../quantity';
import { frictionBands, hexHeadOf, propertyClassOf, threadOf } from '../thread';
import type { SeatProgress, Tool } from './state';
import type { Task } from './task';

/** Why a reading cannot be let pass without a second look. */
export type TooMuch = 'twice' | 'pastYield' | 'pastWrench';

/**
 * No hand stops so late by mistake of a few newton-metres: twice what was asked is another unit,
 * another bolt, or a broken one.
 */
const TWICE = 2;

/**
 * Whether a reading is far past anything that the fastener or the wrench is made for: asked back,
 * and if it stands, the run stops. From engineering practice; the yield torque is that of the
 * thread and class with the friction that the sheet was published for.
 * @param onBolt what the fastener got, in any unit of the task's kind
 * @param shown what the wrench's own scale said
 */
export function tooMuch(
  sheet: Sheet,
  seat: Pick<SeatProgress, 'seat'>,
  task: Task,
  onBolt: Quantity,
  tool: Tool | undefined,
  shown: Quantity | undefined,
): TooMuch | null {
  const { target } = task;
  if (!target) return null;
  const read = convert(onBolt, target.unit);
  if (read >= TWICE * target.value) return 'twice';
  if (units[target.unit].kind !== 'torque') return null;
  if (tool?.wrench && shown && convert(shown, tool.wrench.unit) > tool.wrench.max)
    return 'pastWrench';
  const yieldNm = yieldOf(sheet, seat.seat);
  const targetNm = convert(target, 'N.m');
  return yieldNm !== null && targetNm < yieldNm && convert(onBolt, 'N.m') > yieldNm
    ? 'pastYield'
    : null;
}

/** null where the thread or the class is none that is known here. */
function yieldOf(sheet: Sheet, seatId: string): number | null {
  const group = groupOfSeat(sheet, seatId);
  try {
    const thread = threadOf(group.thread.designation, group.thread.pitchMm);
    const friction = evenFriction(
      frictionBands[group.frictionCondition].nominal,
      hexHeadOf(thread.dMm, group.bearingMm).meanMm,
    );
    return torqueLimit(thread, propertyClassOf(group.propertyClass), friction).yieldTorqueNm;
  } catch (error) {
    if (error instanceof AppError) return null;
    throw error;
  }
}
