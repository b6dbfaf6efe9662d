import type { UnitCode } from './unit';

/**
 * Units as people write them, the longest first; lbf·in and lbf·ft are never guessed from one
 * another.
 */
export const UNIT_WORDS: readonly (readonly [RegExp, UnitCode])[] = [
  [/^(dan\s*[·•.*\-]?\s*m)\b/i, 'daN.m'],
  [/^(n\s*[·•.*\-]?\s*m)\b/i, 'N.m'],
  [
    /^((lbf?|pound)s?\s*[·•.*\- ]?\s*(ft|feet|foot)|(ft|foot)\s*[·•.*\- ]?\s*(lbf?|pound)s?)\b/i,
    '[ft_i].[lbf_av]',
  ],
  [
    /^((lbf?|pound)s?\s*[·•.*\- ]?\s*(in|inch(es)?)|(in|inch)\s*[·•.*\- ]?\s*(lbf?|pound)s?)\b/i,
    '[in_i].[lbf_av]',
  ],
  [/^(kgf?\s*[·•.*\- ]?\s*cm)\b/i, 'kgf.cm'],
  [/^(kgf?\s*[·•.*\- ]?\s*m)\b/i, 'kgf.m'],
  [/^(°|deg(rees?)?\b)/i, 'deg'],
  [/^(mm)\b/i, 'mm'],
  [/^(inch(es)?|in)\b/i, '[in_i]'],
];

/** The unit that a text begins with, and how many letters it takes. */
export function firstUnitIn(text: string): { code: UnitCode; length: number } | null {
  for (const [pattern, code] of UNIT_WORDS) {
    const found = pattern.exec(text);
    if (found) return { code, length: found[0].length };
  }
  return null;
}
