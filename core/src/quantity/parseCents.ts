import { parseNumber } from './parseNumber';

/**
 * A price as it is typed, in the smallest coin.
 * @returns null where nothing stands, undefined where it is no price
 * @example parseCents('64,5') // 6450
 */
export function parseCents(typed: string): number | null | undefined {
  if (typed.trim() === '') return null;
  try {
    const cents = Math.round(parseNumber(typed) * 100);
    return cents >= 0 && cents <= 100_000_000 ? cents : undefined;
  } catch {
    return undefined;
  }
}
