// ./stennet soak: builds, starts a cluster of its own and two servers, and lets
// scripts/soak/main.mts do the rest.
import { spawnSync } from 'node:child_process';
import { ensurePostgres, Refusal, root } from './install.mjs';

export async function soak({ short }) {
  ensurePostgres();
  const built = spawnSync(process.execPath, ['scripts/build-server.mjs'], {
    cwd: root,
    stdio: ['ignore', 'ignore', 'inherit'],
  });
  if (built.status !== 0) throw new Refusal('Building the server failed; see above.');
  const done = spawnSync(
    process.execPath,
    ['--import', 'tsx', 'scripts/soak/main.mts', ...(short ? ['--short'] : [])],
    { cwd: root, stdio: 'inherit' },
  );
  process.exitCode = done.status ?? 1;
}
