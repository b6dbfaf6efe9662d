import { UNIT_WORDS } from '../../quantity';

/** One piece of the text, with its place. */
export interface Token {
  /** quote: words in quotation marks, its value without them. */
  kind: 'number' | 'word' | 'unit' | 'sign' | 'quote' | 'unknown';
  text: string;
  /** Words in lower case, units by their UCUM code, numbers with a point. */
  value: string;
  at: number;
  /** Whether a blank stands before it. */
  spaced: boolean;
}

/** A decimal comma only directly between digits: “8,5” is one number, “8, 5” are two. */
const NUMBER = /^\d+(?:[.,]\d+)?/;
const WORD = /^[A-Za-z][A-Za-z0-9-]*/;
/**
 * A thread with its class, or a fastener's name that begins with a digit: 7s, 12.9 are told apart
 * by what follows.
 */
const NAME = /^\d+(?![xX](?:\s|\d|[Mm]\d))[A-Za-z]+\b/;
const SIGN = /^(×|[xX](?=\s*(?:\d|[Mm]\d))|\+\/-|±|[+;:,()–-])/;

export function tokensOf(text: string): Token[] {
  const tokens: Token[] = [];
  let at = 0;
  let afterNumber = false;
  while (at < text.length) {
    const blank = /^\s+/.exec(text.slice(at));
    if (blank) at += blank[0].length;
    if (at >= text.length) break;
    const token = read(text.slice(at), at, Boolean(blank), afterNumber);
    tokens.push(token);
    afterNumber = token.kind === 'number';
    at += token.text.length;
  }
  return tokens;
}

function read(rest: string, at: number, spaced: boolean, afterNumber: boolean): Token {
  if (afterNumber || rest.startsWith('°')) {
    for (const [pattern, unit] of UNIT_WORDS) {
      const found = pattern.exec(rest);
      if (found) return { kind: 'unit', text: found[0], value: unit, at, spaced };
    }
  }
  const quote = /^["“]([^"“”]*)["”]/.exec(rest);
  if (quote) return { kind: 'quote', text: quote[0], value: quote[1] ?? '', at, spaced };
  const thread =
    /^M\d+(?:[.,]\d+)?/i.exec(rest) ??
    /^(?:\d+[ -])?\d+\/\d+\s*-\s*\d+/.exec(rest) ??
    /^#\d+\s*-\s*\d+/.exec(rest);
  if (thread)
    return {
      kind: 'word',
      text: thread[0],
      value: thread[0].toUpperCase().replace(',', '.'),
      at,
      spaced,
    };
  const name = NAME.exec(rest);
  if (name && !UNIT_WORDS.some(([p]) => p.test(rest.replace(/^\d+/, ''))))
    return { kind: 'word', text: name[0], value: name[0], at, spaced };
  const number = NUMBER.exec(rest);
  if (number)
    return { kind: 'number', text: number[0], value: number[0].replace(',', '.'), at, spaced };
  const sign = SIGN.exec(rest);
  if (sign) return { kind: 'sign', text: sign[0], value: normal(sign[0]), at, spaced };
  const word = WORD.exec(rest);
  if (word) return { kind: 'word', text: word[0], value: word[0], at, spaced };
  return { kind: 'unknown', text: rest[0] ?? '', value: '', at, spaced };
}

const normal = (sign: string): string =>
  sign === 'x' || sign === 'X' ? '×' : sign === '+/-' ? '±' : sign === '-' ? '–' : sign;
