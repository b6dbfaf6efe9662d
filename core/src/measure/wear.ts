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
 * Which one of several alike is unlike the others: 0.6745 (x − median)/MAD, from six on. A MAD
 * below half a per cent of the median is taken as that. Noted above 2.5, strong above 3.5; among
 * six to nine above 3.5 and 5. “Look at this one again”, no verdict.
 * @param floorOf a spread below it is taken as it: what the instrument cannot tell apart; without
 * it the half per cent Source: robust statistics, thresholds defined here.
 */
export function robustZ(values: readonly number[], least = LEAST_ALIKE, floorOf?: number): RobustZ {
  const n = values.length;
  const median = medianOf(values);
  if (n < least || median === null)
    return { n, median, mad: null, method: 'tooFew', z: null, flags: null };
  const mad = medianOf(values.map((x) => Math.abs(x - median))) ?? 0;
  const floor = floorOf ?? FLOOR * Math.abs(median);
  const spread = Math.max(mad, floor);
  if (spread <= 0) return { n, median, mad, method: 'undefined', z: null, flags: null };
  const z = values.map((x) => (0.6745 * (x - median)) / spread);
  const [noted, strong] = n < FEW ? [3.5, 5] : [2.5, 3.5];
  const flag = (x: number): Outlier =>
    Math.abs(x) > strong + EQUAL ? 'strong' : Math.abs(x) > noted + EQUAL ? 'note' : 'ok';
  return {
    n,
    median,
    mad,
    method: mad < floor - EQUAL * floor ? 'floored' : 'mad',
    z,
    flags: z.map(flag),
  };
}

/** Fewer of one kind have no usual one among them. */
const LEAST_OF_KIND = 3;
/** Finer than this no hand compares lobes and shells. */
const FINEST_MM = 0.005;
/** An outlier is so many times what the instrument cannot tell apart, at least. */
const TIMES = 4;

/**
 * Which of several alike is unlike the others, kind by kind: intake lobes with intake lobes, upper
 * shells with upper shells. The spread of sound parts is at least what the instrument cannot tell
 * apart, so that a lobe 0.8 mm lower is never lost in a share of its height. Source: robustZ; floor
 * from the instrument, defined here.
 * @param rows named as `1 in`, `2 ex`: what follows the first word says the kind; in mm
 * @returns one flag a row; null where a row has too few of its kind to compare with
 */
export function unlikeOthers(
  rows: readonly { row: string; mm: number }[],
  uncertaintyMm: number,
): (Outlier | null)[] {
  const floor = Math.max(uncertaintyMm, FINEST_MM);
  const flags = new Map<number, Outlier>();
  for (const group of kindsOf(rows)) {
    const values = group.map((i) => rows[i]?.mm ?? NaN);
    const median = medianOf(values);
    const z = robustZ(values, LEAST_OF_KIND, floor);
    group.forEach((i, k) => {
      const isFar = median !== null && Math.abs((values[k] ?? NaN) - median) > TIMES * floor;
      if (z.flags) flags.set(i, isFar ? (z.flags[k] ?? 'ok') : 'ok');
    });
  }
  return rows.map((_r, i) => flags.get(i) ?? null);
}

/** Indices of the rows of one kind; a kind with too few joins all. */
function kindsOf(rows: readonly { row: string }[]): number[][] {
  const byKind = new Map<string, number[]>();
  rows.forEach(({ row }, i) => {
    const kind = row.split(/\s+/).slice(1).join(' ').toLowerCase();
    byKind.set(kind, [...(byKind.get(kind) ?? []), i]);
  });
  const kinds = [...byKind.values()];
  return kinds.every((k) => k.length >= LEAST_OF_KIND) ? kinds : [rows.map((_r, i) => i)];
}

export function medianOf(values: readonly number[]): number | null {
  const sorted = [...values].sort((a, b) => a - b);
  const [low, high] = [
    sorted[Math.floor((sorted.length - 1) / 2)],
    sorted[Math.floor(sorted.length / 2)],
  ];
  return low === undefined || high === undefined ? null : (low + high) / 2;
}
