import { AppError } from '../errors';

/**
 * What is printed on the gauge strip's bag: width of the flattened strip, and the clearance it
 * stands for. In mm.
 */
export type StripTable = readonly (readonly [widthMm: number, clearanceMm: number])[];

export interface StripReading {
  clearanceMm: number;
  /** Beyond the printed marks only a bound is known. */
  flag: 'inside' | 'looser' | 'tighter';
}

/**
 * Bearing clearance from a flattened gauge strip: straight lines between the printed marks, the end
 * value outside them.
 * @throws AppError STRIP_TABLE when the marks do not get narrower with every wider clearance
 */
export function stripClearance(table: StripTable, widthMm: number): StripReading {
  const marks = [...table].sort((a, b) => a[0] - b[0]);
  const isMonotone =
    marks.length >= 2 &&
    marks.every(
      ([w, c], i) => i === 0 || (w > (marks[i - 1]?.[0] ?? w) && c < (marks[i - 1]?.[1] ?? c)),
    );
  const [first, last] = [marks[0], marks.at(-1)];
  if (!isMonotone || !first || !last) throw new AppError('STRIP_TABLE');
  // A narrow strip was hardly pressed: the bearing is looser than the table goes.
  if (widthMm < first[0]) return { clearanceMm: first[1], flag: 'looser' };
  if (widthMm > last[0]) return { clearanceMm: last[1], flag: 'tighter' };
  const above = Math.max(
    1,
    marks.findIndex(([w]) => w >= widthMm),
  );
  const [a, b] = [marks[above - 1] ?? first, marks[above] ?? last];
  return { clearanceMm: a[1] + ((b[1] - a[1]) * (widthMm - a[0])) / (b[0] - a[0]), flag: 'inside' };
}

export interface StripTaper {
  aMm: number;
  bMm: number;
  differenceMm: number;
  reliable: boolean;
}

/** The strip read at both its ends: a journal that is conical. */
export function stripTaper(table: StripTable, widthAMm: number, widthBMm: number): StripTaper {
  const [a, b] = [stripClearance(table, widthAMm), stripClearance(table, widthBMm)];
  return {
    aMm: a.clearanceMm,
    bMm: b.clearanceMm,
    differenceMm: Math.abs(a.clearanceMm - b.clearanceMm),
    reliable: a.flag === 'inside' && b.flag === 'inside',
  };
}
