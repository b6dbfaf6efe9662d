// The walk of a confirmed pull, as ARCHITECTURE.md lists it: each stop has what is said of it, is
// used by a stop before it, and the way is short enough to be read in one go.
import assert from 'node:assert/strict';
import fs from 'node:fs';
import path from 'node:path';
import { root } from './install.mjs';

const LONGEST = 25;
const read = (file) => fs.readFileSync(path.join(root, file), 'utf8');
const [, list = ''] = read('ARCHITECTURE.md').split('## The walk of a confirmed pull');
const stops = [...list.split('\n## ')[0].matchAll(/^\d+\. `([^`]+)` · `([^`]+)`/gm)].map(
  ([, file, name]) => ({ file, name }),
);
assert.ok(stops.length > 15, 'the walk is not listed');
assert.ok(stops.length <= LONGEST, `${stops.length} files; at most ${LONGEST}`);
const seen = [];
for (const { file, name } of stops) {
  assert.ok(fs.existsSync(path.join(root, file)), `${file} is not there`);
  const text = read(file);
  const isSql = file.endsWith('.sql');
  const defines = isSql
    ? text.includes(name)
    : new RegExp(`(function|const|class|async|type) ${name}\\b|'${name}'`).test(text);
  assert.ok(defines, `${file} does not define ${name}`);
  const word = isSql ? path.basename(file, '.sql') : name;
  assert.ok(
    seen.length === 0 || seen.some((earlier) => new RegExp(`\\b${word}\\b`).test(earlier)),
    `no stop before ${file} uses ${word}`,
  );
  seen.push(text);
}

// The places a newcomer looks for: a file whose name or path has the word.
const [, places = ''] = read('ARCHITECTURE.md').split('## Where is …');
const rows = [...places.split('\n## ')[0].matchAll(/^\| ([^|]+) \| `([^`]+)` · `([^`]+)` \|/gm)];
assert.ok(rows.length >= 12, 'twelve places are listed');
for (const [, word, file, name] of rows) {
  assert.ok(fs.existsSync(path.join(root, file)), `${word}: ${file} is not there`);
  assert.match(read(file), new RegExp(`\\b${name}\\b`), `${word}: ${file} has no ${name}`);
}
console.log(`${stops.length} files from thumb to table; ${rows.length} places match the table`);
