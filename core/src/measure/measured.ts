import { convert } from '../quantity';
import { measureKinds } from './kinds';
import type { Judged, Readings } from './kind';
import type { MeasureKindId } from './names';
import type { StripTable } from './strip';

/**
 * A measurement as it is on a repair order: raw readings as they were typed, in the unit they
 * were typed in.
 */
export interface Measured {
  what: MeasureKindId;
  unit: 'mm' | '[in_i]';
  uncertainty: number;
  limits: Readonly<Record<string, number>>;
  rows: readonly { row: string; values: readonly (number | null)[] }[];
  strip?: readonly (readonly [number, number])[] | undefined;
}

/** In millimetres, each value turned once from what was typed. */
export function readingsOf({ unit, uncertainty, limits, rows, strip }: Measured): Readings {
  const mm = (value: number): number => convert({ value, unit }, 'mm');
  return {
    rows: rows.map(({ row, values }) => ({
      row,
      values: values.map((v) => (v === null ? null : mm(v))),
    })),
    limits: Object.fromEntries(Object.entries(limits).map(([key, value]) => [key, mm(value)])),
    uncertaintyMm: mm(uncertainty),
    ...(strip ? { strip: strip.map(([w, c]) => [mm(w), mm(c)] as const) as StripTable } : {}),
  };
}

/**
 * The verdict over raw readings; what is out of limits is out at once, within them only once every
 * place is in; the same here and wherever it is looked at again.
 * @throws AppError MEASUREMENTS_NEEDED where a limit or too many readings are missing, STRIP_TABLE
 */
export function judgeMeasured(m: Measured): Judged {
  const kind = measureKinds[m.what];
  const judged = kind.judge(readingsOf(m));
  const missing = kind.needsAll
    ? m.rows.filter(
        (r) => r.values.length < kind.columns.length || r.values.some((v) => v === null),
      ).length
    : 0;
  if (missing === 0) return judged;
  return {
    ...judged,
    missing,
    soFar: judged.verdict,
    verdict: judged.verdict === 'pass' ? 'marginal' : judged.verdict,
  };
}
