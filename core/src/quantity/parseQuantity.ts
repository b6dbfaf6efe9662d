import { AppError } from '../errors';
import { parseNumber } from './parseNumber';
import { convert, units, type Quantity, type UnitCode } from './unit';
import { UNIT_WORDS } from './unitWords';

/**
 * A value as a person types it into a field that expects a unit: without one it is in the field's,
 * with one it is turned into the field's, once. A unit of another kind, or a word that is none, is
 * refused.
 * @throws AppError NUMBER_UNREADABLE, UNIT_UNREADABLE, UNIT_KIND
 * @example parseQuantity('20 ft-lb', 'N.m').value // 27.116…
 */
export function parseQuantity(text: string, unit: UnitCode): Quantity {
  const tidy = text.trim();
  const cut = /^([+−-]?[\d.,\s]*\d)\s*(\D*)$/.exec(tidy);
  const word = cut?.[2]?.trim() ?? '';
  if (!cut || word === '') return { value: parseNumber(tidy), unit };
  const value = parseNumber(cut[1] ?? '');
  const found = UNIT_WORDS.find(
    ([pattern]) => pattern.exec(word)?.[0].length === word.length || word === '°',
  );
  if (!found)
    throw new AppError('UNIT_UNREADABLE', {
      text: word.slice(0, 20),
      expected: units[unit].symbol,
    });
  return { value: convert({ value, unit: found[1] }, unit), unit };
}
