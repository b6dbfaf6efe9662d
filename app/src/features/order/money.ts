import { parseNumber } from '@stennet/core/quantity';

/** A price as it is typed, in the smallest coin; null: nothing stands there; undefined: it is none. */
export function centsOf(typed: string): number | null | undefined {
  if (typed.trim() === '') return null;
  try {
    const cents = Math.round(parseNumber(typed) * 100);
    return cents >= 0 && cents <= 100_000_000 ? cents : undefined;
  } catch {
    return undefined;
  }
}
