import { mean, median } from './numbers';
import { OPTIONS } from './options';
import type { Samples, TraceJoint } from './trace';

/** Straight between samples, at an even 100 Hz. */
export function resample({ tS, torqueNm, angleDeg }: Samples): {
  torque: number[];
  angle: number[];
} {
  const t0 = tS[0] ?? 0;
  const n = Math.floor(((tS.at(-1) ?? 0) - t0) * OPTIONS.sampleHz + 1e-6) + 1;
  const torque: number[] = [];
  const angle: number[] = [];
  let j = 0;
  for (let i = 0; i < n; i += 1) {
    const x = t0 + i / OPTIONS.sampleHz;
    while (j < tS.length - 2 && (tS[j + 1] ?? 0) <= x) j += 1;
    const [a, b] = [tS[j] ?? 0, tS[j + 1] ?? 0];
    const f = Math.min(1, Math.max(0, (x - a) / (b - a)));
    const between = (values: readonly number[]): number =>
      (values[j] ?? 0) + f * ((values[j + 1] ?? 0) - (values[j] ?? 0));
    torque.push(between(torqueNm));
    angle.push(between(angleDeg));
  }
  return { torque, angle };
}

/** Spikes of one sample do not count. */
export const medianOfThree = (values: readonly number[]): number[] =>
  values.map((_, i) => median(values.slice(Math.max(0, i - 1), i + 2)));
export const meanOfFive = (values: readonly number[]): number[] =>
  values.map((_, i) => mean(values.slice(Math.max(0, i - 2), i + 3)));

/** How fast a hand speeds up, as far as it looks like a step. Chosen on made-up pulls. */
const SLOW_DEG_PER_S = 70;

export interface AngleStep {
  index: number;
  sizeDeg: number;
}

/**
 * Steps of the angle under torque that the torque does not follow: the gauge slipped. Over 30 ms,
 * at least 5° beyond the faster of the speeds before and after, all torques above half of snug, the
 * torque moving less than 0.35 of what the tool's spring would say. @returns the steps, and the
 * angle without them
 */
export function angleSteps(
  torque: readonly number[],
  angle: readonly number[],
  joint: TraceJoint,
  everyS = 1 / OPTIONS.sampleHz,
): { steps: AngleStep[]; repaired: number[] } {
  const windowS = Math.max(OPTIONS.stepWindowS, everyS + 1 / OPTIONS.sampleHz);
  const d = Math.max(1, Math.round(windowS * OPTIONS.sampleHz));
  const n = angle.length;
  const at = (i: number): number => angle[i] ?? 0;
  // A slow wrench shows a stroke in few samples: what lies between two of them is no step yet.
  const around = Math.max(8, Math.round(2 * everyS * OPTIONS.sampleHz));
  const leastDeg = OPTIONS.stepMinDeg + SLOW_DEG_PER_S * Math.max(0, everyS - 1 / OPTIONS.sampleHz);
  const speed = (from: number, to: number): number =>
    median(
      Array.from({ length: Math.max(0, to - from) }, (_, q) => at(from + q + 1) - at(from + q)),
    );
  const steps: AngleStep[] = [];
  for (let i = 15; i < n - d - 1; i += 1) {
    if (Math.min(...torque.slice(i - 1, i + d + 2)) <= 0.5 * joint.snugNm) continue;
    const before = speed(Math.max(0, i - around), i);
    const after = i + d < n - 1 ? speed(i + d, Math.min(n - 1, i + d + around)) : 0;
    const moved = at(i + d) - at(i);
    const usual = moved > 0 ? Math.max(before, after, 0) : Math.min(before, after, 0);
    const jump = moved - usual * d;
    const followed =
      Math.abs((torque[i + d] ?? 0) - (torque[i] ?? 0)) >=
      OPTIONS.stepTorqueRatio * joint.toolStiffnessNmPerDeg * Math.abs(jump);
    if (Math.abs(jump) < leastDeg || jump * moved <= 0 || followed) continue;
    const beyond = (q: number): number => at(q + d) - at(q) - usual * d;
    let best = i;
    for (let q = i + 1; q < Math.min(i + d + 1, n - d); q += 1)
      if (Math.abs(beyond(q)) > Math.abs(beyond(best))) best = q;
    steps.push({ index: best, sizeDeg: beyond(best) });
    i = best + d + 1;
  }
  const repaired = [...angle];
  for (const { index, sizeDeg } of steps) {
    for (let m = index + 1; m < n; m += 1)
      repaired[m] = (repaired[m] ?? 0) - sizeDeg * Math.min(1, (m - index) / d);
  }
  return { steps, repaired };
}
