import { textsOf } from '../language';
import { usedOnce as english } from '../language/en/usedOnce';
import {
  angleJointOf,
  angleState,
  evenFriction,
  torqueForPreload,
  type AngleJoint,
  type ClampBolt,
} from '../clamp';
import { convert, units } from '../quantity';
import { frictionBands, hexHeadOf } from '../thread';
import type { Group, Sheet } from './sheet';
import { seatsOf } from './stageFacts';

const text = textsOf('usedOnce', english);

/** Why a bolt is used once, in numbers that are rough on purpose. */
export interface UsedOnce {
  /**
   * Turned by the procedure from its last torque on: the most that any fastener of the group gets.
   */
  turnedDeg: number;
  /** Where fasteners of the group are turned by different angles: each of them, never added up. */
  turnsDeg: readonly number[];
  angleToYieldDeg: number;
  /** The same over the friction band of the published condition: least and most. */
  angleToYieldBandDeg: readonly [number, number];
  passesYield: boolean;
  /** By how much it stays longer once it is out. */
  permanentSetMm: number;
  /** Of the stretch between yield and tensile strength; 0 where it stays elastic. */
  reserveUsed: number;
  /**
   * Clamp load after the angle over the friction band, as a share of the nominal one to each side.
   */
  spreadByAngle: number;
  /** The same with a torque alone. */
  spreadByTorque: number;
  /** About what a bar feels at the end; never a value to set. */
  endTorqueNm: number;
  /** In one line, and the numbers behind it. */
  text: string;
  why: string;
}

/**
 * What torque and angles of a procedure do to the bolts of a group: angle to yield, and the
 * permanent set that makes them one-time-use. Friction as published, nominal; steel parts three
 * heads wide, one and a half diameters of free thread: an explanation, no judgment. Source:
 * `clamp/angleToPreload`.
 * @returns null where the sheet gives no grip length, no torque or no angle for the group
 * @throws AppError THREAD_UNKNOWN or CLASS_UNKNOWN
 */
export function usedOnce(sheet: Sheet, group: Group): UsedOnce | null {
  const turn = lastTurn(sheet, group);
  // A soft gasket gives in a way that this model does not have.
  if (!turn || group.gripLengthMm === undefined || group.gasket === 'soft') return null;
  const { low, nominal, high } = frictionBands[group.frictionCondition];
  const at = (mu: number) => modelOf(group, group.gripLengthMm ?? 0, turn.torqueNm, mu);
  const joint = at(nominal);
  const state = angleState(joint, turn.deg);
  const passesYield = state.regime !== 'elastic';
  const share = (values: number[]): number =>
    (Math.max(...values) - Math.min(...values)) / 2 / (values[1] ?? 1);
  const mus = [low, nominal, high];
  const yields = mus.map((mu) => angleState(at(mu), turn.deg).angleToYieldDeg);
  const numbers = {
    turnedDeg: turn.deg,
    turnsDeg: turn.all,
    angleToYieldDeg: state.angleToYieldDeg,
    angleToYieldBandDeg: [Math.min(...yields), Math.max(...yields)] as const,
    passesYield,
    permanentSetMm: state.permanentSetMm,
    reserveUsed: passesYield
      ? Math.min(
          1,
          (turn.deg - state.angleToYieldDeg) / (state.angleToTensileDeg - state.angleToYieldDeg),
        )
      : 0,
    spreadByAngle: share(mus.map((mu) => angleState(at(mu), turn.deg).preloadKn)),
    spreadByTorque: share(mus.map((mu) => at(mu).snugPreloadKn)),
    endTorqueNm: torqueForPreload(
      state.preloadKn,
      joint.thread,
      evenFriction(nominal, hexHeadOf(joint.thread.dMm, group.bearingMm).meanMm),
    ),
  };
  return { ...numbers, ...said(numbers) };
}

function said(n: Omit<UsedOnce, 'text' | 'why'>): Pick<UsedOnce, 'text' | 'why'> {
  const deg = (x: number): string => `${Math.round(x)}°`;
  const share = (x: number): string => `${Math.round(x * 100)}%`;
  const turned = n.turnsDeg.map(deg).reduce((a, b) => text.or({ a, b }));
  const [least, most] = n.angleToYieldBandDeg.map(deg) as [string, string];
  const at = least === most ? least : text.range({ from: least, to: most });
  if (!n.passesYield) return { text: text.elastic, why: text.elasticWhy({ turned, deg: at }) };
  return {
    text: text.stretched({ mm: n.permanentSetMm.toFixed(1) }),
    why: text.why({
      turned,
      yields: n.angleToYieldBandDeg[1] > 0 ? text.yieldsAfter({ deg: at }) : text.yieldsBefore,
      reserve: share(n.reserveUsed),
      byAngle: share(n.spreadByAngle),
      byTorque: share(n.spreadByTorque),
    }),
  };
}

/** The bolts of a group, as the model of the bench has them. */
export const clampBoltOf = (group: Group, gripMm: number): ClampBolt => ({
  thread: group.thread.designation,
  pitchMm: group.thread.pitchMm,
  propertyClass: group.propertyClass,
  bearingMm: group.bearingMm,
  gripMm,
  under: group.under,
  gasket: group.gasket,
});
const modelOf = (group: Group, gripMm: number, torqueNm: number, mu: number): AngleJoint =>
  angleJointOf(clampBoltOf(group, gripMm), torqueNm, mu);

interface Turn {
  torqueNm: number;
  /** The most that one fastener is turned. */
  deg: number;
  /** Each different angle, from the largest. */
  all: readonly number[];
}

/**
 * The last torque and the angles after it, fastener by fastener: inner and outer ones are turned by
 * their own, never by both.
 */
function lastTurn(sheet: Sheet, group: Group): Turn | null {
  const turns = sheet.seats.filter((s) => s.group === group.id).map((s) => turnOf(sheet, s.id));
  const [most] = [...turns].sort((a, b) => b.deg - a.deg);
  if (!most || most.torqueNm <= 0 || most.deg <= 0) return null;
  return {
    ...most,
    all: [...new Set(turns.map((t) => t.deg))].filter((d) => d > 0).sort((a, b) => b - a),
  };
}

function turnOf(
  sheet: Sheet,
  seatId: string,
): { torqueNm: number; deg: number; angles: readonly number[] } {
  let torqueNm = 0;
  let angles: number[] = [];
  for (const stage of sheet.stages.filter(
    (s) => !s.trial && seatsOf(sheet, s).some((seat) => seat.id === seatId),
  )) {
    for (const part of stage.each ?? [stage]) {
      const { target } = part;
      if (!target || !('value' in target)) continue;
      if (part.action === 'torque' && units[target.unit].kind === 'torque')
        [torqueNm, angles] = [convert(target, 'N.m'), []];
      if (part.action === 'angle') angles.push(target.value);
    }
  }
  return { torqueNm, deg: angles.reduce((a, b) => a + b, 0), angles };
}

/**
 * The last torque of a group and the angles after it: of the bolt that is turned furthest.
 * @returns null where the sheet gives it no torque
 */
export function tighteningOf(
  sheet: Sheet,
  group: Group,
): { torqueNm: number; anglesDeg: readonly number[] } | null {
  const turns = sheet.seats.filter((s) => s.group === group.id).map((s) => turnOf(sheet, s.id));
  const [most] = [...turns].sort((a, b) => b.deg - a.deg || b.torqueNm - a.torqueNm);
  return most && most.torqueNm > 0 ? { torqueNm: most.torqueNm, anglesDeg: most.angles } : null;
}

/**
 * Clamp load that a group has after its last torque and angle, in kN, at one friction; by the same
 * model as `usedOnce`.
 * @returns null where the sheet gives no grip length, no torque or no angle for the group
 */
export function preloadAfterTurn(sheet: Sheet, group: Group, mu: number): number | null {
  const turn = lastTurn(sheet, group);
  return turn && group.gripLengthMm !== undefined && group.gasket !== 'soft'
    ? angleState(modelOf(group, group.gripLengthMm, turn.torqueNm, mu), turn.deg).preloadKn
    : null;
}
