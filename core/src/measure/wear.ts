const EQUAL = 1e-9;
/** Fewer say nothing of what is usual among them. */
export const LEAST_ALIKE = 6;
const FEW = 10;
const FLOOR = 0.005;

export type Outlier = 'ok' | 'note' | 'strong';

export interface RobustZ {
  n: number;
  median: number | null;
  /** Median of the distances from the median. */
  mad: number | null;
  method: 'mad' | 'floored' | 'tooFew' | 'undefined';
  z: number[] | null;
  flags: Outlier[] | null;
}

/**
 * Which one of several alike is unlike the others: 0.6745 (x − median)/MAD, from six on. A MAD below half a per cent of the median
 * is taken as that. Noted above 2.5, strong above 3.5; among six to nine above 3.5 and 5. “Look at this one again”, no verdict.
 * Source: robust statistics, thresholds defined here.
 */
export function robustZ(values: readonly number[], least = LEAST_ALIKE): RobustZ {
  const n = values.length;
  const median = medianOf(values);
  if (n < least || median === null) return { n, median, mad: null, method: 'tooFew', z: null, flags: null };
  const mad = medianOf(values.map((x) => Math.abs(x - median))) ?? 0;
  const floor = FLOOR * Math.abs(median);
  const spread = Math.max(mad, floor);
  if (spread <= 0) return { n, median, mad, method: 'undefined', z: null, flags: null };
  const z = values.map((x) => (0.6745 * (x - median)) / spread);
  const [noted, strong] = n < FEW ? [3.5, 5] : [2.5, 3.5];
  const flag = (x: number): Outlier => (Math.abs(x) > strong + EQUAL ? 'strong' : Math.abs(x) > noted + EQUAL ? 'note' : 'ok');
  return { n, median, mad, method: mad < floor - EQUAL * floor ? 'floored' : 'mad', z, flags: z.map(flag) };
}

export function medianOf(values: readonly number[]): number | null {
  const sorted = [...values].sort((a, b) => a - b);
  const [low, high] = [sorted[Math.floor((sorted.length - 1) / 2)], sorted[Math.floor(sorted.length / 2)]];
  return low === undefined || high === undefined ? null : (low + high) / 2;
}
