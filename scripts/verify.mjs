// ./stennet verify FILE|RO: a record file, an archive, or what stands in the database under a repair order's number.
import { spawnSync } from 'node:child_process';
import fs from 'node:fs';
import { clusterIn, dataHome, keyFolder } from './cluster.mjs';
import { ensurePostgres, Refusal, root } from './install.mjs';

const DATABASES = ['stennet', 'stennet_demo'];

export async function verify([what]) {
  if (!what) throw new Refusal('Name what to check: ./stennet verify record.json, ./stennet verify ro-2389.zip, or ./stennet verify 2389');
  const built = spawnSync(process.execPath, ['scripts/build-server.mjs'], { cwd: root, stdio: ['ignore', 'ignore', 'inherit'] });
  if (built.status !== 0) throw new Refusal('The server could not be built; see above.');
  if (fs.existsSync(what)) return check([fs.realpathSync(what)]);
  ensurePostgres();
  const home = dataHome();
  const cluster = clusterIn(home);
  const wasRunning = cluster.running();
  if (!wasRunning) await cluster.start();
  try {
    const known = DATABASES.filter((name) => cluster.hasDatabase(name));
    if (known.length === 0) throw new Refusal('There is no database yet. Start Stennet first: ./stennet demo');
    for (const name of known) {
      const code = check(['--order', what], { OWNER_DATABASE_URL: cluster.urls(name).owner, KEY_DIR: keyFolder(home) });
      if (code === 0) return;
    }
  } finally {
    if (!wasRunning) cluster.stop();
  }
}

/** @returns the exit code: 0 all holds, 1 something does not, 2 there is nothing to check */
function check(args, env = {}) {
  const done = spawnSync(process.execPath, ['server/dist/verify.js', ...args], { cwd: root, stdio: ['ignore', 'inherit', 'inherit'], env: { ...process.env, ...env } });
  if (done.status !== 0) process.exitCode = done.status ?? 2;
  else process.exitCode = 0;
  return done.status;
}
