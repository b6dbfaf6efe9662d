// Commit titles: one change, at most 72 characters, no full stop. `--file` checks one message, for
// the hook that `./stennet hooks` installs; without it, every commit since the rule came in.
import { execFileSync } from 'node:child_process';
import fs from 'node:fs';
import { parseArgs } from 'node:util';
import { root } from './install.mjs';

const SINCE = '2026-11-30T07:00:00Z';
const MOST = 72;

const { values } = parseArgs({ options: { file: { type: 'string' } } });
const titles = values.file
  ? [fs.readFileSync(values.file, 'utf8').split('\n')[0] ?? '']
  : execFileSync('git', ['log', `--since=${SINCE}`, '--no-merges', '--format=%s'], { cwd: root })
      .toString()
      .split('\n')
      .filter(Boolean);
const wrong = titles.filter((title) => title.length > MOST || title.endsWith('.') || !title.trim());
for (const title of wrong)
  console.error(
    `“${title}” has ${title.length} characters. Use at most ${MOST}, and no full stop.`,
  );
if (wrong.length > 0) process.exit(1);
if (!values.file) console.log(`${titles.length} titles of at most ${MOST} characters`);
