import fs from 'node:fs';
import path from 'node:path';
import { ERROR_CODES } from '@stennet/core/errors';

const root = path.resolve(__dirname, '../../..');
const NOT_GIVEN_THERE = ['core/src/errors/', 'server/src/http/status.ts'];

const sources = (folder: string): string[] =>
  fs.readdirSync(path.join(root, folder), { withFileTypes: true }).flatMap((entry) => {
    const file = `${folder}/${entry.name}`;
    if (entry.isDirectory()) return sources(file);
    return /\.tsx?$/.test(file) &&
      !/\.test\.|\/testing\//.test(file) &&
      !NOT_GIVEN_THERE.includes(file)
      ? [file]
      : [];
  });

test('every refusal of the catalog is given somewhere in the product', () => {
  // Prettier-ignore
  const text = ['core/src', 'server/src', 'app/src']
    .flatMap(sources)
    .map((file) => fs.readFileSync(path.join(root, file), 'utf8'))
    .join('\n');
  const given = new Set([...text.matchAll(/'([A-Z][A-Z_]+)'/g)].map((m) => m[1]));
  expect(ERROR_CODES.filter((code) => !given.has(code))).toEqual([]);
});
