// A shop's life, by its commands: started, first visit, a backup, wiped, restored; a damaged copy leaves what is there.
import assert from 'node:assert/strict';
import { spawnSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { freePort } from './cluster.mjs';
import { root } from './install.mjs';
import { soon } from './soon.mjs';

const home = fs.mkdtempSync(path.join(os.tmpdir(), 'stennet-shop-'));
fs.chmodSync(home, 0o755);
const port = await freePort();
const url = `http://127.0.0.1:${port}`;

function stennet(...args) {
  const done = spawnSync(path.join(root, 'stennet'), args, { cwd: root, encoding: 'utf8', env: { ...process.env, STENNET_HOME: home, DATABASE_URL: '', OWNER_DATABASE_URL: '' } });
  return { ok: done.status === 0, said: `${done.stdout}${done.stderr}` };
}
const must = (...args) => {
  const done = stennet(...args);
  assert.ok(done.ok, `./stennet ${args.join(' ')}:\n${done.said}`);
  return done.said;
};
let cookie = '';
async function ask(where, body) {
  const send = () =>
    fetch(`${url}${where}`, {
      method: body ? 'POST' : 'GET',
      headers: { Origin: url, Cookie: cookie, ...(body ? { 'Content-Type': 'application/json' } : {}) },
      ...(body ? { body: JSON.stringify(body) } : {}),
    });
  // A connection of the server before is still in the pool.
  const reply = await send().catch(send);
  const own = reply.headers.getSetCookie().find((c) => c.startsWith('stennet_session='));
  if (own) cookie = own.split(';')[0];
  assert.ok(reply.headers.get('x-request-id'));
  return { status: reply.status, body: await reply.json() };
}
const PASSWORD = 'tighten in order';
const everything = async () => {
  await ask('/api/session', { name: 'Ada Fenn', password: PASSWORD });
  return JSON.stringify([(await ask('/api/orders?all=yes')).body, (await ask('/api/people')).body]);
};

try {
  assert.match(stennet('status').said, /does not run/);
  const said = must('start', '--port', String(port));
  const code = /makes the shop: (\S+)/.exec(said)?.[1];
  assert.ok(code);
  assert.match(stennet('start', '--port', String(port)).said, /runs already/);
  assert.match(must('status'), new RegExp(`runs at ${url}`));
  assert.deepEqual((await ask('/api/setup')).body, { needed: true });
  const shop = { name: 'Kiln Lane Motors', locale: 'en-GB', timeZone: 'Europe/Berlin', paper: 'A4', torqueUnit: 'N.m' };
  assert.equal((await ask('/api/setup', { code, shop, name: 'Ada Fenn', password: PASSWORD })).status, 200);
  const head = {
    number: '1001',
    vehicle: { maker: 'Ostrel', model: 'Brenna 2.0', engine: 'OB20', plate: 'KL 1', vin: 'ZZ9BREN20H0001001', built: '2018-03-12' },
    odometer: { value: 1000, unit: 'km' },
    customer: 'Vann',
    concern: 'Coolant loss',
    bay: null,
    promisedAt: null,
  };
  assert.equal((await ask('/api/orders', { order: randomUUID(), head })).status, 200);
  const before = await everything();
  const log = fs.readFileSync(path.join(home, 'shop.log'), 'utf8');
  assert.ok(!log.includes(PASSWORD) && !log.includes(cookie.split('.')[1]), 'the log keeps no secret');

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
  must('start', '--port', String(port));
  assert.equal(await everything(), before);
  must('stop');

  // Wiped, as on a new machine.
  spawnSync('rm', ['-rf', path.join(home, 'cluster'), path.join(home, 'keys')]);
  must('restore', copy);
  must('start', '--port', String(port));
  assert.equal(await everything(), before);
  must('stop');
  console.log('started, first visit, backed up, a damaged copy refused, wiped, restored: the same');
} finally {
  stennet('stop');
  spawnSync('rm', ['-rf', home]);
}
