// ./stennet put-away: signed runs that have not been touched for so long go into record files, and
// their entries leave the database. They answer as before.
import { spawnSync } from 'node:child_process';
import { clusterIn, dataHome, keyFolder } from './cluster.mjs';
import { ensurePostgres, Refusal, root } from './install.mjs';

const USUAL_DAYS = '400';

export async function putAway({ days = USUAL_DAYS }) {
  if (!/^[1-9]\d{0,4}$/.test(days))
    throw new Refusal('--days needs a whole number, 1 or more: how long a signed job has rested.');
  if (!process.env.FILES_DIR && !process.env.FILES_URL)
    throw new Refusal(
      'Name a place for record files that every server reads: a folder in FILES_DIR, or a bucket in FILES_URL. docs/SCALING.md says more.',
    );
  const built = spawnSync(process.execPath, ['scripts/build-server.mjs'], {
    cwd: root,
    stdio: ['ignore', 'ignore', 'inherit'],
  });
  if (built.status !== 0) throw new Refusal('Building the server failed; see above.');
  // A PostgreSQL of the system's own, or a cluster.
  if (process.env.OWNER_DATABASE_URL) return void run(days, {});
  ensurePostgres();
  const home = dataHome();
  const cluster = clusterIn(home);
  const wasRunning = cluster.running();
  if (!wasRunning) await cluster.start();
  try {
    if (!cluster.hasDatabase('stennet'))
      throw new Refusal('There is no shop yet. Create it with: ./stennet start');
    run(days, {
      OWNER_DATABASE_URL: cluster.urls('stennet').owner,
      KEY_DIR: process.env.KEY_DIR || keyFolder(home),
    });
  } finally {
    if (!wasRunning) cluster.stop();
  }
}

function run(days, env) {
  const done = spawnSync(process.execPath, ['server/dist/putAway.js', days], {
    cwd: root,
    stdio: ['ignore', 'inherit', 'inherit'],
    env: { ...process.env, ...env },
  });
  process.exitCode = done.status ?? 1;
}
