import type { TraceJoint } from '../trace';

/** A made-up joint that a simulated wrench tightens. mm, N, N·m, degrees. */
export interface MadeUpJoint extends Required<TraceJoint> {
  pitchMm: number;
  pitchDiameterMm: number;
  bearingDiameterMm: number;
  clampRateNPerDeg: number;
  yieldForceN: number;
  torqueTargetNm: number;
  angleTargetDeg: number;
  /** T = F K / 1000 at the nominal friction of 0.12. */
  torqueFactorMm: number;
}

/**
 * K = p/2π + μ (d2 / 2cos30° + Db/2) at μ = 0.12; everything that follows from it. Source: screw
 * equation, as in core/clamp.
 */
export function madeUpJoint(
  of: Pick<
    MadeUpJoint,
    | 'pitchMm'
    | 'pitchDiameterMm'
    | 'bearingDiameterMm'
    | 'clampRateNPerDeg'
    | 'yieldForceN'
    | 'snugNm'
    | 'torqueTargetNm'
    | 'angleTargetDeg'
  >,
): MadeUpJoint {
  const torqueFactorMm =
    of.pitchMm / (2 * Math.PI) +
    0.12 * (of.pitchDiameterMm / (2 * Math.cos(Math.PI / 6)) + of.bearingDiameterMm / 2);
  return {
    ...of,
    torqueFactorMm,
    toolStiffnessNmPerDeg: Math.max(4, 0.11 * of.torqueTargetNm),
    gradientNmPerDeg: (torqueFactorMm * of.clampRateNPerDeg) / 1000,
    yieldAngleFromZeroDeg: of.yieldForceN / of.clampRateNPerDeg,
    yieldTorqueNm: (torqueFactorMm * of.yieldForceN) / 1000,
    rundownLimitNm: 0.25 * of.snugNm + 1,
  };
}

const M8 = {
  pitchMm: 1.25,
  pitchDiameterMm: 7.188,
  bearingDiameterMm: 11,
  clampRateNPerDeg: 330,
  yieldForceN: 28_000,
  snugNm: 10,
  torqueTargetNm: 28,
  angleTargetDeg: 120,
};
const M10 = {
  pitchMm: 1.5,
  pitchDiameterMm: 9.026,
  bearingDiameterMm: 13,
  clampRateNPerDeg: 380,
  yieldForceN: 46_000,
  snugNm: 20,
  torqueTargetNm: 55,
  angleTargetDeg: 140,
};
const M12 = {
  pitchMm: 1.75,
  pitchDiameterMm: 10.863,
  bearingDiameterMm: 16,
  clampRateNPerDeg: 450,
  yieldForceN: 65_000,
  snugNm: 40,
  torqueTargetNm: 95,
  angleTargetDeg: 150,
};
export const MADE_UP_JOINTS = {
  'JX-8': madeUpJoint(M8),
  'JX-10': madeUpJoint(M10),
  'JX-12': madeUpJoint(M12),
} as const;
