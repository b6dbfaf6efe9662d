// A shop's life, by its commands: started, first visit, a backup, wiped, restored; a damaged copy
// leaves what is there.
import assert from 'node:assert/strict';
import { spawn, spawnSync } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import tar from 'tar-stream';
import { aShop, PASSWORD } from './aShop.mjs';
import { freePort } from './cluster.mjs';
import { LIST } from './madeBackups.mjs';
import { root } from './install.mjs';
import { isHealthy } from './serving.mjs';
import { soon } from './soon.mjs';

const home = fs.mkdtempSync(path.join(os.tmpdir(), 'stennet-shop-'));
const { url, stennet, must, ask, start, cookie, firstVisit, makeShop, signIn, openOrder, orders } =
  await aShop(home);
const everything = async () => {
  await signIn();
  return JSON.stringify([await orders(), (await ask('/api/people')).body]);
};

try {
  assert.match(stennet('status').said, /not running/);
  const said = start();
  assert.match(stennet('start').said, /already running/);
  assert.match(must('status'), new RegExp(`running at ${url}`));
  await firstVisit(said);
  assert.equal((await openOrder('1001')).status, 200);
  const said2 = must('new-shop');
  const [, code, at] = /one more shop: (\S+)\nIts lead opens (\S+) and/.exec(said2) ?? [];
  assert.equal(at, `${url}/new-shop`, said2);
  const annexe = await makeShop(code, 'Kiln Lane Annexe', 'Tove Brandt');
  assert.equal(annexe.body.shop?.name, 'Kiln Lane Annexe');
  assert.equal((await makeShop(code, 'Once more', 'Somebody Else')).body.error?.code, 'SETUP_CODE');
  const before = await everything();
  const log = fs.readFileSync(path.join(home, 'shop.log'), 'utf8');
  assert.ok(
    !log.includes(PASSWORD) && !log.includes(cookie().split('.')[1]),
    'the log keeps no secret',
  );

  // The server killed, then PostgreSQL: each is there again by itself, with what was kept.
  const numberIn = (file) => /\d+/.exec(fs.readFileSync(path.join(home, file), 'utf8'))[0];
  const server = () =>
    spawnSync('pgrep', ['-P', numberIn('shop.json')], { encoding: 'utf8' }).stdout.trim();
  const postmaster = () => numberIn('cluster/data/postmaster.pid');
  for (const one of [server, postmaster]) {
    const died = one();
    process.kill(Number(died), 'SIGKILL');
    await soon('it is there again', () => one() !== died && one() !== '');
    await soon('it serves what was kept', async () => (await everything()) === before);
  }

  // The one that keeps them killed: nothing is left that serves, it is said so, and a start goes
  // on.
  const [keeper, served] = [numberIn('shop.json'), server()];
  process.kill(Number(keeper), 'SIGKILL');
  await soon(
    'the server has ended too',
    () =>
      !fs.existsSync(`/proc/${served}`) ||
      fs.readFileSync(`/proc/${served}/stat`, 'utf8').includes(') Z'),
  );
  assert.match(stennet('status').said, /not running. Its PostgreSQL still is/);
  start();
  assert.equal(await everything(), before);

  const copy = path.join(home, 'copy.tar');
  must('backup', copy);
  const secret = path.join(home, 'passphrase');
  fs.writeFileSync(secret, 'a long one for the safe\n');
  const locked = path.join(home, 'locked.tar.age');
  must('backup', locked, '--passphrase-file', secret);
  for (const file of [
    copy,
    locked,
    ...fs.readdirSync(path.join(home, 'keys')).map((name) => path.join(home, 'keys', name)),
  ])
    assert.equal(fs.statSync(file).mode & 0o777, 0o600, file);
  assert.ok(
    !fs.readFileSync(locked).includes('Kiln Lane'),
    'nothing of an encrypted backup can be read',
  );
  const made = fs
    .readFileSync(path.join(home, 'keys', LIST), 'utf8')
    .trim()
    .split('\n');
  assert.deepEqual(
    made.map((line) => JSON.parse(line)).map(({ name, encrypted }) => [name, encrypted]),
    [
      ['copy.tar', false],
      ['locked.tar.age', true],
    ],
  );
  assert.match(stennet('restore', copy).said, /Stop it first/);
  must('stop');
  assert.match(stennet('stop').said, /not running/);

  const refuses = (words, ...args) => {
    const { ok, said } = stennet('restore', ...args);
    assert.ok(!ok && words.test(said) && !/\n +at /.test(said), said);
  };
  // Damaged in a row of a table: refused, and what is there stays.
  const bytes = fs.readFileSync(copy);
  bytes[bytes.indexOf('Kiln Lane')] ^= 0xff;
  const damaged = path.join(home, 'damaged.tar');
  fs.writeFileSync(damaged, bytes);
  refuses(/damaged/, damaged);
  // Prepared by someone else.
  const prepared = (change) => forged(copy, path.join(home, 'forged.tar'), change);
  refuses(
    /holds “keys\/.*”, which a backup does not/,
    await prepared((files) =>
      files.push([
        {
          name: `keys/${'0'.repeat(8)}-0000-4000-8000-000000000000.pem`,
          type: 'symlink',
          linkname: '/etc/passwd',
        },
      ]),
    ),
  );
  refuses(
    /holds “..\/..\/etc\/cron.d\/x”/,
    await prepared((files) => files.push([{ name: '../../etc/cron.d/x' }, 'x'])),
  );
  refuses(
    /tables\/evil.csv is not what it was/,
    await prepared((files) => files.push([{ name: 'tables/evil.csv' }, 'x'])),
  );
  refuses(
    /manifest is not signed/,
    await prepared((files) => (textOf(files, 'manifest.json').text += ' ')),
  );
  refuses(/Give its passphrase/, locked);
  fs.writeFileSync(path.join(home, 'wrong'), 'another');
  refuses(
    /does not open with this passphrase/,
    locked,
    '--passphrase-file',
    path.join(home, 'wrong'),
  );
  start();
  assert.equal(await everything(), before);
  must('stop');

  // The key gone: it does not start, and says why.
  const keys = path.join(home, 'keys');
  fs.renameSync(keys, `${keys}.away`);
  assert.match(
    stennet('start', '--port', new URL(url).port).said,
    /Can’t read a shop’s signing key.*Restore it from a backup/,
  );
  assert.match(stennet('status').said, /not running/);
  fs.rmSync(keys, { recursive: true, force: true });
  fs.renameSync(`${keys}.away`, keys);
  must('verify', '--all');

  // Wiped, as on a new machine.
  spawnSync('rm', ['-rf', path.join(home, 'cluster'), keys]);
  must('restore', locked, '--passphrase-file', secret);
  start();
  assert.equal(await everything(), before);
  // Called twice at once: one starts it, or it runs already; never two.
  must('stop');
  const both = await Promise.all([1, 2].map(() => startBeside(home, url)));
  assert.equal(both.filter(Boolean).length, 1, 'of two starts at once one starts it');
  assert.equal(await everything(), before);
  must('stop');
  await overTls(home, stennet);
  console.log(
    'started, first visit, one more shop, killed, backed up, prepared copies refused, wiped, restored from an encrypted one, twice at once, with TLS',
  );
} finally {
  stennet('stop');
  spawnSync('rm', ['-rf', home]);
}

function textOf(files, name) {
  return files.find(([header]) => header.name === name)[2];
}

/** The backup with something else in it. */
async function forged(file, target, change) {
  const files = [];
  const extract = tar.extract();
  fs.createReadStream(file).pipe(extract);
  for await (const entry of extract) {
    const parts = [];
    for await (const part of entry) parts.push(part);
    const kept = { text: Buffer.concat(parts).toString('utf8') };
    files.push([{ name: entry.header.name }, null, kept]);
  }
  change(files);
  const pack = tar.pack();
  for (const [header, text, kept] of files) pack.entry(header, kept?.text ?? text ?? '');
  pack.finalize();
  fs.rmSync(target, { force: true });
  const parts = [];
  for await (const part of pack) parts.push(part);
  fs.writeFileSync(target, Buffer.concat(parts));
  return target;
}

/** Without waiting for it, so that another can begin in the meantime. */
function startBeside(folder, at) {
  return new Promise((resolve) => {
    const env = { ...process.env, STENNET_HOME: folder, DATABASE_URL: '', OWNER_DATABASE_URL: '' };
    spawn(path.join(root, 'stennet'), ['start', '--port', new URL(at).port], {
      cwd: root,
      env,
      stdio: 'ignore',
    }).once('exit', (code) => resolve(code === 0));
  });
}

async function overTls(folder, stennet) {
  const [cert, key] = ['cert.pem', 'key.pem'].map((name) => path.join(folder, name));
  const made = spawnSync('openssl', [
    'req',
    '-x509',
    '-newkey',
    'rsa:2048',
    '-nodes',
    '-subj',
    '/CN=localhost',
    '-days',
    '2',
    '-keyout',
    key,
    '-out',
    cert,
  ]);
  if (made.status !== 0)
    return console.log('TLS was not tried: there is no openssl to make a certificate with');
  const port = String(await freePort());
  const begun = stennet('start', '--port', port, '--tls-cert', cert, '--tls-key', key);
  assert.ok(begun.ok, begun.said);
  assert.ok(await isHealthy(`https://127.0.0.1:${port}`));
  assert.match(stennet('status').said, new RegExp(`running at https://127.0.0.1:${port}`));
  stennet('stop');
  // A certificate that is none: said, and nothing of it goes on.
  fs.writeFileSync(cert, 'x');
  const failed = stennet('start', '--port', port, '--tls-cert', cert, '--tls-key', key);
  assert.ok(!failed.ok && /did not start/.test(failed.said), failed.said);
  assert.match(stennet('status').said, /not running/);
}
