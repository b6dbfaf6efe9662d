import type { SheetBrief } from '@stennet/core/contract/work';
import { FITS, isNear, nearForms, rarity } from '@stennet/core/find';
import type pg from 'pg';
import { findSheets, findWords } from './sheets';

/** So many sheets of each telling word are looked at; the rarest words come first. */
const LOOKED_AT = 400;
const TELLING_SHEETS = 400;
const RARITY_OF = 100_000;

interface Answer {
  n: number;
  word: string;
  sheets: number;
  how: keyof typeof FITS;
}

/** Maker, engine and kind of joint; null where any will do. */
export type Place = readonly [string | null, string | null, string | null];

/**
 * What is typed → words that answer it → sheets that say them. The same rules as core's index in
 * memory.
 */
export async function searchSheets(
  client: pg.ClientBase,
  typed: readonly string[],
  place: Place,
  most: number,
): Promise<SheetBrief[]> {
  const forms = typed.flatMap((word, i) => nearForms(word).map((form) => [form, i + 1] as const));
  const rows = await findWords(
    client,
    typed,
    forms.map(([f]) => f),
    forms.map(([, n]) => n),
  );
  const best = new Map<string, Answer & { says: number }>();
  for (const a of rows) {
    if (a.how === 'near' && !isNear(a.word, typed[a.n - 1] ?? '')) continue;
    const says = FITS[a.how] * rarity(a.sheets, RARITY_OF);
    const key = `${a.n} ${a.word}`;
    if ((best.get(key)?.says ?? 0) < says) best.set(key, { ...a, says });
  }
  const answers = [...best.values()];
  const telling = tellingWords(answers);
  if (telling.length === 0) return [];
  const found = await findSheets(
    client,
    answers.map((a) => a.word),
    answers.map((a) => a.n),
    answers.map((a) => a.says),
    telling,
    LOOKED_AT,
    most,
    ...place,
  );
  return found.map((r) => r.brief);
}

/** The rarest answers, until their sheets are enough to choose from. */
function tellingWords(answers: readonly Answer[]): string[] {
  const words: string[] = [];
  let sheets = 0;
  for (const a of [...answers].sort((x, y) => x.sheets - y.sheets)) {
    if (words.length > 0 && sheets + a.sheets > TELLING_SHEETS) break;
    words.push(a.word);
    sheets += a.sheets;
  }
  return words;
}
