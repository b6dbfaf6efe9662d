import * as v from 'valibot';
import { finite, KeySchema, textOf } from '../schema/text';
import { MEASURE_KINDS } from './names';

/** Raw readings as they were typed, in their unit, with what they were taken by. */
export const measuredFields = {
  what: v.picklist(MEASURE_KINDS),
  instrument: textOf(80),
  unit: v.picklist(['mm', '[in_i]']),
  uncertainty: v.pipe(finite, v.minValue(0)),
  limits: v.record(KeySchema, finite),
  rows: v.pipe(
    v.array(
      v.strictObject({
        row: textOf(40),
        values: v.pipe(v.array(v.nullable(finite)), v.maxLength(6)),
      }),
    ),
    v.minLength(1),
    v.maxLength(80),
  ),
  strip: v.optional(
    v.pipe(v.array(v.strictTuple([finite, finite])), v.minLength(2), v.maxLength(12)),
  ),
};
export const MeasuredSchema = v.strictObject(measuredFields);
