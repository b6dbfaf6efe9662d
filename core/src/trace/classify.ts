import { textsOf } from '../language';
import { traced } from '../language/en/traced';
import type { TraceFindings } from './analyseTrace';
import type { TraceClass } from './classes';
import type { TraceFeatures } from './features';
import type { TraceJoint } from './trace';

const text = textsOf('traced', traced);

/** Chosen on simulated pulls, then frozen; docs/MODEL.md has the error rates. */
const RULES = {
  ripple: 0.014,
  rippleNoise: 2,
  drops: 3,
  holdDrop: 0.04,
  holdDropSure: 0.1,
  preRatio: 0.42,
  preRatioSeated: 0.7,
  seated: 0.85,
  preSpanDeg: 25,
  preSeat: 1.25,
  peakDrop: 0.07,
  dropSpanDeg: 12,
  steep: 1.45,
  creepNormalDeg: 4,
  bottomSure: 2.45,
  abruptDeg: 6.5,
  abruptSteepDeg: 8.5,
  steepSure: 1.85,
  kinkNormalDeg: 13,
  kinkSteepDeg: 8,
  usualNoise: 0.006,
  unsureByNoise: 20,
  reuseTop: 0.97,
  unsureByThinning: 0.12,
  slowHold: 25,
  slowSteep: 4,
  lubeLow: 0.76,
  lubeHigh: 1.32,
  reuse: 0.915,
  /** Sampled slowly, a yield is seen a little early: measured on sound pulls at 20 Hz. */
  slowReuse: 0.4,
} as const;

const percent = (share: number): string => `${Math.round(100 * share)}%`;

/**
 * The first rule that fires, with why. `ok` means that none did, never that the clamp force is
 * proven. Rules see simulated faults only; what they cannot tell apart stands in `mayBe`.
 */
export function classifyTrace(
  findings: TraceFindings,
  f: TraceFeatures,
  joint: TraceJoint,
): { is: TraceClass; why: string; mayBe: TraceClass[] } {
  const [is, why] = firstRule(findings, f, joint);
  return { is, why, mayBe: mayBe(is, f) };
}

function firstRule(
  findings: TraceFindings,
  f: TraceFeatures,
  joint: TraceJoint,
): [TraceClass, string] {
  const r = RULES;
  if (
    f.rippleRatio > Math.max(r.ripple, (r.rippleNoise * f.torqueNoiseNm) / joint.snugNm) &&
    f.drops >= r.drops
  )
    return ['stick_slip', text.why.ripple({ percent: percent(f.rippleRatio) })];
  const unsure = unsureBy(f, joint);
  const slow = f.thinned + r.slowHold * f.slowS;
  if (f.holdDrop > slow * r.holdDropSure || (f.holdDrop > slow * r.holdDrop && f.steps === 0))
    return ['liquid_lock', text.why.holdDrop({ percent: percent(f.holdDrop) })];
  if (f.steps >= 1) return ['angle_slip', text.why.steps({ count: f.steps })];
  const isSlow =
    f.preGradientRatio < r.preRatio ||
    (f.preGradientRatio < r.preRatioSeated && f.elasticRatio > r.seated);
  if (isSlow && f.preSpanDeg > r.preSpanDeg)
    return [
      'cross_thread',
      text.why.preSnug({ deg: Math.round(f.preSpanDeg), percent: percent(f.preGradientRatio) }),
    ];
  if (f.preSeatTorqueRatio > r.preSeat && f.elasticRatio > r.seated)
    return ['cross_thread', text.why.preSeat({ times: f.preSeatTorqueRatio.toFixed(1) })];
  if (f.peakDrop > r.peakDrop && f.dropSpanDeg > r.dropSpanDeg)
    return ['strip', text.why.peakDrop({ percent: percent(f.peakDrop) })];
  const steep =
    f.steepestRatio > r.steep + r.slowSteep * f.slowS + unsure ? steepRule(findings, f) : null;
  if (steep) return steep;
  // A line over scattered points may come out steeper than any part of the curve.
  const elastic = Math.min(f.elasticRatio, f.steepestRatio);
  if (elastic > r.lubeHigh + unsure)
    return ['wrong_lube', text.why.rough({ times: elastic.toFixed(2) })];
  if (f.elasticRatio > 0 && f.elasticRatio < r.lubeLow)
    return ['wrong_lube', text.why.slippery({ times: f.elasticRatio.toFixed(2) })];
  if (
    f.yieldAngleRatio !== null &&
    f.yieldTorqueRatio !== null &&
    // It gives way early and stays there: a slope that only looks bent goes on rising.
    findings.maxTorqueNm < r.reuseTop * (joint.yieldTorqueNm ?? 0) &&
    0.5 * (f.yieldAngleRatio + f.yieldTorqueRatio) < r.reuse - 0.15 * unsure - r.slowReuse * f.slowS
  )
    return [
      'reused_yielded',
      text.why.yields({ angle: percent(f.yieldAngleRatio), torque: percent(f.yieldTorqueRatio) }),
    ];
  return ['ok', text.why.none];
}

/**
 * How far a slope may be off by noise beyond the usual, or by samples that were left out: as a
 * share of the joint's slope.
 */
function unsureBy(f: TraceFeatures, joint: TraceJoint): number {
  const noise = Math.max(0, f.torqueNoiseNm / joint.snugNm - RULES.usualNoise);
  return RULES.unsureByNoise * noise + RULES.unsureByThinning * (f.thinned - 1);
}

/** Far steeper than the joint: bottomed out, or an angle that crept and made it look so. */
function steepRule(findings: TraceFindings, f: TraceFeatures): [TraceClass, string] | null {
  const r = RULES;
  const times = f.steepestRatio.toFixed(1);
  if (f.normalAfterDeg > r.creepNormalDeg && f.normalBeforeDeg > r.creepNormalDeg)
    return ['angle_slip', text.why.steepThenNormal({ times })];
  if (findings.yield && f.normalBeforeDeg > r.kinkNormalDeg)
    return ['angle_slip', text.why.steepThenBack({ times })];
  const isSteep = f.steepestRatio > r.steepSure;
  const isAbrupt = f.riseDeg < r.abruptDeg || (isSteep && f.riseDeg < r.abruptSteepDeg);
  if (
    f.steepestRatio > r.bottomSure ||
    isAbrupt ||
    f.normalBeforeDeg > (isSteep ? r.kinkSteepDeg : r.kinkNormalDeg)
  )
    return ['bottoming', text.why.steep({ times })];
  return null;
}

function mayBe(is: TraceClass, f: TraceFeatures): TraceClass[] {
  if (is === 'bottoming')
    return f.normalBeforeDeg > 8 ? ['angle_slip'] : f.steepestRatio < 2.45 ? ['wrong_lube'] : [];
  if (is === 'angle_slip') return f.steps === 0 ? ['bottoming'] : [];
  if (is === 'cross_thread') return f.holds < 3 || f.holdDrop > 0.02 ? ['liquid_lock'] : [];
  if (is === 'wrong_lube') return f.steepestRatio > 1.45 && f.riseDeg < 12 ? ['bottoming'] : [];
  if (is === 'liquid_lock') return f.drops >= 6 ? ['stick_slip'] : [];
  return [];
}
