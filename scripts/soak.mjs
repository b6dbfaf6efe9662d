// ./stennet soak and ./stennet cluster-check: the server is built, programs are there, and
// scripts/soak or scripts/machines does the rest.
import { spawnSync } from 'node:child_process';
import { ensureClusterPrograms, ensurePostgres, Refusal, root } from './install.mjs';

export async function soak(options) {
  ensurePostgres();
  buildAndRun('scripts/soak/main.mts', options);
}

export async function clusterCheck(options) {
  ensureClusterPrograms();
  buildAndRun('scripts/machines/main.mts', options);
}

function buildAndRun(program, { short }) {
  const built = spawnSync(process.execPath, ['scripts/build-server.mjs'], {
    cwd: root,
    stdio: ['ignore', 'ignore', 'inherit'],
  });
  if (built.status !== 0) throw new Refusal('Building the server failed; see above.');
  const done = spawnSync(
    process.execPath,
    ['--import', 'tsx', program, ...(short ? ['--short'] : [])],
    { cwd: root, stdio: 'inherit' },
  );
  process.exitCode = done.status ?? 1;
}
