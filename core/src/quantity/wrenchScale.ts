import * as v from 'valibot';
import { AppError } from '../errors';
import { leverFactor } from './lever';
import { UnitSchema } from './quantitySchema';
import { convert, units, type Quantity } from './unit';

export const DRIVES = ['1/4', '3/8', '1/2', '3/4', '1'] as const;
export const DriveSchema = v.picklist(DRIVES);
const name = v.pipe(v.string(), v.minLength(1), v.maxLength(60));
const positive = v.pipe(v.number(), v.finite(), v.gtValue(0));

/** A crowfoot or offset piece on the wrench, as the run pins it. */
export const AdapterSchema = v.strictObject({
  tool: v.pipe(v.string(), v.uuid()),
  name,
  offsetMm: positive,
  angleDeg: v.pipe(v.number(), v.finite(), v.minValue(0), v.maxValue(180)),
});
export type Adapter = v.InferOutput<typeof AdapterSchema>;

/** A wrench as the run pins it: what its scale reads, and until when it was in calibration. */
export const WrenchSchema = v.strictObject({
  id: v.pipe(v.string(), v.uuid()),
  name,
  kind: v.picklist(['click', 'dial', 'digital']),
  unit: UnitSchema,
  min: v.pipe(v.number(), v.finite(), v.minValue(0)),
  max: v.pipe(v.number(), v.finite(), v.minValue(0)),
  graduation: positive,
  calibratedUntil: v.pipe(v.string(), v.isoDate()),
  tolerancePercent: v.optional(positive),
  drive: v.optional(DriveSchema),
  /** Drive square to the middle of the grip. */
  lengthMm: v.optional(positive),
  adapter: v.optional(AdapterSchema),
});
export type Wrench = v.InferOutput<typeof WrenchSchema>;

/** Slack for values that are equal but for floating point. */
const EQUAL = 1e-9;

/**
 * What the scale of a wrench says over what the bolt gets: 1 without an adapter.
 * @throws AppError LEVER_UNKNOWN where the wrench's length is not known, NO_LEVER
 */
export function scaleFactor({ name: wrench, lengthMm, adapter }: Wrench): number {
  if (!adapter) return 1;
  if (lengthMm === undefined) throw new AppError('LEVER_UNKNOWN', { wrench });
  return leverFactor({ lengthMm, offsetMm: adapter.offsetMm, angleDeg: adapter.angleDeg });
}

/**
 * What the scale of this wrench must say for a published torque, its adapter included: the
 * nearest graduation, halves up; rounding may not leave the range, ends included. Straight
 * extensions change nothing. Source: engineering practice, see docs/MODEL.md.
 * @throws AppError WRENCH_OUT_OF_RANGE, LEVER_UNKNOWN, NO_LEVER
 * @example a wrench in lbf·in with graduation 1, for 27 N·m: 239
 */
export function wrenchSetting(wrench: Wrench, target: Quantity): Quantity {
  const exact = convert(target, wrench.unit) * scaleFactor(wrench);
  if (exact < wrench.min - EQUAL || exact > wrench.max + EQUAL) {
    const { symbol } = units[wrench.unit];
    const say = (value: number): string => `${Number(value.toFixed(2))} ${symbol}`;
    throw new AppError('WRENCH_OUT_OF_RANGE', {
      wrench: wrench.name,
      min: say(wrench.min),
      max: say(wrench.max),
      target: say(exact),
    });
  }
  const steps = Math.floor(exact / wrench.graduation + 0.5 + EQUAL);
  let value = steps * wrench.graduation;
  if (value > wrench.max + EQUAL) value -= wrench.graduation;
  if (value < wrench.min - EQUAL) value += wrench.graduation;
  return { value: Number(value.toPrecision(12)), unit: wrench.unit };
}

/** What the bolt got when the scale said this: the other way round. */
export function boltTorque(wrench: Wrench, reading: Quantity): Quantity {
  return wrench.adapter
    ? { value: reading.value / scaleFactor(wrench), unit: reading.unit }
    : reading;
}
