import { AppError } from '../errors';

/**
 * A number as a person types it: decimal point or decimal comma, blanks around, a leading plus, a
 * degree sign behind. Grouping is refused rather than guessed: “1,234.5” would be a factor of a
 * thousand.
 * @throws AppError NUMBER_UNREADABLE
 * @example parseNumber('62,5') // 62.5
 */
export function parseNumber(text: string): number {
  const tidy = text.trim().replace(/\s*°$/, '').replace('−', '-');
  if (!/^[+-]?\d+([.,]\d+)?$/.test(tidy))
    throw new AppError('NUMBER_UNREADABLE', { text: text.slice(0, 40) });
  return Number(tidy.replace(',', '.'));
}
