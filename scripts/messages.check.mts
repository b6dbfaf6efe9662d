// Every message in every language, with the same values; none that no one says; no phrase that a
// shop would not use; none read before the language is known. Run with
// `node --import tsx scripts/messages.check.mts`.
import { execFileSync } from 'node:child_process';
import fs from 'node:fs';
import path from 'node:path';
import ts from 'typescript';
import { LANGUAGES, type Messages } from '../core/src/language/index.ts';
import { root } from './install.mjs';

const PLACES = ['core/src/language', 'app/src/language', 'server/src/language'];
const faults: string[] = [];

const listed = execFileSync('git', ['ls-files', '-co', '--exclude-standard'], { cwd: root })
  .toString()
  .split('\n');
const exists = (file: string): boolean => fs.existsSync(path.join(root, file));
const read = (file: string): string => fs.readFileSync(path.join(root, file), 'utf8');
const sources = listed.filter(
  (file) =>
    /^(core|app|server)\/src\/.*\.tsx?$/.test(file) &&
    !/\.test\.|\/testing\/|\/language\/(en|es)\//.test(file) &&
    exists(file),
);
const allSource = sources.map(read).join('\n');

/** Leaves by their path. */
const leaves = (messages: Messages, at = ''): [string, string][] =>
  Object.entries(messages).flatMap(([key, value]) =>
    typeof value === 'string'
      ? [[at + key, value] as [string, string]]
      : leaves(value, `${at}${key}.`),
  );
const valuesIn = (text: string): string =>
  [...new Set([...text.matchAll(/\{\{(\w+)\}\}/g)].map(([, name]) => name))].sort().join(' ');

async function dictionary(place: string, language: string, area: string): Promise<Messages> {
  const module = (await import(path.join(root, place, language, `${area}.ts`))) as Record<
    string,
    Messages
  >;
  return module[area] ?? {};
}

/** A name is used where it is read, or where its group is read by a name from elsewhere. */
function isUsed(leaf: string): boolean {
  const names = leaf.replace(/_(zero|one|other)$/, '').split('.');
  return names.some((name, i) => {
    const read = new RegExp(
      `[.\\b'{,\\s]${name.replace(/[^\w]/g, '.')}\\b${i < names.length - 1 ? '(?!\\.\\w)' : ''}`,
    );
    return read.test(allSource);
  });
}

/** Words that read like a translation, or that a shop has another word for. */
const OUT = [
  /\banew\b/i,
  /\bbesides\b/i,
  /falls? due/i,
  /\bwhoever\b/i,
  /\bsomebody\b/i,
  /\bnobody\b/i,
  /\bin the hand\b/i,
  /\bmade good\b/i,
  /\bmend(ed)?\b/i,
  /reckoned/i,
  /worked out/i,
  /let go of/i,
  /gone on from/i,
  /goes on by/i,
  /taken along|take it along/i,
  /never sent|not taken by the server/i,
  /\b\d+ signs\b/i,
  /turn by angle/i,
  /out of the house/i,
  /looked at first/i,
  /put somebody on/i,
  /is no unit/i,
  /where it stands/i,
  /the lead’s word/i,
  /\bcentre\b|\bcolour\b|\bgrey\b|metres?\b|\btowards\b/i,
  /straight-edge|run-out|thread-locker|off-line/i,
  /\d %/,
  /\bit stands\b|\bstands on\b/i,
  /slacken/i,
  /\bstripe/i,
];

for (const place of PLACES) {
  const areas = listed
    .filter((file) => file.startsWith(`${place}/en/`) && exists(file))
    .map((file) => path.basename(file, '.ts'));
  for (const area of areas) {
    const english = new Map(leaves(await dictionary(place, 'en', area)));
    if (english.size === 0) faults.push(`${place}/en/${area}.ts exports no “${area}”.`);
    for (const [leaf, text] of english) {
      if (!isUsed(leaf)) faults.push(`${area}.${leaf} is said nowhere.`);
      for (const out of OUT)
        if (out.test(text)) faults.push(`${area}.${leaf}: “${text}” has ${String(out)}`);
    }
    for (const language of LANGUAGES.filter((l) => l !== 'en')) {
      const other = new Map(leaves(await dictionary(place, language, area)));
      for (const leaf of other.keys())
        if (!english.has(leaf)) faults.push(`${language} ${area}.${leaf} is not in English.`);
      for (const [leaf, text] of english) {
        const said = other.get(leaf);
        if (said === undefined || (said === '') !== (text === ''))
          faults.push(`${language} has no ${area}.${leaf}.`);
        else if (valuesIn(said) !== valuesIn(text))
          faults.push(`${language} ${area}.${leaf} names other values than English.`);
      }
    }
  }
}
for (const file of listed.filter((f) => /^demo\/sheets\/.*\.json$/.test(f)))
  for (const [, text = ''] of read(file).matchAll(/"((?:[^"\\]|\\.)*)"/g))
    for (const out of OUT)
      if (out.test(text) && /\s/.test(text)) faults.push(`${file}: “${text}” has ${String(out)}`);

/** Documents, without what stands in code. */
for (const file of listed.filter((f) => /^(docs\/)?([A-Z]+|adr\/.*)\.md$/.test(f) && exists(f))) {
  const prose = read(file).replace(/```[\s\S]*?```|`[^`\n]*`/g, '');
  for (const line of prose.split('\n'))
    for (const out of OUT)
      if (out.test(line)) faults.push(`${file}: “${line.trim().slice(0, 60)}” has ${String(out)}`);
}

/** A text read while a module is loaded stays in the language of that moment. */
for (const file of sources) {
  const tree = ts.createSourceFile(
    file,
    read(file),
    ts.ScriptTarget.Latest,
    true,
    file.endsWith('x') ? ts.ScriptKind.TSX : ts.ScriptKind.TS,
  );
  const visit = (node: ts.Node): void => {
    if (ts.isFunctionLike(node) || ts.isTypeNode(node)) return;
    if (
      ts.isPropertyAccessExpression(node) &&
      ts.isIdentifier(node.expression) &&
      /^(text|\w+Text)$/.test(node.expression.text) &&
      !isGroup(node)
    )
      faults.push(`${file}: “${node.getText()}” is read while the module is loaded.`);
    else ts.forEachChild(node, visit);
  };
  visit(tree);
}

/** A group is only a way to its texts; it may be named at any time. */
function isGroup(node: ts.Node): boolean {
  const use = node.parent;
  return (
    (ts.isVariableDeclaration(use) && use.initializer === node) ||
    (ts.isCallExpression(use) && use.expression.getText() === 'Object.keys') ||
    ts.isTypeQueryNode(use)
  );
}

for (const fault of faults) console.error(fault);
console.log(`${PLACES.length} places, ${faults.length} faults`);
if (faults.length > 0) process.exit(1);
