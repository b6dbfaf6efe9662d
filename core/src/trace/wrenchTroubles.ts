import { convert, units, type Quantity } from '../quantity';
import type { WrenchHello, WrenchState } from './wrenchStream';

/** Percent of its battery from which on it is said. */
export const LOW_BATTERY = 15;
export type WrenchTrouble = 'inReach' | 'zeroing' | 'range' | 'unit' | 'battery';

/**
 * What is wrong with a wrench for the fastener that is due, the worst first. With anything but a
 * low battery nothing is saved by itself.
 * @param target a torque, an angle or nothing published
 */
export function wrenchTroubles(
  { inReach, zeroing, unit, battery }: WrenchState,
  range: WrenchHello['range'],
  target: Quantity | null,
): WrenchTrouble[] {
  const isTorque = target !== null && units[target.unit].kind === 'torque';
  const isOutside = isTorque && range !== undefined && !isWithin(range, convert(target, 'N.m'));
  return [
    ...(inReach === false ? (['inReach'] as const) : []),
    ...(zeroing ? (['zeroing'] as const) : []),
    ...(isOutside ? (['range'] as const) : []),
    ...(isTorque && unit !== undefined && unit !== target.unit ? (['unit'] as const) : []),
    ...(battery !== undefined && battery <= LOW_BATTERY ? (['battery'] as const) : []),
  ];
}

/** What it reads while it has this trouble is no reading. */
export const isNoReading = (trouble: WrenchTrouble): boolean =>
  trouble === 'zeroing' || trouble === 'range';

function isWithin({ min, max }: NonNullable<WrenchHello['range']>, nm: number): boolean {
  return nm >= convert(min, 'N.m') - 1e-9 && nm <= convert(max, 'N.m') + 1e-9;
}

/**
 * How near a pull has come. 0 to 1 on the way, `at` within what is published, `over` past it.
 * @param low high of what is published, in the unit of the target
 */
export function approach(
  value: number,
  { target, low, high }: { target: number; low: number; high: number },
): { share: number; is: 'below' | 'at' | 'over' } {
  const share = target > 0 ? Math.max(0, value / target) : 0;
  return { share, is: value > high ? 'over' : value >= Math.min(low, target) ? 'at' : 'below' };
}
