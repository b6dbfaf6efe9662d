import { AppError } from '@stennet/core/errors';
import {
  implausible,
  judgeMeasured,
  measureKinds,
  readingsOf,
  type Judged,
  type Measured,
  type MeasureKindId,
} from '@stennet/core/measure';
import type { DrawnRow } from '@stennet/core/drawing';
import { convert, parseQuantity } from '@stennet/core/quantity';

/** What is typed while measuring, as it is typed: kept on the device until it is saved. */
export interface MeasureForm {
  id: string;
  what: MeasureKindId | null;
  of: string;
  instrument: string;
  unit: Measured['unit'];
  uncertainty: string;
  limits: Record<string, string>;
  strip: [string, string][];
  rows: { row: string; values: string[] }[];
  current: number;
  confirmed: boolean;
  then: string;
  mend: string;
  replace: string;
  note: string;
}

export type Put = (change: Partial<MeasureForm>) => void;

export const emptyForm = (id: string): MeasureForm => ({
  id,
  what: null,
  of: '',
  instrument: '',
  unit: 'mm',
  uncertainty: '0.01',
  limits: {},
  strip: [
    ['', ''],
    ['', ''],
    ['', ''],
  ],
  rows: [],
  current: 0,
  confirmed: false,
  then: '',
  mend: '',
  replace: '',
  note: '',
});

export interface Reading {
  /** null: nothing stands there. */
  value: number | null;
  problem?: string;
}

/** A number with or without its unit; what is none says so and counts as not measured. */
export function read(typed: string, unit: Measured['unit']): Reading {
  if (typed.trim() === '') return { value: null };
  try {
    return { value: parseQuantity(typed, unit).value };
  } catch (error) {
    if (!(error instanceof AppError)) throw error;
    return { value: null, problem: error.message };
  }
}

export interface Measuring {
  measured: Measured | null;
  judged: Judged | null;
  /** Rows that hold something that cannot be right. */
  odd: string[];
}

/** What the typed values come to. Pure: the same form gives the same result. */
export function measuringOf(form: MeasureForm): Measuring {
  if (!form.what) return { measured: null, judged: null, odd: [] };
  const kind = measureKinds[form.what];
  const value = (typed: string): number | null => read(typed, form.unit).value;
  const limits = Object.fromEntries(
    kind.limits.flatMap((l) => {
      const v = value(form.limits[l.key] ?? '');
      return v === null ? [] : [[l.key, v] as const];
    }),
  );
  const rows = form.rows.map(({ row, values }) => ({
    row,
    values: kind.columns.map((_c, i) => value(values[i] ?? '')),
  }));
  const marks = form.strip.flatMap(([w, c]): [number, number][] => {
    const [width, clearance] = [value(w), value(c)];
    return width === null || clearance === null ? [] : [[width, clearance]];
  });
  const measured: Measured = {
    what: form.what,
    unit: form.unit,
    uncertainty: value(form.uncertainty) ?? 0,
    limits,
    rows,
    ...(form.what === 'strip' ? { strip: marks } : {}),
  };
  const odd = [
    ...new Set(implausible(kind, readingsOf(measured).rows).map((o) => rows[o.row]?.row ?? '')),
  ];
  return { measured, judged: judgedOf(measured), odd };
}

function judgedOf(measured: Measured): Judged | null {
  try {
    return judgeMeasured(measured);
  } catch (error) {
    if (error instanceof AppError) return null;
    throw error;
  }
}

/** What the drawing shows of each place: of leaves their mean, of two sides too. */
export function drawnRows(form: MeasureForm, judged: Judged | null): DrawnRow[] {
  const skip = form.what === 'flatness' || form.what === 'warp' ? 1 : 0;
  return form.rows.map(({ row, values }) => {
    const numbers = values.slice(skip).flatMap((v) => read(v, form.unit).value ?? []);
    const mean = numbers.length > 0 ? numbers.reduce((s, n) => s + n, 0) / numbers.length : null;
    return {
      row,
      mm: mean === null ? null : convert({ value: mean, unit: form.unit }, 'mm'),
      verdict: judged?.found.find((f) => f.what === row)?.verdict ?? null,
    };
  });
}
