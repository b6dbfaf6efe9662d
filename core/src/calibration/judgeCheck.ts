import { CHECK_PERCENTS, DIRECTIONS, type Direction, type WrenchCheck } from './wrenchCheck';

export const CHECK_VERDICTS = ['within', 'unsure', 'outside'] as const;
export type CheckVerdict = (typeof CHECK_VERDICTS)[number];

export interface CheckPoint {
  percent: number;
  direction: Direction;
  /** What the wrench was set to or showed, and the mean of what the reference read. */
  wrench: number;
  reference: number;
  /** (wrench − reference) / reference, percent: above 0 the bolt got less than the wrench says. */
  deviationPercent: number;
  /** Expanded, about 95 %. */
  uncertaintyPercent: number;
  verdict: CheckVerdict;
}

export interface JudgedCheck {
  points: CheckPoint[];
  verdict: CheckVerdict;
  /** The point that is furthest off. */
  worst: CheckPoint;
  /** The reference is too coarse to tell: it may be off by over a quarter of the tolerance. */
  isCoarse: boolean;
}

/** What a reference may be off, as a part of what the wrench may: ISO 6789's idea. */
const FINE_ENOUGH = 1 / 4;

/**
 * Deviation of each point with its uncertainty, and whether the wrench keeps its tolerance. Within
 * or outside only where the whole interval is (guard bands on both sides); else nobody knows.
 *
 * After the idea of ISO 6789-2 and the GUM: the reference (k = 2 from its certificate), the step of
 * the scale (half a step either way, rectangular) and the scatter of the pairs, pooled over the
 * points, in quadrature; k from Student's t for the degrees of freedom that this leaves.
 * It is not a calibration certificate.
 */
export function judgeCheck(check: WrenchCheck): JudgedCheck {
  const { tolerancePercent, reference } = check;
  const groups = DIRECTIONS.flatMap((direction) =>
    CHECK_PERCENTS.map((percent) => ({
      percent,
      direction,
      readings: check.readings.filter((r) => r.percent === percent && r.direction === direction),
    })),
  ).filter((g) => g.readings.length > 0);
  const scatter = scatterOf(groups.map((g) => g.readings.map(deviationOf)));
  const isCoarse = reference.uncertaintyPercent > tolerancePercent * FINE_ENOUGH;
  const points = groups.map(({ percent, direction, readings }): CheckPoint => {
    const deviationPercent = mean(readings.map(deviationOf));
    const read = mean(readings.map((r) => r.reference));
    const step = ((check.graduation / read) * 100) / Math.sqrt(12);
    const repeat = scatter.percent / Math.sqrt(readings.length);
    const uncertaintyPercent = expanded(
      [reference.uncertaintyPercent / 2, step],
      repeat,
      scatter.freedom,
    );
    return {
      percent,
      direction,
      wrench: mean(readings.map((r) => r.wrench)),
      reference: read,
      deviationPercent,
      uncertaintyPercent,
      verdict: isCoarse
        ? 'unsure'
        : verdictOf(Math.abs(deviationPercent), uncertaintyPercent, tolerancePercent),
    };
  });
  const verdicts = points.map((p) => p.verdict);
  return {
    points,
    verdict: verdicts.includes('outside')
      ? 'outside'
      : verdicts.includes('unsure')
        ? 'unsure'
        : 'within',
    worst: points.reduce((a, b) =>
      Math.abs(b.deviationPercent) > Math.abs(a.deviationPercent) ? b : a,
    ),
    isCoarse,
  };
}

const deviationOf = (r: { wrench: number; reference: number }): number =>
  ((r.wrench - r.reference) / r.reference) * 100;
const mean = (of: readonly number[]): number => of.reduce((a, b) => a + b, 0) / of.length;

const verdictOf = (off: number, uncertainty: number, tolerance: number): CheckVerdict =>
  off + uncertainty <= tolerance ? 'within' : off - uncertainty > tolerance ? 'outside' : 'unsure';

/** Standard deviation of one reading, pooled over the points: two readings alone say little. */
function scatterOf(groups: readonly (readonly number[])[]): { percent: number; freedom: number } {
  const squares = groups.flatMap((of) => of.map((x) => (x - mean(of)) ** 2));
  const freedom = squares.length - groups.length;
  return { percent: Math.sqrt(squares.reduce((a, b) => a + b, 0) / freedom), freedom };
}

/** Welch–Satterthwaite: what is known well adds nothing to the doubt about the scatter. */
function expanded(known: readonly number[], repeat: number, freedom: number): number {
  const variance = known.reduce((sum, u) => sum + u * u, repeat * repeat);
  const effective = repeat > 0 ? (variance ** 2 / repeat ** 4) * freedom : Infinity;
  return coverage(effective) * Math.sqrt(variance);
}

/** Student's t for 95.45 %, by degrees of freedom: table G.2 of the GUM. */
const COVERAGE: readonly (readonly [freedom: number, k: number])[] = [
  [100, 2.025],
  [50, 2.05],
  [20, 2.13],
  [15, 2.18],
  [12, 2.23],
  [10, 2.28],
  [8, 2.37],
  [7, 2.43],
  [6, 2.52],
  [5, 2.65],
  [4, 2.87],
  [3, 3.31],
];
const coverage = (freedom: number): number =>
  freedom > 1000 ? 2 : (COVERAGE.find(([from]) => freedom >= from)?.[1] ?? 4.53);
