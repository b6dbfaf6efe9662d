// Programs of the server that work in its database as the owner of its tables, beside it.
import { spawnSync } from 'node:child_process';
import { clusterIn, dataHome, keyFolder } from './cluster.mjs';
import { ensurePostgres, Refusal, root } from './install.mjs';

export function buildServer() {
  const built = spawnSync(process.execPath, ['scripts/build-server.mjs'], {
    cwd: root,
    stdio: ['ignore', 'ignore', 'inherit'],
  });
  if (built.status !== 0) throw new Refusal('Building the server failed; see above.');
}

/** On this folder's own PostgreSQL, started for it where it is not running. */
export async function onOwnCluster(work) {
  ensurePostgres();
  const home = dataHome();
  const cluster = clusterIn(home);
  const wasRunning = cluster.running();
  if (!wasRunning) await cluster.start();
  try {
    return await work({ home, cluster });
  } finally {
    if (!wasRunning) cluster.stop();
  }
}

/**
 * Runs one of server/dist: on the PostgreSQL that OWNER_DATABASE_URL names, or else on this
 * folder's own.
 * @returns what it printed, where `read` is set; how it ended becomes how this program ends
 */
export async function runAsOwner(program, args = [], { read = false } = {}) {
  buildServer();
  const run = (env) => {
    const done = spawnSync(process.execPath, [`server/dist/${program}`, ...args], {
      cwd: root,
      stdio: ['ignore', read ? 'pipe' : 'inherit', 'inherit'],
      encoding: 'utf8',
      env: { ...process.env, ...env },
    });
    process.exitCode = done.status ?? 1;
    return done.stdout?.trim() ?? '';
  };
  // A PostgreSQL of the system's own, or a cluster.
  if (process.env.OWNER_DATABASE_URL) return run({});
  return onOwnCluster(({ home, cluster }) => {
    if (!cluster.hasDatabase('stennet'))
      throw new Refusal('There is no shop yet. Create it with: ./stennet start');
    return run({
      OWNER_DATABASE_URL: cluster.urls('stennet').owner,
      KEY_DIR: process.env.KEY_DIR || keyFolder(home),
    });
  });
}
