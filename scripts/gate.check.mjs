// On a fresh machine no npm package is there: what `./stennet` loads before it installs them may
// import none.
import assert from 'node:assert/strict';
import fs from 'node:fs';
import path from 'node:path';
import { root } from './install.mjs';

const IMPORT =
  /^\s*(?:import|export)\b[^'"]*?from\s*['"]([^'"]+)['"]|^\s*import\s*['"]([^'"]+)['"]/gm;

function importedBy(file, seen = new Map()) {
  if (seen.has(file)) return seen;
  const names = [...fs.readFileSync(file, 'utf8').matchAll(IMPORT)].map((m) => m[1] ?? m[2]);
  seen.set(file, names);
  for (const name of names)
    if (name.startsWith('.')) importedBy(path.resolve(path.dirname(file), name), seen);
  return seen;
}

const loaded = importedBy(path.join(root, 'scripts/stennet.mjs'));
assert.ok(loaded.size >= 3, 'the walk found nothing to look at');
for (const [file, names] of loaded) {
  const packages = names.filter((name) => !name.startsWith('.') && !name.startsWith('node:'));
  assert.deepEqual(
    packages,
    [],
    `${path.relative(root, file)} is loaded before the packages are installed`,
  );
}
console.log(
  `${loaded.size} modules are loaded before the packages are installed; none imports a package`,
);
