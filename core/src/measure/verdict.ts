/**
 * What a measured value says of its limit when the instrument's own uncertainty is not forgotten.
 */
export type Verdict = 'pass' | 'marginal' | 'fail';
const EQUAL = 1e-9;

/**
 * pass when value + u is within the limit, fail when value − u is beyond it, else marginal: measure
 * again, or with a better instrument. Defined here, from engineering practice.
 * @param limit the largest that is allowed; both in the same unit
 */
export function guarded(value: number, uncertainty: number, limit: number): Verdict {
  if (value + uncertainty <= limit + EQUAL) return 'pass';
  return value - uncertainty > limit + EQUAL ? 'fail' : 'marginal';
}

/** The same for a band with two ends. */
export function guardedBand(
  value: number,
  uncertainty: number,
  least: number,
  most: number,
): Verdict {
  return worst([guarded(value, uncertainty, most), guarded(-value, uncertainty, -least)]);
}

const RANK: Record<Verdict, number> = { pass: 0, marginal: 1, fail: 2 };
/** One bad verdict is not made good by others. */
export const worst = (verdicts: readonly Verdict[]): Verdict =>
  verdicts.reduce<Verdict>((bad, v) => (RANK[v] > RANK[bad] ? v : bad), 'pass');
