import * as v from 'valibot';
import { textOf } from '../schema/text';

/**
 * What someone signs in by: the name without regard to case, width and spaces. Case is folded the
 * same way everywhere (a Turkish dotless i and a Greek final sigma too), never by the rules of a
 * database or a browser's language.
 * @example nameKey(' İnes  CORTE ') // 'ines corte'
 */
export const nameKey = (name: string): string =>
  name
    .normalize('NFKC')
    .toLowerCase()
    .toUpperCase()
    .toLowerCase()
    .replace(/i\u0307/g, 'i')
    .replace(/ς/g, 'σ')
    .normalize('NFC')
    .trim()
    .replace(/\s+/g, ' ');

/**
 * Letters of other scripts that are drawn like a Latin one, and Latin ones and digits that are
 * drawn like each other.
 */
const LOOKS = new Map(
  Object.entries({
    а: 'a',
    с: 'c',
    е: 'e',
    о: 'o',
    р: 'p',
    х: 'x',
    у: 'y',
    і: 'i',
    ј: 'j',
    ѕ: 's',
    һ: 'h',
    ԁ: 'd',
    к: 'k',
    т: 't',
    м: 'm',
    н: 'h',
    в: 'b',
    α: 'a',
    ο: 'o',
    ν: 'v',
    ρ: 'p',
    ι: 'i',
    κ: 'k',
    τ: 't',
    υ: 'u',
    χ: 'x',
    β: 'b',
    η: 'n',
    l: 'i',
    0: 'o',
    1: 'i',
  }),
);

/**
 * Two names with the same look cannot be told apart on a record. @example nameLook('Jοnah') ===
 * nameLook('Jonah') // the first has a Greek o
 */
export const nameLook = (name: string): string =>
  [...nameKey(name)].map((letter) => LOOKS.get(letter) ?? letter).join('');

/**
 * Letters, marks on them, digits, and what stands between parts of a name. Nothing that cannot be
 * seen.
 */
const LETTERS = /^[\p{L}\p{M}\p{N}][\p{L}\p{M}\p{N} .,'’-]*$/u;
const SCRIPTS = [/\p{Script=Latin}/u, /\p{Script=Cyrillic}/u, /\p{Script=Greek}/u];
const isOneScript = (name: string): boolean =>
  SCRIPTS.filter((script) => script.test(name)).length <= 1;

/** A person's name as it is given: what could pass for another's is refused. */
export const PersonNameSchema = v.pipe(
  textOf(80),
  v.transform((name) => name.trim().replace(/\s+/g, ' ')),
  v.minLength(1),
  v.regex(LETTERS, 'contains a character that isn’t allowed in a name'),
  v.check(isOneScript, 'mixes look-alike letters of two scripts'),
);
