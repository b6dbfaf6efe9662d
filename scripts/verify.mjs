// ./stennet verify FILE|RO: a record file, an archive, or what stands in the database: under a
// repair order's number, or all of it.
import { spawnSync } from 'node:child_process';
import fs from 'node:fs';
import { buildServer, onOwnCluster } from './asOwner.mjs';
import { keyFolder } from './cluster.mjs';
import { Refusal, root } from './install.mjs';

const DATABASES = ['stennet', 'stennet_demo'];

export async function verify([named], { all = false }) {
  const [what, witness] = all ? [null, named] : [named];
  if (!all && !what)
    throw new Refusal(
      'Say what to verify: ./stennet verify record.json, ./stennet verify ro-2389.zip, ./stennet verify 2389, or ./stennet verify --all [WITNESS]',
    );
  buildServer();
  if (!all && fs.existsSync(what)) {
    process.exitCode = check([fs.realpathSync(what)]);
    return;
  }
  await onOwnCluster(({ home, cluster }) => {
    const known = DATABASES.filter((name) => cluster.hasDatabase(name));
    if (known.length === 0)
      throw new Refusal('There is no database yet. Start Stennet first: ./stennet demo');
    const asked = all
      ? ['--all', ...(witness ? [fs.realpathSync(witness)] : [])]
      : ['--order', what];
    const codes = known.map((name) =>
      check(asked, { OWNER_DATABASE_URL: cluster.urls(name).owner, KEY_DIR: keyFolder(home) }),
    );
    process.exitCode = codes.includes(1) ? 1 : codes.includes(0) ? 0 : 2;
  });
}

/** @returns the exit code: 0 all holds, 1 something does not, 2 there is nothing to check */
function check(args, env = {}) {
  const done = spawnSync(process.execPath, ['server/dist/verify.js', ...args], {
    cwd: root,
    stdio: ['ignore', 'inherit', 'inherit'],
    env: { ...process.env, ...env },
  });
  return done.status ?? 2;
}
