import * as v from 'valibot';
import { UNIT_CODES } from './unit';

export const UnitSchema = v.picklist(UNIT_CODES);
export const QuantitySchema = v.strictObject({
  value: v.pipe(v.number(), v.finite()),
  unit: UnitSchema,
});
