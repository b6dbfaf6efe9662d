// A shop's life, by its commands: started, first visit, a backup, wiped, restored; a damaged copy leaves what is there.
import assert from 'node:assert/strict';
import { spawnSync } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { aShop, PASSWORD } from './aShop.mjs';
import { soon } from './soon.mjs';

const home = fs.mkdtempSync(path.join(os.tmpdir(), 'stennet-shop-'));
const { url, stennet, must, ask, start, cookie, firstVisit, signIn, openOrder, orders } = await aShop(home);
const everything = async () => {
  await signIn();
  return JSON.stringify([await orders(), (await ask('/api/people')).body]);
};

try {
  assert.match(stennet('status').said, /does not run/);
  const said = start();
  assert.match(stennet('start').said, /runs already/);
  assert.match(must('status'), new RegExp(`runs at ${url}`));
  await firstVisit(said);
  assert.equal((await openOrder('1001')).status, 200);
  const before = await everything();
  const log = fs.readFileSync(path.join(home, 'shop.log'), 'utf8');
  assert.ok(!log.includes(PASSWORD) && !log.includes(cookie().split('.')[1]), 'the log keeps no secret');

  // The server killed, then PostgreSQL: each is there again by itself, with what was kept.
  const numberIn = (file) => /\d+/.exec(fs.readFileSync(path.join(home, file), 'utf8'))[0];
  const server = () => spawnSync('pgrep', ['-P', numberIn('shop.json')], { encoding: 'utf8' }).stdout.trim();
  const postmaster = () => numberIn('cluster/data/postmaster.pid');
  for (const one of [server, postmaster]) {
    const died = one();
    process.kill(Number(died), 'SIGKILL');
    await soon('it is there again', () => one() !== died && one() !== '');
    await soon('it serves what was kept', async () => (await everything()) === before);
  }

  const copy = path.join(home, 'copy.tar');
  must('backup', copy);
  assert.match(stennet('restore', copy).said, /Stop it first/);
  must('stop');
  assert.match(stennet('stop').said, /does not run/);

  // Damaged in the middle: refused, and what is there stays.
  const bytes = fs.readFileSync(copy);
  bytes[Math.floor(bytes.length / 2)] ^= 0xff;
  const damaged = path.join(home, 'damaged.tar');
  fs.writeFileSync(damaged, bytes);
  const refused = stennet('restore', damaged);
  assert.ok(!refused.ok && /damaged|does not restore/.test(refused.said), refused.said);
  start();
  assert.equal(await everything(), before);
  must('stop');

  // Wiped, as on a new machine.
  spawnSync('rm', ['-rf', path.join(home, 'cluster'), path.join(home, 'keys')]);
  must('restore', copy);
  start();
  assert.equal(await everything(), before);
  must('stop');
  console.log('started, first visit, backed up, a damaged copy refused, wiped, restored: the same');
} finally {
  stennet('stop');
  spawnSync('rm', ['-rf', home]);
}
