import { angleSteps, meanOfFive, medianOfThree, resample } from './angleSteps';
import { curveOf, gradientsOf, type Curve } from './curve';
import { forwardOnly, type Forward } from './forward';
import { firstIndex, line, lowestOf, median } from './numbers';
import { OPTIONS } from './options';
import type { Samples, TraceJoint } from './trace';

/** What was found in one pull. Degrees of the joint, N·m, N·m for each degree. */
export interface TraceFindings {
  steps: { timeS: number; sizeDeg: number }[];
  maxTorqueNm: number;
  finalTorqueNm: number;
  /** Steepest place, and where: left out when the torque never reached half of snug. */
  steepest?: { gradient: number; atDeg: number };
  /** One line over the elastic part, and where it meets no torque. */
  elastic?: { gradient: number; zeroDeg: number };
  snug?: { atDeg: number; angleFromSnugDeg: number; energyJ: number };
  yield?: { atDeg: number; torqueNm: number; fromZeroDeg: number };
}

/** What the analysis worked on, for the rules and the drawing. */
export interface TraceWork {
  /** How far apart the wrench's own samples lie. */
  everyS: number;
  /** So many times farther apart they lie on average: 1 where none was left out. */
  thinned: number;
  torque: number[];
  angle: number[];
  forward: Forward[];
  curve: Curve;
  gradients: number[];
}

/**
 * Finds snug, the elastic line and yield in a torque-angle trace: even samples, angle steps and
 * back-swings taken out, the tool's twist taken off, torque over the joint's angle, slopes over
 * 12°. Derived for this project; see docs/MODEL.md, where its error rates on simulated pulls stand.
 * It explains a curve and never proves a clamp force.
 */
export function analyseTrace(
  samples: Samples,
  joint: TraceJoint,
): { findings: TraceFindings; work: TraceWork } {
  const even = resample(samples);
  const torque = medianOfThree(even.torque);
  const everyS = usualStepS(samples);
  const meanS = ((samples.tS.at(-1) ?? 0) - (samples.tS[0] ?? 0)) / (samples.tS.length - 1);
  const { steps, repaired } = angleSteps(torque, even.angle, joint, everyS);
  const angle = meanOfFive(repaired);
  const forward = forwardOnly(torque, angle, joint);
  const curve = fromTheGrip(curveOf(forward), joint);
  const gradients = gradientsOf(curve);
  const findings: TraceFindings = {
    steps: steps.map((s) => ({ timeS: s.index / OPTIONS.sampleHz, sizeDeg: s.sizeDeg })),
    maxTorqueNm: Math.max(...curve.torqueNm),
    finalTorqueNm: median(curve.torqueNm.slice(-5)),
    ...onCurve(curve, gradients, joint),
  };
  return {
    findings,
    work: {
      everyS,
      thinned: Math.max(1, meanS / everyS),
      torque,
      angle,
      forward,
      curve,
      gradients,
    },
  };
}

/**
 * A fastener that is tight already is gripped first: the wrench winds up, or is in a back-swing,
 * and the torque rises while nothing turns. That rise is no slope of the joint, and is left out.
 */
function fromTheGrip(curve: Curve, { rundownLimitNm }: TraceJoint): Curve {
  const { angleDeg, torqueNm } = curve;
  const cells = OPTIONS.gripDeg / OPTIONS.cellDeg;
  const loaded = torqueNm.findIndex((t) => t > rundownLimitNm);
  const isRunDown = loaded < 0 || loaded * OPTIONS.cellDeg > OPTIONS.runDownDeg;
  if (isRunDown || angleDeg.length < loaded + 4 * cells) return curve;
  const from = loaded + cells;
  return { angleDeg: angleDeg.slice(from), torqueNm: torqueNm.slice(from) };
}

/** How far apart its samples usually lie; a thinned trace has some far apart and is not slower. */
function usualStepS({ tS }: Samples): number {
  const gaps = tS.slice(1).map((t, i) => t - (tS[i] ?? 0));
  gaps.sort((a, b) => a - b);
  return Math.min(0.1, Math.max(0.001, gaps[Math.floor(gaps.length * 0.1)] ?? 0));
}

function onCurve(
  { angleDeg: x, torqueNm: y }: Curve,
  g: readonly number[],
  joint: TraceJoint,
): Partial<TraceFindings> {
  const loaded = x.flatMap((_, i) => ((y[i] ?? 0) >= 0.5 * joint.snugNm ? [i] : []));
  const [first] = loaded;
  if (first === undefined) return {};
  const at = loaded.reduce((best, i) => ((g[i] ?? 0) > (g[best] ?? 0) ? i : best), first);
  const gradient = g[at] ?? 0;
  const atDeg = x[at] ?? 0;
  const bent = yieldAt(x, g, at);
  const isElastic = loaded.filter((i) => i < (bent ?? x.length) && (g[i] ?? 0) >= 0.8 * gradient);
  const along =
    isElastic.length >= 6
      ? line(
          isElastic.map((i) => x[i] ?? 0),
          isElastic.map((i) => y[i] ?? 0),
        )
      : null;
  const elastic =
    along && along.slope > 0
      ? { gradient: along.slope, zeroDeg: along.meanX - along.meanY / along.slope }
      : { gradient, zeroDeg: gradient > 0 ? atDeg - (y[at] ?? 0) / gradient : atDeg };
  const snug = snugAt(x, y, joint.snugNm);
  return {
    steepest: { gradient, atDeg },
    elastic,
    ...(snug ? { snug } : {}),
    ...(bent === null
      ? {}
      : {
          yield: {
            atDeg: x[bent] ?? 0,
            torqueNm: y[bent] ?? 0,
            fromZeroDeg: (x[bent] ?? 0) - elastic.zeroDeg,
          },
        }),
  };
}

/** Snug: the first torque at or above it that stays at 0.9 of it for 3°. */
function snugAt(
  x: readonly number[],
  y: readonly number[],
  snugNm: number,
): TraceFindings['snug'] | null {
  const i = firstIndex(
    x.length,
    (k) => (y[k] ?? 0) >= snugNm && lowestOf(y, k, 6) >= 0.9 * snugNm,
    -1,
  );
  if (i < 0) return null;
  const [before, here] = [y[i - 1] ?? 0, y[i] ?? 0];
  const share =
    i === 0 || here === before ? 0 : Math.min(1, Math.max(0, (snugNm - before) / (here - before)));
  const atDeg = (x[Math.max(0, i - 1)] ?? 0) + OPTIONS.cellDeg * share;
  let energyJ = 0;
  for (let k = Math.max(i, 1); k < x.length; k += 1)
    energyJ += 0.5 * ((y[k] ?? 0) + (y[k - 1] ?? 0)) * OPTIONS.cellDeg;
  return { atDeg, angleFromSnugDeg: (x.at(-1) ?? 0) - atDeg, energyJ: (energyJ * Math.PI) / 180 };
}

/** Where the slope fell below half of the steepest and stayed below 0.65 of it for 6°. */
function yieldAt(x: readonly number[], g: readonly number[], from: number): number | null {
  const steepest = g[from] ?? 0;
  let began: number | null = null;
  for (let i = from; i < x.length; i += 1) {
    const here = g[i] ?? 0;
    if (began === null) {
      if (here < OPTIONS.yieldOn * steepest) began = i;
    } else if (here > OPTIONS.yieldOff * steepest) began = null;
    else if ((x[i] ?? 0) - (x[began] ?? 0) >= OPTIONS.yieldHoldDeg) return began;
  }
  return null;
}
