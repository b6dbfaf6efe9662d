// A streaming replica on loopback: what only reads is read there, it follows, and when it is away
// the primary answers instead.
import assert from 'node:assert/strict';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import pg from 'pg';
import { clusterIn, freePort, keyFolder } from './cluster.mjs';
import { healthy, isOver, node, fillWithDemo, serverProcess } from './serving.mjs';
import { soon } from './soon.mjs';

const NAME = 'stennet_replica';
const VEHICLE = 'ZZ9BREN20H0002389';
const home = fs.mkdtempSync(path.join(os.tmpdir(), 'stennet-replica-'));
fs.chmodSync(home, 0o755);
const cluster = clusterIn(home);
let replica;
let second;
let server;

try {
  await cluster.start();
  const urls = cluster.ensureDatabase(NAME);
  node(['scripts/build-server.mjs']);
  // From before the tables are made: it has them by the primary's log alone.
  const other = path.join(home, 'second');
  fs.mkdirSync(other);
  fs.chmodSync(other, 0o755);
  second = await cluster.replicate(other);
  fillWithDemo(urls.owner, home);
  replica = await cluster.replicate(home);
  const port = await freePort();
  const url = `http://127.0.0.1:${port}`;
  server = serverProcess({
    DATABASE_URL: urls.app,
    READ_DATABASE_URL: replica.url(NAME),
    KEY_DIR: keyFolder(home),
    PORT: String(port),
  });
  await healthy(url, () => isOver(server));
  const signedIn = await fetch(`${url}/api/session`, {
    method: 'POST',
    headers: { Origin: url, 'Content-Type': 'application/json' },
    body: JSON.stringify({ name: 'Petra Voll', password: 'witness-mark' }),
  });
  const cookie = signedIn.headers
    .getSetCookie()
    .map((c) => c.split(';')[0])
    .join('; ');
  const orders = async () => {
    const reply = await fetch(`${url}/api/history?by=vehicle&vin=${VEHICLE}`, {
      headers: { Cookie: cookie },
    });
    assert.equal(reply.status, 200);
    return (await reply.json()).lines.map((l) => l.number);
  };
  const primary = new pg.Client({ connectionString: urls.admin });
  const copy = new pg.Client({
    connectionString: Object.assign(new URL(urls.admin), { port: new URL(replica.url(NAME)).port })
      .href,
  });
  await Promise.all([primary.connect(), copy.connect()]);
  copy.on('error', () => undefined);
  const rename = (from, to) =>
    primary.query('update repair_order set number = $2 where number = $1', [from, to]);

  const [first] = await orders();
  assert.ok(first, 'the demo has a history for the vehicle');
  assert.equal((await copy.query('select pg_is_in_recovery() as is')).rows[0].is, true);

  // Held still, it shows what was: so the view is read there. Writing goes on in the meantime.
  await copy.query('select pg_wal_replay_pause()');
  await rename(first, 'R-1');
  assert.deepEqual(await orders(), [first]);
  await copy.query('select pg_wal_replay_resume()');
  await soon('the replica follows', async () => (await orders())[0] === 'R-1');

  // The other one, promoted: it is a primary like the first, also for what the audit trail guards.
  second.promote();
  const promoted = new pg.Client({
    connectionString: Object.assign(new URL(urls.admin), { port: new URL(second.url(NAME)).port })
      .href,
  });
  promoted.on('error', () => undefined);
  await promoted.connect();
  await soon('the promoted one takes a guarded row', async () =>
    promoted
      .query('update repair_order set number = $2 where number = $1', ['R-1', 'R-9'])
      .then(({ rowCount }) => rowCount === 1),
  );
  await promoted.end();

  // Killed: the same view, at once and current, from the primary.
  await copy.end();
  replica.kill();
  await rename('R-1', 'R-2');
  assert.deepEqual(await orders(), ['R-2']);
  await primary.end();
  console.log(
    'reads go to the replica, follow it, and fall back to the primary; one that is promoted writes',
  );
} finally {
  server?.kill('SIGTERM');
  replica?.kill();
  second?.kill();
  cluster.destroy();
  fs.rmSync(home, { recursive: true, force: true });
}
