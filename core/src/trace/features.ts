import type { TraceFindings, TraceWork } from './analyseTrace';
import { gradientsOf } from './curve';
import type { Forward } from './forward';
import { firstIndex, line, lowestOf, mean, median } from './numbers';
import { OPTIONS } from './options';
import type { TraceJoint } from './trace';

/**
 * What the rules look at. Ratios are of the joint's nominal slope, of snug or of the run-down
 * limit, as named.
 */
export interface TraceFeatures {
  /** How much slower than 100 Hz the wrench sampled, s. */
  slowS: number;
  /** How much of it was left out, and how noisy it is: what is seen is that much less sure. */
  thinned: number;
  steps: number;
  elasticRatio: number;
  rippleRatio: number;
  drops: number;
  torqueNoiseNm: number;
  holds: number;
  holdDrop: number;
  preSpanDeg: number;
  preGradientRatio: number;
  preSeatTorqueRatio: number;
  steepestRatio: number;
  riseDeg: number;
  peakDrop: number;
  dropSpanDeg: number;
  normalAfterDeg: number;
  normalBeforeDeg: number;
  yieldAngleRatio: number | null;
  yieldTorqueRatio: number | null;
}

export function featuresOf(
  findings: TraceFindings,
  work: TraceWork,
  joint: TraceJoint,
): TraceFeatures {
  const loaded = work.forward.filter((f) => f.torqueNm > 0.5 * joint.snugNm);
  return {
    slowS: Math.max(0, work.everyS - 1 / OPTIONS.sampleHz),
    thinned: Math.min(2.5, work.thinned),
    steps: findings.steps.length,
    elasticRatio: (findings.elastic?.gradient ?? 0) / joint.gradientNmPerDeg,
    rippleRatio: rippleOf(loaded),
    drops: dropsOf(loaded),
    ...holdsOf(work, joint.rundownLimitNm),
    ...beforeSnug(work, joint, findings.steepest?.gradient ?? 0),
    ...fallOf(work),
    ...kinkOf(findings, work, joint),
    // A sound bolt's yield is found 5.7 % and 4 % late: the slope must have fallen first.
    yieldAngleRatio:
      findings.yield && joint.yieldAngleFromZeroDeg
        ? findings.yield.fromZeroDeg / (1.057 * joint.yieldAngleFromZeroDeg)
        : null,
    yieldTorqueRatio:
      findings.yield && joint.yieldTorqueNm
        ? findings.yield.torqueNm / (1.04 * joint.yieldTorqueNm)
        : null,
  };
}

/** How far the torque lies off a straight line over 6° of turning, as a share of it. */
function rippleOf(loaded: readonly Forward[]): number {
  const shares: number[] = [];
  for (let i = 0; i < loaded.length;) {
    const start = loaded[i];
    if (!start) break;
    let j = i;
    for (
      let q = loaded[j];
      q && q.netDeg - start.netDeg < 6 && q.index - start.index < 3 * (j - i) + 10;
      q = loaded[j]
    )
      j += 1;
    const piece = loaded.slice(i, j);
    if (piece.length >= 5) {
      const { slope, meanX, meanY } = line(
        piece.map((q) => q.netDeg),
        piece.map((q) => q.torqueNm),
      );
      shares.push(
        Math.sqrt(mean(piece.map((q) => (q.torqueNm - meanY - slope * (q.netDeg - meanX)) ** 2))) /
          meanY,
      );
    }
    i = Math.max(j, i + 1);
  }
  return shares.length >= 2 ? median(shares) : 0;
}

/** Falls of more than 4 % from a high point within 0.1 s, the wrench still going forward. */
function dropsOf(loaded: readonly Forward[]): number {
  let count = 0;
  let peak: Forward | null = null;
  for (const q of loaded) {
    if (!peak || q.index - peak.index > 10 || q.torqueNm >= peak.torqueNm) peak = q;
    else if (q.torqueNm < 0.96 * peak.torqueNm) {
      count += 1;
      peak = q;
    }
  }
  return count;
}

/**
 * How far the torque falls while the wrench is held for at least 80 ms; only beyond five times its
 * noise.
 */
function holdsOf(
  { torque, angle, everyS }: TraceWork,
  limitNm: number,
): Pick<TraceFeatures, 'holds' | 'holdDrop' | 'torqueNoiseNm'> {
  const holds: [number, number][] = [];
  for (let i = 0; i < angle.length; i += 1) {
    let last = i;
    while (last + 1 < angle.length && Math.abs((angle[last + 1] ?? 0) - (angle[i] ?? 0)) < 0.45)
      last += 1;
    // The sample after a hold is in its release already, and what lies between is interpolated.
    const end = Math.max(i, last - Math.max(4, Math.ceil(1.5 * everyS * OPTIONS.sampleHz)));
    if ((end - i) / OPTIONS.sampleHz < 0.08 || lowestOf(torque, i, end - i + 1) <= limitNm)
      continue;
    holds.push([i, end]);
    i = last;
  }
  const bends = holds.flatMap(([from, to]) => {
    const inner: number[] = [];
    for (let q = from + 1; q < to; q += 1)
      inner.push(Math.abs((torque[q - 1] ?? 0) - 2 * (torque[q] ?? 0) + (torque[q + 1] ?? 0)));
    return inner;
  });
  const torqueNoiseNm = median(bends) / (0.6745 * Math.sqrt(6));
  const drops = holds.map(([from, to]) => {
    const k = Math.min(4, (to - from) >> 1);
    const before = mean(torque.slice(from, from + k + 1));
    const after = mean(torque.slice(to - k, to + 1));
    return Math.max(0, before - after - 5 * torqueNoiseNm * Math.sqrt(2 / (k + 1))) / before;
  });
  return { torqueNoiseNm, holds: drops.length, holdDrop: Math.max(0, ...drops) };
}

/** How the torque came up to snug: a crossed thread carries torque long before the joint does. */
function beforeSnug(
  { curve, gradients: g }: TraceWork,
  joint: TraceJoint,
  steepest: number,
): Pick<TraceFeatures, 'preSpanDeg' | 'preGradientRatio' | 'preSeatTorqueRatio'> {
  // Heard from where it was tight already: what came before is not known, and not guessed.
  if ((curve.torqueNm[0] ?? 0) > joint.rundownLimitNm)
    return { preSpanDeg: 0, preGradientRatio: 1, preSeatTorqueRatio: 0 };
  const { angleDeg: x, torqueNm: y } = curve;
  const { rundownLimitNm: limit, gradientNmPerDeg: nominal, snugNm } = joint;
  const n = x.length;
  const i1 = firstIndex(n, (i) => (y[i] ?? 0) > limit && lowestOf(y, i, 10) > 0.8 * limit, n - 1);
  const i2 = firstIndex(n, (i) => (y[i] ?? 0) >= snugNm, n - 1, i1);
  const preSpanDeg = (x[i2] ?? 0) - (x[i1] ?? 0);
  const seated = firstIndex(
    n,
    (i) => (y[i] ?? 0) > 0.3 * snugNm && lowestOf(g, i, 6) >= 0.7 * Math.min(steepest, nominal),
    n,
  );
  const carried = y.slice(0, seated).filter((_, i) => (g[i] ?? 0) < 0.35 * nominal);
  return {
    preSpanDeg,
    preGradientRatio:
      ((y[i2] ?? 0) - (y[i1] ?? 0)) / Math.max(preSpanDeg, OPTIONS.cellDeg) / nominal,
    preSeatTorqueRatio: Math.max(0, ...carried) / limit,
  };
}

/** What is lost after the highest torque (over 10°) while turning on. */
function fallOf({
  curve: { angleDeg: x, torqueNm: y },
}: TraceWork): Pick<TraceFeatures, 'peakDrop' | 'dropSpanDeg'> {
  const half = Math.floor(5 / OPTIONS.cellDeg);
  const smooth = y.map((_, i) => mean(y.slice(Math.max(0, i - half), i + half + 1)));
  const peak = smooth.reduce((best, value, i) => (value > (smooth[best] ?? 0) ? i : best), 0);
  return {
    peakDrop: 1 - Math.min(...smooth.slice(peak)) / (smooth[peak] ?? 1),
    dropSpanDeg: (x.at(-1) ?? 0) - (x[peak] ?? 0),
  };
}

/** How steep it became, how abruptly, and for how long it was normal before and after. */
function kinkOf(
  findings: TraceFindings,
  { curve, gradients: g }: TraceWork,
  joint: TraceJoint,
): Pick<TraceFeatures, 'steepestRatio' | 'riseDeg' | 'normalAfterDeg' | 'normalBeforeDeg'> {
  const { angleDeg: x, torqueNm: y } = curve;
  const n = x.length;
  const steepest = findings.steepest?.gradient ?? 0;
  const fine = gradientsOf(curve, 5);
  const high = firstIndex(
    n,
    (i) => (fine[i] ?? 0) >= 0.8 * steepest && (y[i] ?? 0) > 0.3 * joint.snugNm,
    n - 1,
  );
  let low = high;
  while (low > 0 && (fine[low] ?? 0) > 0.2 * steepest) low -= 1;
  const bend = findings.yield;
  const end = bend ? firstIndex(n, (i) => (x[i] ?? 0) >= bend.atDeg - 6, n) : n;
  const top = findings.steepest
    ? firstIndex(n, (i) => (x[i] ?? 0) >= (findings.steepest?.atDeg ?? 0), 0)
    : 0;
  const within = (i: number, band: number): boolean =>
    Math.abs((g[i] ?? 0) / joint.gradientNmPerDeg - 1) < band;
  const span = (from: number, to: number, fits: (i: number) => boolean): number =>
    OPTIONS.cellDeg * x.slice(from, to).filter((_, k) => fits(from + k)).length;
  return {
    steepestRatio: steepest / joint.gradientNmPerDeg,
    // Steep from its first sample on: how abruptly it became so was not heard.
    riseDeg:
      low === 0 && (fine[0] ?? 0) > 0.2 * steepest ? Infinity : (x[high] ?? 0) - (x[low] ?? 0),
    normalAfterDeg: span(top, n, (i) => within(i, 0.35)),
    normalBeforeDeg: span(
      0,
      Math.min(top, end),
      (i) => (y[i] ?? 0) > 0.35 * joint.snugNm && within(i, 0.3),
    ),
  };
}
