import { textsOf } from '../../language';
import { shorthand } from '../../language/en/shorthand';
import { tokensOf, type Token } from './tokens';
import type { Problem } from './line';

const text = textsOf('shorthand', shorthand);

const OTHER_WORDS: Record<string, string> = {
  'engine-oil': 'oiled',
  reused: 'reusable',
  reuse: 'reusable',
  'centre-out': 'center-out',
  threadlocker: 'locker',
  waxed: 'plated',
  loosen: 'back',
  slacken: 'back',
  'back-off': 'back',
  'hand-tight': 'by-hand',
  'finger-tight': 'by-hand',
  full: 'fully',
  turns: 'turn',
  minutes: 'min',
};

/** Goes through the tokens of a line, one by one, and notes what is not understood. */
export class TokenReader {
  private readonly tokens: Token[];
  protected i = 0;
  protected readonly problems: Problem[] = [];

  constructor(protected readonly text: string) {
    this.tokens = tokensOf(text);
  }

  protected peek(ahead = 0): Token | undefined {
    return this.tokens[this.i + ahead];
  }
  protected is(value: string, ahead = 0): boolean {
    const t = this.peek(ahead);
    return t !== undefined && t.kind !== 'number' && word(t) === value;
  }
  protected take(value: string): boolean {
    if (!this.is(value)) return false;
    this.i += 1;
    return true;
  }
  protected takeAll(...values: string[]): boolean {
    if (!values.every((v, k) => this.is(v, k))) return false;
    this.i += values.length;
    return true;
  }
  protected takeText(): string {
    this.i += 1;
    return this.tokens[this.i - 1]?.text ?? '';
  }
  protected number(): number | undefined {
    const t = this.peek();
    if (t?.kind !== 'number') return undefined;
    this.i += 1;
    return Number(t.value);
  }

  /** Words in quotation marks. */
  protected quote(): string | undefined {
    const t = this.peek();
    if (t?.kind !== 'quote') return undefined;
    this.i += 1;
    return t.value.trim();
  }
  /** All up to the end of the stage, as it stands. */
  protected rawToEnd(): string {
    const from = this.peek()?.at ?? this.text.length;
    while (this.peek() && !this.is(';')) this.i += 1;
    return this.text.slice(from, this.peek()?.at ?? this.text.length).trim();
  }

  protected phrase<K extends string>(table: Record<K, string>): K | undefined {
    const keys = Object.keys(table) as K[];
    return keys.find((key) => this.takeAll(...table[key].split(' ')));
  }

  protected problem(message: string, token = this.peek()): void {
    const at = token?.at ?? this.text.length;
    this.problems.push({ at, length: token?.text.length ?? 0, message });
  }

  protected skipTo(value: string): void {
    const from = this.peek();
    if (from)
      this.problem(
        text.unknown({ word: this.text.slice(from.at).split(/[;:]/)[0]?.trim() ?? from.text }),
        from,
      );
    while (this.peek() && !this.is(value)) this.i += 1;
    this.take(value);
  }
}

/** Words are read without regard to capitals; names of fasteners keep theirs. */
export function word(t: Token): string {
  const lower = t.kind === 'word' ? t.value.toLowerCase() : t.value;
  return OTHER_WORDS[lower] ?? lower;
}
