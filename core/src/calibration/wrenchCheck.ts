import * as v from 'valibot';
import { convert, UnitSchema, type Wrench } from '../quantity';
import { DaySchema, finite, textOf } from '../schema/text';

/** Points of a check, percent of the highest value on the scale: those of ISO 6789. */
export const CHECK_PERCENTS = [20, 60, 100] as const;
export const DIRECTIONS = ['right', 'left'] as const;
export type Direction = (typeof DIRECTIONS)[number];
/** Readings of each point in each direction. */
export const READINGS_EACH = 2;

const torque = v.pipe(finite, v.gtValue(0), v.maxValue(100_000));
const ReadingSchema = v.strictObject({
  percent: v.picklist(CHECK_PERCENTS),
  direction: v.picklist(DIRECTIONS),
  /** What the wrench was set to or showed, in its own unit. */
  wrench: torque,
  /** What the reference read then, in the same unit. */
  reference: torque,
});
export type CheckReading = v.InferOutput<typeof ReadingSchema>;

/**
 * One check of a torque wrench against a reference, with all that its verdict follows from: a scale
 * that is entered anew later does not change it.
 */
export const WrenchCheckSchema = v.pipe(
  v.strictObject({
    day: DaySchema,
    unit: UnitSchema,
    max: torque,
    graduation: torque,
    /** How far it may be off, percent. */
    tolerancePercent: v.pipe(finite, v.gtValue(0), v.maxValue(30)),
    reference: v.strictObject({
      name: textOf(80),
      /** Its expanded uncertainty (k = 2) from its certificate, percent. */
      uncertaintyPercent: v.pipe(finite, v.gtValue(0), v.maxValue(10)),
    }),
    readings: v.pipe(v.array(ReadingSchema), v.maxLength(12)),
  }),
  v.check(
    ({ readings }) => isWhole(readings),
    'two readings at each point, to the right or both ways',
  ),
);
export type WrenchCheck = v.InferOutput<typeof WrenchCheckSchema>;

function isWhole(readings: readonly CheckReading[]): boolean {
  const count = (percent: number, direction: Direction): number =>
    readings.filter((r) => r.percent === percent && r.direction === direction).length;
  const isFull = (direction: Direction): boolean =>
    CHECK_PERCENTS.every((p) => count(p, direction) === READINGS_EACH);
  return isFull('right') && (isFull('left') || !readings.some((r) => r.direction === 'left'));
}

/**
 * What a wrench may be off where nothing is stated on it: 6 % up to 10 N·m, 4 % above. After ISO
 * 6789 as practised.
 */
export const usualTolerance = ({ max, unit }: Pick<Wrench, 'max' | 'unit'>): number =>
  convert({ value: max, unit }, 'N.m') <= 10 ? 6 : 4;

/**
 * What the wrench is set to at each point: on its scale, not below its lowest value.
 * @returns percent and value in the wrench's unit
 */
export function checkPoints({ min, max, graduation }: Pick<Wrench, 'min' | 'max' | 'graduation'>): {
  percent: (typeof CHECK_PERCENTS)[number];
  value: number;
}[] {
  return CHECK_PERCENTS.map((percent) => {
    const wanted = Math.max(min, (max * percent) / 100);
    const steps = Math.round(wanted / graduation - 1e-9);
    const value = Number((steps * graduation).toFixed(6));
    return { percent, value: Math.min(max, Math.max(value, min)) };
  });
}

/** Months until the next check, where the shop says nothing else: ISO 6789. */
export const MONTHS_BETWEEN = 12;
/** Pulls until the next check, whichever comes first: ISO 6789. */
export const PULLS_BETWEEN = 5000;

/** The same day so many months later; the last of the month where it has no such day. */
export function dueAfter(day: string, months = MONTHS_BETWEEN): string {
  const [year = 0, month = 1, date = 1] = day.split('-').map(Number);
  const last = new Date(Date.UTC(year, month - 1 + months + 1, 0)).getUTCDate();
  return new Date(Date.UTC(year, month - 1 + months, Math.min(date, last)))
    .toISOString()
    .slice(0, 10);
}
