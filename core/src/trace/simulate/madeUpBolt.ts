import type { DrawnPull } from './drawFault';
import type { MadeUpJoint } from './madeUpJoint';

export const STEP_S = 0.01;

/**
 * What holds against the wrench, by nut angle: run-down, alignment, the elastic part, yield, and
 * what is wrong with it.
 */
export interface MadeUpBolt {
  /** Clamp force in N at a nut angle in degrees, were the hole deep enough. */
  clampN: (nutDeg: number) => number;
  /** Clamp force in N that the joint gets: a bolt on the bottom of its hole presses there. */
  heldN: (nutDeg: number) => number;
  /** Torque in N·m that holds against it; `advanceDeg` is what it turned within this sample. */
  resistNm: (nutDeg: number, advanceDeg: number) => number;
  /** Liquid caught below it: pressed by an advance, and leaking with time. */
  press: (nutDeg: number, advanceDeg: number, stepS: number) => void;
  /** Where it would touch the bottom of its hole; Infinity where it does not. */
  bottomDeg: number;
  /** Torque in N·m for each N of clamp. */
  torqueNmPerN: number;
}

export function madeUpBolt(joint: MadeUpJoint, pull: DrawnPull): MadeUpBolt {
  const threadFactor =
    joint.pitchMm / (2 * Math.PI) +
    (pull.muThread * joint.pitchDiameterMm) / (2 * Math.cos(Math.PI / 6));
  const factor = threadFactor + (pull.muHead * joint.bearingDiameterMm) / 2;
  const rate = joint.clampRateNPerDeg * pull.stiffnessRatio;
  const yieldN = joint.yieldForceN * pull.yieldRatio;
  const targetN = (mode: DrawnPull['mode']): number =>
    mode === 'torque' ? (joint.torqueTargetNm * 1000) / joint.torqueFactorMm : yieldN;
  const { liquid, bottom } = pull;
  const liquidDeg = liquid ? pull.contactDeg - liquid.beforeDeg : Infinity;
  const liquidRate = liquid ? (liquid.nmAt40 * 1000) / threadFactor / (40 * liquid.tauS) : 0;
  let liquidN = 0;
  const clampN = clampOf(pull, { rate, yieldN, targetN: targetN(pull.mode) });
  const crossedNm = crossedOf(pull, joint);

  const bottomDeg = !bottom
    ? Infinity
    : bottom.beforeSeat
      ? pull.contactDeg - bottom.earlyDeg
      : pull.contactDeg + pull.alignDeg / 2 + (bottom.forceRatio * targetN('torque')) / rate;
  const heldN = (nutDeg: number): number =>
    bottom && nutDeg > bottomDeg ? (bottom.beforeSeat ? 0 : clampN(bottomDeg)) : clampN(nutDeg);
  return {
    clampN,
    heldN,
    bottomDeg,
    torqueNmPerN: factor / 1000,
    resistNm: (nutDeg, advanceDeg) => {
      let torque =
        pull.runNm * (1 + 0.25 * Math.sin(nutDeg / 23) + 0.15 * Math.sin(nutDeg / 7.3 + 1));
      if (bottom && nutDeg > bottomDeg) {
        const y = nutDeg - bottomDeg;
        torque += (threadFactor * rate * bottom.ratio * (y < 3 ? (y * y) / 6 : y - 1.5)) / 1000;
      }
      torque += (heldN(nutDeg) * factor) / 1000 + crossedNm(nutDeg);
      if (nutDeg > liquidDeg) torque += ((liquidN + liquidRate * advanceDeg) * threadFactor) / 1000;
      return torque;
    },
    press: (nutDeg, advanceDeg, stepS) => {
      if (!liquid) return;
      if (nutDeg > liquidDeg) liquidN += liquidRate * advanceDeg;
      liquidN *= Math.exp(-stepS / liquid.tauS);
    },
  };
}

/**
 * Clamp force in N by nut angle: alignment, the elastic part, yield; a thread that gives way falls
 * after its most.
 */
function clampOf(
  pull: DrawnPull,
  { rate, yieldN, targetN }: { rate: number; yieldN: number; targetN: number },
): (nutDeg: number) => number {
  const { strip } = pull;
  const soft = 0.08 * yieldN;
  const stripped = (elastic: number): number | null => {
    if (!strip) return null;
    const most = strip.ratio * targetN;
    const begins = 0.8 * most;
    if (elastic <= begins) return null;
    const past = (elastic - begins) / rate;
    const rounding = (2 * (most - begins)) / rate;
    const force =
      past < rounding
        ? begins + rate * (past - (past * past) / (2 * rounding))
        : most - ((past - rounding) * most) / strip.fallDeg;
    return Math.max(force, 0.25 * most);
  };
  return (nutDeg) => {
    const x = nutDeg - pull.contactDeg;
    if (x <= 0) return 0;
    const elastic =
      rate * (x < pull.alignDeg ? (x * x) / (2 * pull.alignDeg) : x - pull.alignDeg / 2);
    const torn = stripped(elastic);
    if (torn !== null) return torn;
    if (elastic <= yieldN) return elastic;
    const over = elastic - yieldN;
    return (
      yieldN + (1 - pull.hardening) * soft * (1 - Math.exp(-over / soft)) + pull.hardening * over
    );
  };
}

/** Torque in N·m that a crossed thread adds. */
function crossedOf({ crossed }: DrawnPull, joint: MadeUpJoint): (nutDeg: number) => number {
  return (nutDeg) => {
    if (!crossed || nutDeg <= crossed.startDeg) return 0;
    const y = nutDeg - crossed.startDeg;
    const slope = crossed.slope * joint.gradientNmPerDeg * y;
    const capped = crossed.seats
      ? Math.min(slope, 0.45 * crossed.maxRatio * joint.torqueTargetNm)
      : slope;
    return capped * (1 + crossed.wave * Math.sin((2 * Math.PI * y) / crossed.periodDeg));
  };
}
