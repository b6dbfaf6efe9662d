import { parseQuantity, type Quantity, type UnitCode } from '@stennet/core/quantity';

/** A typed torque, in the shop's unit unless it names its own; undefined when it is no torque. */
export function readTorque(typed: string, unit: UnitCode): Quantity | undefined {
  if (!typed.trim()) return undefined;
  try {
    const read = parseQuantity(typed, unit);
    return read.value > 0 ? read : undefined;
  } catch {
    return undefined;
  }
}

/** A length in millimeters; inches are converted. */
export function readLength(typed: string): number | undefined {
  if (!typed.trim()) return undefined;
  try {
    const { value } = parseQuantity(typed, 'mm');
    return value > 0 ? value : undefined;
  } catch {
    return undefined;
  }
}
