// Data folders as machines that fail leave them: healed where that is safe, else said in words, and
// nothing in them is touched.
import assert from 'node:assert/strict';
import { spawnSync } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { clusterIn } from './cluster.mjs';
import { assertHome } from './serving.mjs';
import { soon } from './soon.mjs';
import { notTried } from './notTried.mjs';

const isRoot = process.getuid() === 0;
const NOBODY = 65_534;
const made = fs.mkdtempSync(path.join(os.tmpdir(), 'stennet-folder-'));
fs.chmodSync(made, 0o755);
const home = path.join(made, 'home');
const folder = path.join(home, 'cluster');
const cluster = clusterIn(home);
const refused = (work, words) =>
  assert.throws(work, (error) => words.test(error.message) || assert.fail(error.message));
const refuses = (work, words) =>
  assert.rejects(work, (error) => words.test(error.message) || assert.fail(error.message));
const postmaster = () =>
  Number(fs.readFileSync(path.join(folder, 'data/postmaster.pid'), 'utf8').split('\n')[0]);
const childrenOf = (pid) =>
  spawnSync('pgrep', ['-P', String(pid)])
    .stdout.toString()
    .split('\n')
    .filter(Boolean)
    .map(Number);
async function killPostmaster() {
  process.kill(postmaster(), 'SIGKILL');
  await soon('it is gone', () => !cluster.running());
}
const here = () => cluster.urls('stennet_folder').app.replace(/:\d+\//, '/');

try {
  // Killed while the cluster was being made: begun again.
  fs.mkdirSync(path.join(folder, 'data.making/base'), { recursive: true });
  fs.writeFileSync(path.join(folder, 'data.making/PG_VERSION'), '15');
  await cluster.start();
  cluster.ensureDatabase('stennet_folder');

  // The power went: its lock file names a process that is gone, or by now another program.
  const before = here();
  await killPostmaster();
  await cluster.start();
  assert.equal(here(), before);
  assert.ok(cluster.hasDatabase('stennet_folder'), 'what was there is there');

  // Killed alone, and what belonged to it is slow to end: waited for, since two of them in one
  // folder would break it.
  const [slow] = childrenOf(postmaster());
  process.kill(slow, 'SIGSTOP');
  await killPostmaster();
  setTimeout(() => process.kill(slow, 'SIGCONT'), 500);
  await cluster.start();
  assert.ok(cluster.hasDatabase('stennet_folder'), 'what was there is there');
  cluster.stop();

  // Killed while a small file was written again: the old one counts.
  fs.writeFileSync(path.join(folder, 'cluster.json.new'), '{"id":"ha');
  await cluster.start();
  cluster.stop();
  const kept = fs.readFileSync(path.join(folder, 'cluster.json'));
  fs.writeFileSync(path.join(folder, 'cluster.json'), '');
  await refuses(() => cluster.start(), /cluster\.json cannot be read.*restore a backup/);
  fs.writeFileSync(path.join(folder, 'cluster.json'), kept);

  // Someone else's files where the cluster should be.
  const other = path.join(made, 'other');
  fs.mkdirSync(path.join(other, 'cluster/data'), { recursive: true });
  fs.writeFileSync(path.join(other, 'cluster/data/photo.jpg'), 'x');
  await refuses(
    () => clusterIn(other).start(),
    /holds something that is not a cluster. Move it away/,
  );
  assert.ok(fs.existsSync(path.join(other, 'cluster/data/photo.jpg')));

  // Another user's folder: of the data, and of everything.
  if (isRoot) {
    const { uid } = fs.statSync(path.join(folder, 'data'));
    fs.chownSync(path.join(folder, 'data'), NOBODY, NOBODY);
    await refuses(() => cluster.start(), /belongs to user 65534.*chown/);
    fs.chownSync(path.join(folder, 'data'), uid, uid);
    await cluster.start();
    cluster.stop();
  } else notTried('another user’s folder: only root can make one');
  const locked = path.join(made, 'locked');
  fs.mkdirSync(locked, { mode: 0o500 });
  if (isRoot) process.seteuid(NOBODY);
  refused(() => assertHome(path.join(locked, 'home')), /belongs to another user.*STENNET_HOME/);
  if (isRoot) process.seteuid(0);

  // No room: a small disk of memory, where one may be made.
  const small = path.join(made, 'small');
  fs.mkdirSync(small);
  if (spawnSync('mount', ['-t', 'tmpfs', '-o', 'size=40m', 'tmpfs', small]).status === 0) {
    try {
      refused(() => assertHome(small), /Only \d+ MB are free.*200 MB are needed/);
      spawnSync('dd', ['if=/dev/zero', `of=${path.join(small, 'full')}`, 'bs=1M']);
      refused(() => assertHome(small), /is full|MB are free/);
    } finally {
      spawnSync('umount', [small]);
    }
  } else notTried('a full disk: no small one can be made here');
  console.log(
    'half-made, killed, damaged, foreign, another user’s and full folders: repaired or reported',
  );
} finally {
  cluster.destroy();
  fs.rmSync(made, { recursive: true, force: true });
}
