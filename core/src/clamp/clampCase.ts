import {
  frictionBands,
  hexHeadOf,
  propertyClassOf,
  threadOf,
  type FrictionCondition,
} from '../thread';
import { angleState, type AngleJoint } from './angleToPreload';
import { boltCompliance, plateCompliance } from './compliance';
import { evenFriction } from './frictionChange';
import { preloadForTorque, torqueForPreload, torqueLimit, type Friction } from './preload';

export type PartMaterial = 'steel' | 'castIron' | 'aluminum';
export type GasketKind = 'none' | 'metal' | 'soft';

/** A bolt in its joint, as it is drawn by hand: everything that its clamp load depends on. */
export interface ClampBolt {
  thread: string;
  pitchMm?: number | undefined;
  propertyClass: string;
  /** Outer diameter that a flange or washer bears on, mm; a plain hexagon head where left out. */
  bearingMm?: number | undefined;
  gripMm: number;
  under?: PartMaterial | undefined;
  gasket?: GasketKind | undefined;
}
/** … and how it is tightened: one torque, then an angle or none. */
export interface ClampCase extends ClampBolt {
  condition: FrictionCondition;
  torqueNm: number;
  angleDeg: number;
}

/** Young's modulus of what lies under the head, MPa; steel where it is not said. */
const PART_MPA: Record<PartMaterial, number> = {
  steel: 205_000,
  castIron: 115_000,
  aluminum: 71_000,
};
/** How much more the parts give with a gasket between them. Defined here: rough, to be seen. */
const GASKET_GIVES: Record<GasketKind, number> = { none: 1, metal: 1.15, soft: 2 };

/**
 * Bolt and parts as springs at one friction: parts three heads wide, one and a half diameters of
 * free thread, tapped.
 * @throws AppError THREAD_UNKNOWN or CLASS_UNKNOWN
 */
export function angleJointOf(of: ClampBolt, torqueNm: number, mu: number): AngleJoint {
  const thread = threadOf(of.thread, of.pitchMm);
  const head = hexHeadOf(thread.dMm, of.bearingMm);
  const friction = evenFriction(mu, head.meanMm);
  const freeThreadMm = Math.min(of.gripMm, 1.5 * thread.dMm);
  const bolt = boltCompliance(thread, {
    shankMm: of.gripMm - freeThreadMm,
    freeThreadMm,
    joint: 'tapped',
  });
  const plate = plateCompliance({
    gripMm: of.gripMm,
    bearingMm: head.bearingMm,
    holeMm: head.holeMm,
    outerMm: 3 * head.bearingMm,
    joint: 'tapped',
    partMPa: PART_MPA[of.under ?? 'steel'],
  });
  return {
    thread,
    strength: propertyClassOf(of.propertyClass),
    boltCompliance: bolt.total,
    partCompliance: plate.compliance * GASKET_GIVES[of.gasket ?? 'none'],
    snugPreloadKn: preloadForTorque(torqueNm, thread, friction),
    muThread: friction.thread,
    plasticLengthMm: freeThreadMm + 0.5 * thread.dMm,
  };
}

export interface ClampCurve {
  /** From nothing to the torque. */
  byTorque: { torqueNm: number; preloadKn: number }[];
  /** From the torque through the angle. */
  byAngle: { deg: number; preloadKn: number }[];
  yieldKn: number;
  tensileKn: number;
  /** Torque that alone takes the bolt to yield. */
  yieldTorqueNm: number;
  finalKn: number;
  isPastYield: boolean;
  permanentSetMm: number;
}

const TORQUE_STEPS = 12;
const DEG_STEP = 3;

/**
 * Clamp load over torque, then over angle. A torque beyond yield is drawn flat: there the bolt
 * turns without clamping much more.
 */
export function clampCurve(of: ClampCase, mu = frictionBands[of.condition].nominal): ClampCurve {
  const thread = threadOf(of.thread, of.pitchMm);
  const friction = frictionOf(of, mu);
  const limit = torqueLimit(thread, propertyClassOf(of.propertyClass), friction);
  const cap = (kn: number): number => Math.min(kn, limit.yieldPreloadKn);
  const byTorque = Array.from({ length: TORQUE_STEPS + 1 }, (_, i) => {
    const torqueNm = (of.torqueNm * i) / TORQUE_STEPS;
    return { torqueNm, preloadKn: cap(preloadForTorque(torqueNm, thread, friction)) };
  });
  const joint = angleJointOf(of, of.torqueNm, mu);
  const snug = { ...joint, snugPreloadKn: cap(joint.snugPreloadKn) };
  const steps = of.angleDeg > 0 ? Math.max(1, Math.ceil(of.angleDeg / DEG_STEP)) : 0;
  const byAngle = Array.from({ length: steps + 1 }, (_, i) => {
    const deg = steps === 0 ? 0 : (of.angleDeg * i) / steps;
    return { deg, preloadKn: angleState(snug, deg).preloadKn };
  });
  const end = angleState(snug, of.angleDeg);
  return {
    byTorque,
    byAngle,
    yieldKn: limit.yieldPreloadKn,
    tensileKn: end.tensilePreloadKn,
    yieldTorqueNm: limit.yieldTorqueNm,
    finalKn: end.preloadKn,
    isPastYield: end.regime !== 'elastic' || of.torqueNm > limit.yieldTorqueNm,
    permanentSetMm: end.permanentSetMm,
  };
}

const frictionOf = (of: ClampBolt, mu: number): Friction => {
  const thread = threadOf(of.thread, of.pitchMm);
  return evenFriction(mu, hexHeadOf(thread.dMm, of.bearingMm).meanMm);
};

/** Share of yield that a torque alone is usually taken to. Source: VDI 2230. */
const USUAL_SHARE = 0.9;

/**
 * The torque alone that would aim at the same clamp load, at most nine tenths of yield. For
 * comparing two ways of tightening, never a value for the technician.
 */
export function torqueAloneNm(of: ClampCase): number {
  const mu = frictionBands[of.condition].nominal;
  const friction = frictionOf(of, mu);
  const thread = threadOf(of.thread, of.pitchMm);
  const { yieldPreloadKn } = torqueLimit(thread, propertyClassOf(of.propertyClass), friction);
  const aim = Math.min(clampCurve(of).finalKn, USUAL_SHARE * yieldPreloadKn);
  return torqueForPreload(aim, thread, friction);
}

export interface FurtherUse {
  /** By how much the bolt stays longer in all, mm. */
  setMm: number;
  /** Of what it can stretch for good before it breaks. */
  used: number;
}

/**
 * What is gone of a bolt after each use by the same procedure: it yields again at the load that it
 * reached before, so each use takes nearly as much as the first. Bilinear law of `angleState`.
 * @returns nothing where it stays elastic
 */
export function usesOf(of: ClampCase, uses = 3): FurtherUse[] {
  const mu = frictionBands[of.condition].nominal;
  const joint = angleJointOf(of, of.torqueNm, mu);
  const first = angleState(joint, of.angleDeg);
  if (first.regime === 'elastic') return [];
  const span = first.angleToTensileDeg - first.angleToYieldDeg;
  const plasticDeg = of.angleDeg - first.angleToYieldDeg;
  const kept = (first.tensilePreloadKn - first.yieldPreloadKn) / span / first.knPerDeg;
  let [gone, setMm] = [0, 0];
  return Array.from({ length: uses }, (_, i): FurtherUse => {
    const more = i === 0 ? plasticDeg : plasticDeg * (1 - kept);
    gone += more;
    setMm += first.permanentSetMm * (more / plasticDeg);
    return { setMm, used: Math.min(1, gone / span) };
  });
}

/** What a caliper tells apart, mm. */
export const CALIPER_MM = 0.02;
/** Two readings of one bolt, new and used, have to differ by so many times that. */
const SEEN_TIMES = 2;
export const caliperSees = (setMm: number): boolean => setMm >= SEEN_TIMES * CALIPER_MM;
