// How long files and functions are, of everything that is code, also of what no linter reads.
import assert from 'node:assert/strict';
import { execFileSync } from 'node:child_process';
import fs from 'node:fs';
import path from 'node:path';
import ts from 'typescript';
import { root } from './install.mjs';

const LONGEST_FILE = 300;
const LONGEST_FUNCTION = 60;
/** Of all functions, as a share, may be longer: a form is as long as its fields. */
const MAY_BE_LONGER = 0.02;

const files = execFileSync(
  'git',
  ['ls-files', '*.ts', '*.tsx', '*.mts', '*.mjs', '*.cjs', '*.js'],
  {
    cwd: root,
    encoding: 'utf8',
  },
)
  .trim()
  .split('\n')
  .filter((file) => !file.endsWith('.gen.ts') && fs.existsSync(path.join(root, file)));

const longFiles = [];
let [functions, longFunctions] = [0, 0];
for (const file of files) {
  const text = fs.readFileSync(path.join(root, file), 'utf8');
  const source = ts.createSourceFile(file, text, ts.ScriptTarget.Latest);
  const lines = text.split('\n').length - 1;
  if (lines > LONGEST_FILE) longFiles.push(`${file}: ${lines}`);
  const isTest = /\.(test|e2e)\./.test(file);
  const lineOf = (at) => source.getLineAndCharacterOfPosition(at).line;
  const visit = (node) => {
    // A describe is a list of tests, not a function that does much.
    if (!isTest && ts.isFunctionLike(node) && 'body' in node && node.body) {
      functions += 1;
      if (lineOf(node.end) - lineOf(node.getStart(source)) >= LONGEST_FUNCTION) longFunctions += 1;
    }
    ts.forEachChild(node, visit);
  };
  visit(source);
}
const share = longFunctions / functions;
assert.ok(files.length > 500, 'the code was not found');
assert.deepEqual(longFiles, [], `files of more than ${LONGEST_FILE} lines`);
assert.ok(share <= MAY_BE_LONGER, `${longFunctions} of ${functions} functions are long`);
console.log(
  `${files.length} files, none above ${LONGEST_FILE} lines; ${functions} functions, ${(share * 100).toFixed(1)}% above ${LONGEST_FUNCTION} lines`,
);
