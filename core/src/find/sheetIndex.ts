import { FITS, isNear, rarity } from './fit';
import { nearForms, wordsOf } from './words';

/** A sheet as it is indexed: by its key, with its words and their weights. */
export interface Entry {
  key: string;
  words: ReadonlyMap<string, number>;
  /** Superseded ones and drafts come after those that stand. */
  stands: boolean;
}

export interface Hit {
  key: string;
  score: number;
}

/** A last word that is still being typed may be any that begins with it; so many are looked at. */
const MOST_BEGINNINGS = 200;
const AFTER_STANDING = 0.7;

/**
 * Sheets in memory, found while typing: misspelt, partial, in any order. The same rules as the
 * server's tables. Built once in a worker; one answer costs a walk over the sheets that share a
 * word.
 */
export class SheetIndex {
  private readonly entries: Entry[];
  private readonly postings = new Map<string, [number, number][]>();
  private readonly sorted: string[];
  private readonly near = new Map<string, string[]>();

  constructor(entries: readonly Entry[]) {
    this.entries = [...entries];
    for (const [i, entry] of this.entries.entries()) {
      for (const [word, weight] of entry.words) {
        const list = this.postings.get(word);
        if (list) list.push([i, weight]);
        else this.postings.set(word, [[i, weight]]);
      }
    }
    this.sorted = [...this.postings.keys()].sort();
    for (const word of this.sorted) {
      for (const form of nearForms(word)) {
        const list = this.near.get(form);
        if (list) list.push(word);
        else this.near.set(form, [word]);
      }
    }
  }

  /** The best so many; nothing typed finds nothing. */
  find(text: string, most = 20): Hit[] {
    const typed = wordsOf(text);
    const scores = new Map<number, number>();
    for (const word of typed) {
      // Each typed word counts once per sheet, by its best answer there.
      const best = new Map<number, number>();
      for (const [known, fit] of this.answers(word)) {
        const list = this.postings.get(known) ?? [];
        const says = fit * rarity(list.length, this.entries.length);
        for (const [i, weight] of list) best.set(i, Math.max(best.get(i) ?? 0, says * weight));
      }
      for (const [i, says] of best) scores.set(i, (scores.get(i) ?? 0) + says);
    }
    const hits = [...scores].map(([i, score]) => {
      const entry = this.entries[i];
      return { key: entry?.key ?? '', score: score * (entry?.stands ? 1 : AFTER_STANDING) };
    });
    return hits.sort((a, b) => b.score - a.score || (a.key < b.key ? -1 : 1)).slice(0, most);
  }

  private answers(word: string): Map<string, number> {
    const answers = new Map<string, number>();
    for (const form of nearForms(word))
      for (const known of this.near.get(form) ?? [])
        if (isNear(known, word)) answers.set(known, FITS.near);
    let at = this.firstFrom(word);
    for (let n = 0; n < MOST_BEGINNINGS && this.sorted[at]?.startsWith(word); n += 1, at += 1)
      answers.set(this.sorted[at] ?? '', FITS.begins);
    if (this.postings.has(word)) answers.set(word, FITS.whole);
    return answers;
  }

  private firstFrom(word: string): number {
    let [low, high] = [0, this.sorted.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      if ((this.sorted[middle] ?? '') < word) low = middle + 1;
      else high = middle;
    }
    return low;
  }
}
