// What the product is made of, out of the lock file: a CycloneDX document in test-results/, with
// every package in it.
import assert from 'node:assert/strict';
import { spawnSync } from 'node:child_process';
import fs from 'node:fs';
import path from 'node:path';
import { root } from './install.mjs';

const made = spawnSync(
  'npm',
  ['sbom', '--sbom-format', 'cyclonedx', '--package-lock-only', '--loglevel=silent'],
  { cwd: root, encoding: 'utf8', maxBuffer: 1e8 },
);
assert.equal(made.status, 0, made.stderr);
const sbom = JSON.parse(made.stdout);
assert.equal(sbom.bomFormat, 'CycloneDX');
const locked = Object.entries(
  JSON.parse(fs.readFileSync(path.join(root, 'package-lock.json'), 'utf8')).packages,
).filter(([at, p]) => at.startsWith('node_modules/') && !p.link);
const names = new Set(sbom.components.map((c) => c['bom-ref']));
const missing = locked.filter(
  ([at, p]) =>
    !p.optional &&
    !names.has(`${p.name ?? at.slice(at.lastIndexOf('node_modules/') + 13)}@${p.version}`),
);
assert.deepEqual(
  missing.map(([at]) => at),
  [],
  'every package of the lock file is in the list',
);
fs.mkdirSync(path.join(root, 'test-results'), { recursive: true });
fs.writeFileSync(path.join(root, 'test-results/sbom.cdx.json'), JSON.stringify(sbom, null, 1));
console.log(
  `${sbom.components.length} packages, CycloneDX ${sbom.specVersion}, in test-results/sbom.cdx.json`,
);
