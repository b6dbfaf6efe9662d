import { convert, units, type Quantity, type UnitCode } from './unit';

const PRINTED: readonly UnitCode[] = ['N.m', '[ft_i].[lbf_av]', '[in_i].[lbf_av]', 'mm', '[in_i]'];
/** As near as a gauge that is read lies to what it should show, and as far as a slip lies off. */
const NEAR = 0.1;
const FAR = 0.2;

/**
 * The unit that a typed reading was more likely read in: as typed it is far from what was to be
 * expected, in that unit it is near it. Defined here.
 * @param expected what the sheet asks for, in the unit the field asks for
 * @returns null where the reading is near as typed, or no other unit brings it near
 * @example readingDoubt(240, { value: 27, unit: 'N.m' }) // '[in_i].[lbf_av]'
 */
export function readingDoubt(value: number, expected: Quantity): UnitCode | null {
  const off = (unit: UnitCode): number =>
    Math.abs(convert({ value, unit }, expected.unit) / expected.value - 1);
  if (!(expected.value > 0) || !(value > 0) || off(expected.unit) <= FAR) return null;
  const { kind } = units[expected.unit];
  const [best] = PRINTED.filter((u) => u !== expected.unit && units[u].kind === kind).sort(
    (a, b) => off(a) - off(b),
  );
  return best !== undefined && off(best) <= NEAR ? best : null;
}
