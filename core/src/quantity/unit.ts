import { AppError } from '../errors';

/** Units by their UCUM code, as they stand in files. */
export const UNIT_CODES = [
  'N.m',
  '[ft_i].[lbf_av]',
  '[in_i].[lbf_av]',
  'kgf.m',
  'kgf.cm',
  'daN.m',
  'deg',
  'rad',
  'mm',
  '[in_i]',
  'N',
  'kN',
  '[lbf_av]',
] as const;
export type UnitCode = (typeof UNIT_CODES)[number];
export type UnitKind = 'torque' | 'angle' | 'length' | 'force';

interface UnitEntry {
  kind: UnitKind;
  /** How many of the kind's base unit (N·m, degree, mm, N) one of this is; exact. */
  toBase: number;
  symbol: string;
  /**
   * What stands beside a number at arm's length, where inch- and foot-pounds must not be mistaken.
   */
  words: string;
}

/** lbf = 0.45359237 kg × 9.80665 m/s², in = 25.4 mm: exact by definition. */
const LBF_FT = 1.3558179483314004;

export const units: Readonly<Record<UnitCode, UnitEntry>> = {
  'N.m': { kind: 'torque', toBase: 1, symbol: 'N·m', words: 'N·m' },
  '[ft_i].[lbf_av]': { kind: 'torque', toBase: LBF_FT, symbol: 'lbf·ft', words: 'foot-pounds' },
  '[in_i].[lbf_av]': {
    kind: 'torque',
    toBase: 0.1129848290276167,
    symbol: 'lbf·in',
    words: 'inch-pounds',
  },
  'kgf.m': { kind: 'torque', toBase: 9.80665, symbol: 'kgf·m', words: 'kgf·m' },
  'kgf.cm': { kind: 'torque', toBase: 0.0980665, symbol: 'kgf·cm', words: 'kgf·cm' },
  'daN.m': { kind: 'torque', toBase: 10, symbol: 'daN·m', words: 'daN·m' },
  deg: { kind: 'angle', toBase: 1, symbol: '°', words: 'degrees' },
  rad: { kind: 'angle', toBase: 180 / Math.PI, symbol: 'rad', words: 'radians' },
  mm: { kind: 'length', toBase: 1, symbol: 'mm', words: 'mm' },
  '[in_i]': { kind: 'length', toBase: 25.4, symbol: 'in', words: 'inches' },
  N: { kind: 'force', toBase: 1, symbol: 'N', words: 'newtons' },
  kN: { kind: 'force', toBase: 1000, symbol: 'kN', words: 'kilonewtons' },
  '[lbf_av]': { kind: 'force', toBase: 4.4482216152605, symbol: 'lbf', words: 'pounds of force' },
};

const DIGITS: Partial<Record<UnitCode, number>> = { 'kgf.m': 2, 'daN.m': 2, mm: 3, '[in_i]': 4 };
/**
 * To how many digits behind the point a unit is usually read: a tenth, and finer where one of it is
 * much.
 */
export const readingDigits = (unit: UnitCode): number => DIGITS[unit] ?? 1;

/** A number with the unit it was published or read in. */
export interface Quantity {
  value: number;
  unit: UnitCode;
}

/** A quantity as it stands in a sentence of core's own; on screen the shop's formatter says it. */
export const plainText = ({ value, unit }: Quantity): string =>
  unit === 'deg' ? `${value}°` : `${value} ${units[unit].symbol}`;

/**
 * The same quantity in another unit of its kind: one multiplication, one division, no rounding
 * between. Convert once from the value as entered; never chain rounded values.
 * @throws AppError UNIT_KIND when the two units measure different things
 * @example convert({ value: 27, unit: 'N.m' }, '[in_i].[lbf_av]') // 238.97…
 */
export function convert(quantity: Quantity, to: UnitCode): number {
  const from = units[quantity.unit];
  const target = units[to];
  if (from.kind !== target.kind)
    throw new AppError('UNIT_KIND', { from: from.symbol, to: target.symbol });
  if (quantity.unit === to) return quantity.value;
  return (quantity.value * from.toBase) / target.toBase;
}

/**
 * The same quantity as an instrument in that unit would show it: for what was calculated or heard,
 * not for what someone wrote down.
 * @throws AppError UNIT_KIND when the two units measure different things
 * @example asRead({ value: 0.04058, unit: 'mm' }, 'mm') // 0.041 mm
 */
export const asRead = (quantity: Quantity, unit: UnitCode): Quantity => ({
  value: Number(convert(quantity, unit).toFixed(readingDigits(unit))),
  unit,
});
