import { AppError } from '../errors';
import type { MeasureKindId } from './names';
import type { StripTable } from './strip';
import type { Verdict } from './verdict';

/** All in mm: typed values are turned into it once. */
export interface Readings {
  /** Rows in the order measured; `row` names the place, values by column; null is not measured. */
  rows: readonly { row: string; values: readonly (number | null)[] }[];
  limits: Readonly<Record<string, number>>;
  uncertaintyMm: number;
  /** Printed on the gauge strip's bag. */
  strip?: StripTable | undefined;
}

/** One line of the result. */
export interface Found {
  what: string;
  mm: number | null;
  verdict: Verdict | null;
  note?: string;
}
export interface Judged {
  verdict: Verdict;
  found: Found[];
  /** Places that are not measured yet: until they are, nothing is within limits. */
  missing?: number;
  /** With places missing: what those that are measured say. */
  soFar?: Verdict;
}

export interface MeasureKind {
  id: MeasureKindId;
  title: string;
  columns: readonly string[];
  rows: readonly string[];
  limits: readonly { key: string; label: string }[];
  /** What a value in mm may plausibly be. */
  plausible: readonly [number, number];
  judge: (r: Readings) => Judged;
  /** A face is as flat as its worst place: all of them, before it is within limits. */
  needsAll?: boolean;
}

export const isNumber = (x: number | null): x is number => x !== null;
export const limit = (r: Readings, key: string): number => {
  const value = r.limits[key];
  if (value === undefined) throw new AppError('MEASUREMENTS_NEEDED', { count: 1 });
  return value;
};
/** Rows that are wholly measured; at least so many. */
export function whole(r: Readings, least: number): { row: string; values: number[] }[] {
  const rows = r.rows.flatMap(({ row, values }) =>
    values.length > 0 && values.every(isNumber) ? [{ row, values: values.filter(isNumber) }] : [],
  );
  if (rows.length < least) throw new AppError('MEASUREMENTS_NEEDED', { count: least });
  return rows;
}
export const at = (values: readonly number[], i: number): number => values[i] ?? NaN;
