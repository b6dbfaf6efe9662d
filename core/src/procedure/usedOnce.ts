import { angleState, boltCompliance, evenFriction, plateCompliance, preloadForTorque } from '../clamp';
import { convert, units } from '../quantity';
import { frictionBands, hexHeadOf, propertyClassOf, threadOf } from '../thread';
import type { Group, Sheet } from './sheet';
import { seatsOf } from './stageFacts';

/** Why a bolt is used once, in numbers that are rough on purpose. */
export interface UsedOnce {
  /** Turned by the procedure from its last torque on. */
  turnedDeg: number;
  angleToYieldDeg: number;
  passesYield: boolean;
  /** By how much it stays longer once it is out. */
  permanentSetMm: number;
  text: string;
}

/**
 * What torque and angles of a procedure do to the bolts of a group: angle to yield, and the permanent set that makes them
 * one-time-use. Friction as published, nominal; steel parts three heads wide, one and a half diameters of free thread: an
 * explanation, no judgement. Source: `clamp/angleToPreload`.
 * @returns null where the sheet gives no grip length, no torque or no angle for the group
 * @throws AppError THREAD_UNKNOWN or CLASS_UNKNOWN
 */
export function usedOnce(sheet: Sheet, group: Group): UsedOnce | null {
  const turn = lastTurn(sheet, group);
  if (!turn || group.gripLengthMm === undefined) return null;
  const thread = threadOf(group.thread.designation, group.thread.pitchMm);
  const head = hexHeadOf(thread.dMm);
  const friction = evenFriction(frictionBands[group.frictionCondition].nominal, head.meanMm);
  const freeThreadMm = Math.min(group.gripLengthMm, 1.5 * thread.dMm);
  const bolt = boltCompliance(thread, { shankMm: group.gripLengthMm - freeThreadMm, freeThreadMm, joint: 'tapped' });
  const plate = plateCompliance({ gripMm: group.gripLengthMm, bearingMm: head.bearingMm, holeMm: head.holeMm, outerMm: 3 * head.bearingMm, joint: 'tapped', partMPa: 205_000 });
  const joint = {
    thread,
    strength: propertyClassOf(group.propertyClass),
    boltCompliance: bolt.total,
    partCompliance: plate.compliance,
    snugPreloadKn: preloadForTorque(turn.torqueNm, thread, friction),
    muThread: friction.thread,
    plasticLengthMm: freeThreadMm + 0.5 * thread.dMm,
  };
  const state = angleState(joint, turn.deg);
  const passesYield = state.regime !== 'elastic';
  const deg = (x: number): string => `${Math.round(x)}°`;
  const text = passesYield
    ? `It yields after about ${deg(state.angleToYieldDeg)} and is turned ${deg(turn.deg)}: it stays about ${state.permanentSetMm.toFixed(2)} mm longer, and a second tightening would begin with that reserve gone.`
    : `It yields only after about ${deg(state.angleToYieldDeg)} and is turned ${deg(turn.deg)}: it springs back.`;
  return { turnedDeg: turn.deg, angleToYieldDeg: state.angleToYieldDeg, passesYield, permanentSetMm: state.permanentSetMm, text };
}

/** The last torque on the group, and the angles after it. */
function lastTurn(sheet: Sheet, group: Group): { torqueNm: number; deg: number } | null {
  let torqueNm = 0;
  let deg = 0;
  for (const stage of sheet.stages.filter((s) => !s.trial && seatsOf(sheet, s).some((seat) => seat.group === group.id))) {
    for (const part of stage.each ?? [stage]) {
      const { target } = part;
      if (!target || !('value' in target)) continue;
      if (part.action === 'torque' && units[target.unit].kind === 'torque') [torqueNm, deg] = [convert(target, 'N.m'), 0];
      if (part.action === 'angle') deg += target.value;
    }
  }
  return torqueNm > 0 && deg > 0 ? { torqueNm, deg } : null;
}
