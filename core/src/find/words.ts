import type { Sheet } from '../procedure';

/**
 * The words of a text as they are searched: lower case, without accents, engine codes and threads
 * whole.
 * @example wordsOf('Zylinderkopf OB-20, M10×1,5') // ['zylinderkopf', 'ob', '20', 'ob20', 'm10',
 * '1.5']
 */
export function wordsOf(text: string): string[] {
  const plain = text
    .normalize('NFD')
    .replace(/[\u0300-\u036f]/g, '')
    .toLowerCase()
    .replace(/(\d),(\d)/g, '$1.$2');
  const words: string[] = [];
  for (const piece of plain.split(/[^a-z0-9.\-/]+/)) {
    const parts = piece.split(/[-/]/).flatMap((p) => p.replace(/^\.+|\.+$/g, '') || []);
    words.push(...parts);
    // OB-20 and OB20 are one engine.
    if (parts.length > 1 && parts.length < 4) words.push(parts.join(''));
  }
  return [...new Set(words.filter((w) => w.length <= 40))];
}

/** Shorter words are taken as they are typed: nearly every one would be near to another. */
const SHORTEST_FOR_TYPOS = 4;

/**
 * A word with one letter left out, each way, and the word itself: two words that are one slip apart
 * (a letter left out, put in, changed, or two changed over) share one of them.
 */
export function nearForms(word: string): string[] {
  if (word.length < SHORTEST_FOR_TYPOS) return [word];
  const forms = new Set([word]);
  for (let i = 0; i < word.length; i += 1) forms.add(word.slice(0, i) + word.slice(i + 1));
  return [...forms];
}

/** How much a word says, by where in the sheet it stands. */
export const FIELD_WEIGHTS = {
  engine: 6,
  title: 4,
  model: 3,
  maker: 3,
  kind: 3,
  hardware: 2,
  group: 1,
  source: 1,
} as const;

/** Every word that a sheet is found by, with the weight of the strongest place it stands in. */
export function sheetWords(sheet: Sheet): Map<string, number> {
  const { applies, source } = sheet;
  const fields: [keyof typeof FIELD_WEIGHTS, string][] = [
    ['engine', applies.engine],
    ['title', sheet.title],
    ['model', applies.model],
    ['maker', applies.maker],
    ['kind', sheet.kind],
    [
      'hardware',
      `${applies.hardware.maker ?? ''} ${applies.hardware.origin === 'kit' ? 'kit' : ''} ${applies.bank ?? ''}`,
    ],
    ['group', sheet.groups.map((g) => `${g.name} ${g.thread.designation} ${g.head}`).join(' ')],
    ['source', `${source.title} ${source.page}`],
  ];
  const words = new Map<string, number>();
  for (const [field, text] of fields) {
    for (const word of wordsOf(text))
      words.set(word, Math.max(words.get(word) ?? 0, FIELD_WEIGHTS[field]));
  }
  return words;
}
