import { angleState, boltCompliance, evenFriction, plateCompliance, preloadForTorque, torqueForPreload, type AngleJoint } from '../clamp';
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
  /** Of the stretch between yield and tensile strength; 0 where it stays elastic. */
  reserveUsed: number;
  /** Clamp load after the angle over the friction band, as a share of the nominal one to each side. */
  spreadByAngle: number;
  /** The same with a torque alone. */
  spreadByTorque: number;
  /** About what a bar feels at the end; never a value to set. */
  endTorqueNm: number;
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
  const { low, nominal, high } = frictionBands[group.frictionCondition];
  const at = (mu: number) => modelOf(group, group.gripLengthMm ?? 0, turn.torqueNm, mu);
  const joint = at(nominal);
  const state = angleState(joint, turn.deg);
  const passesYield = state.regime !== 'elastic';
  const share = (values: number[]): number => (Math.max(...values) - Math.min(...values)) / 2 / (values[1] ?? 1);
  const mus = [low, nominal, high];
  const numbers = {
    turnedDeg: turn.deg,
    angleToYieldDeg: state.angleToYieldDeg,
    passesYield,
    permanentSetMm: state.permanentSetMm,
    reserveUsed: passesYield ? Math.min(1, (turn.deg - state.angleToYieldDeg) / (state.angleToTensileDeg - state.angleToYieldDeg)) : 0,
    spreadByAngle: share(mus.map((mu) => angleState(at(mu), turn.deg).preloadKn)),
    spreadByTorque: share(mus.map((mu) => at(mu).snugPreloadKn)),
    endTorqueNm: torqueForPreload(state.preloadKn, joint.thread, evenFriction(nominal, hexHeadOf(joint.thread.dMm).meanMm)),
  };
  return { ...numbers, text: said(numbers) };
}

function said(n: Omit<UsedOnce, 'text'>): string {
  const deg = (x: number): string => `${Math.round(x)}°`;
  const share = (x: number): string => `${Math.round(x * 100)} %`;
  if (!n.passesYield) return `It yields only after about ${deg(n.angleToYieldDeg)} and is turned ${deg(n.turnedDeg)}: it springs back.`;
  const yields = n.angleToYieldDeg > 0 ? `It yields after about ${deg(n.angleToYieldDeg)}` : 'It yields before the angle begins';
  return `${yields} and is turned ${deg(n.turnedDeg)}: it stays about ${n.permanentSetMm.toFixed(2)} mm longer and has used ${share(n.reserveUsed)} of its stretch to breaking. A second tightening would begin with that gone. By angle a new one clamps within about ±${share(n.spreadByAngle)}; by torque alone ±${share(n.spreadByTorque)}.`;
}

function modelOf(group: Group, gripMm: number, torqueNm: number, mu: number): AngleJoint {
  const thread = threadOf(group.thread.designation, group.thread.pitchMm);
  const head = hexHeadOf(thread.dMm);
  const friction = evenFriction(mu, head.meanMm);
  const freeThreadMm = Math.min(gripMm, 1.5 * thread.dMm);
  const bolt = boltCompliance(thread, { shankMm: gripMm - freeThreadMm, freeThreadMm, joint: 'tapped' });
  const plate = plateCompliance({ gripMm, bearingMm: head.bearingMm, holeMm: head.holeMm, outerMm: 3 * head.bearingMm, joint: 'tapped', partMPa: 205_000 });
  return {
    thread,
    strength: propertyClassOf(group.propertyClass),
    boltCompliance: bolt.total,
    partCompliance: plate.compliance,
    snugPreloadKn: preloadForTorque(torqueNm, thread, friction),
    muThread: friction.thread,
    plasticLengthMm: freeThreadMm + 0.5 * thread.dMm,
  };
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
