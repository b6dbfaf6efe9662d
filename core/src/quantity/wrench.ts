import * as v from 'valibot';
import { AppError } from '../errors';
import { UnitSchema } from './quantitySchema';
import { convert, units, type Quantity } from './unit';

/** A wrench as the run pins it: what its scale reads, and until when it was in calibration. */
export const WrenchSchema = v.strictObject({
  id: v.pipe(v.string(), v.uuid()),
  name: v.pipe(v.string(), v.minLength(1), v.maxLength(60)),
  kind: v.picklist(['click', 'dial', 'digital']),
  unit: UnitSchema,
  min: v.pipe(v.number(), v.finite(), v.minValue(0)),
  max: v.pipe(v.number(), v.finite(), v.minValue(0)),
  graduation: v.pipe(v.number(), v.finite(), v.gtValue(0)),
  calibratedUntil: v.pipe(v.string(), v.isoDate()),
});
export type Wrench = v.InferOutput<typeof WrenchSchema>;

/** Slack for values that are equal but for floating point. */
const EQUAL = 1e-9;

/**
 * What the scale of this wrench must say for a published torque: the nearest graduation, halves up; rounding
 * may not leave the range, ends included. Straight extensions change nothing; a crowfoot is another matter.
 * Source: engineering practice, see docs/MODEL.md.
 * @throws AppError WRENCH_OUT_OF_RANGE
 * @example a wrench in lbf·in with graduation 1, for 27 N·m: 239
 */
export function wrenchSetting(wrench: Wrench, target: Quantity): Quantity {
  const exact = convert(target, wrench.unit);
  if (exact < wrench.min - EQUAL || exact > wrench.max + EQUAL) {
    const { symbol } = units[wrench.unit];
    const say = (value: number): string => `${Math.round(value * 10) / 10} ${symbol}`;
    throw new AppError('WRENCH_OUT_OF_RANGE', { wrench: wrench.name, min: say(wrench.min), max: say(wrench.max), target: say(exact) });
  }
  const steps = Math.floor(exact / wrench.graduation + 0.5 + EQUAL);
  let value = steps * wrench.graduation;
  if (value > wrench.max + EQUAL) value -= wrench.graduation;
  if (value < wrench.min - EQUAL) value += wrench.graduation;
  return { value: Number(value.toPrecision(12)), unit: wrench.unit };
}
