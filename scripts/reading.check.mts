// How easily the texts are read: the Flesch-Kincaid grade of every English message, written to
// test-results/reading.md. A report, not a gate. Run with `node --import tsx scripts/reading.check.mts`.
import fs from 'node:fs';
import path from 'node:path';
import { fleschKincaid } from 'flesch-kincaid';
import { syllable } from 'syllable';
import type { Messages } from '../core/src/language/index.ts';
import { root } from './install.mjs';

const PLACES = ['core/src/language/en', 'app/src/language/en', 'server/src/language/en'];

const texts = (messages: Messages): string[] =>
  Object.values(messages).flatMap((m) => (typeof m === 'string' ? [m] : texts(m)));

/** School grade of a text; a value that is filled in counts as one short word. */
function grade(text: string): number {
  const plain = text.replace(/\{\{\w+\}\}/g, 'ten').replace(/[“”"]/g, '');
  const words = plain.match(/[\p{L}\p{N}’'-]+/gu) ?? [];
  const sentences = plain.split(/[.!?:;]+(?:\s|$)/).filter((s) => s.trim());
  return fleschKincaid({
    sentence: Math.max(1, sentences.length),
    word: words.length,
    syllable: words.reduce((n, w) => n + Math.max(1, syllable(w)), 0),
  });
}

const all: { text: string; grade: number }[] = [];
for (const place of PLACES)
  for (const file of fs.readdirSync(path.join(root, place))) {
    const area = path.basename(file, '.ts');
    if (area === 'all' || area === 'index') continue;
    const module = (await import(path.join(root, place, file))) as Record<string, Messages>;
    for (const text of texts(module[area] ?? {}))
      if ((text.match(/\s/g) ?? []).length >= 2) all.push({ text, grade: grade(text) });
  }
all.sort((a, b) => a.grade - b.grade);
const at = (share: number): string => (all[Math.floor(all.length * share)]?.grade ?? 0).toFixed(1);
const line = `${all.length} texts of three words or more: median grade ${at(0.5)}, nine in ten at most ${at(0.9)}`;
const hardest = all.slice(-40).reverse();
fs.mkdirSync(path.join(root, 'test-results'), { recursive: true });
fs.writeFileSync(
  path.join(root, 'test-results/reading.md'),
  `# Reading grade\n\n${line}.\n\n| grade | text |\n| --- | --- |\n${hardest.map((h) => `| ${h.grade.toFixed(1)} | ${h.text} |`).join('\n')}\n`,
);
console.log(line);
