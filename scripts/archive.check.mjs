// A shop that archives every change: put back to a moment, to its last change after its disk is
// gone, and refused where the archive does not reach.
import assert from 'node:assert/strict';
import { randomUUID } from 'node:crypto';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { aShop } from './aShop.mjs';
import { soon } from './soon.mjs';

const home = fs.mkdtempSync(path.join(os.tmpdir(), 'stennet-archived-'));
const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'stennet-archive-'));
fs.chmodSync(folder, 0o755);
const { must, stennet, start, ask, firstVisit, signIn, openOrder } = await aShop(home);
const pause = (ms) => new Promise((resolve) => setTimeout(resolve, ms));

async function order(number) {
  const id = randomUUID();
  assert.equal((await openOrder(number, id)).status, 200);
  return id;
}
const isThere = async (id) => (await ask(`/api/orders/${id}`)).status === 200;

try {
  await firstVisit(start());
  const before = await order('A1');
  assert.match(stennet('archive', folder).said, /Stop Stennet first/);
  must('stop');
  assert.match(stennet('archive', path.join(home, 'x')).said, /outside of/);
  assert.match(stennet('rewind', folder).said, /holds no archive/);
  must('archive', folder);
  assert.match(stennet('rewind', folder, '--to', '2020-01-01T00:00:00Z').said, /goes back to/);

  start();
  await signIn();
  const kept = await order('A2');
  await pause(1500);
  const moment = new Date().toISOString();
  await pause(1500);
  const later = await order('A3');
  assert.match(must('status'), /Archive: last file/);
  must('stop');

  assert.match(
    stennet('rewind', folder, '--to', '2099-01-01T00:00:00Z').said,
    /archive ends before/,
  );
  must('rewind', folder, '--to', moment);
  start();
  await signIn();
  assert.deepEqual(
    [await isThere(before), await isThere(kept), await isThere(later)],
    [true, true, false],
  );
  assert.match(must('verify', '--all'), /./);
  // It goes on from there, and is archived as before.
  const after = await order('A4');
  must('archive', folder);
  const last = await order('A5');
  await soon('it is archived', () => /last file at 2/.test(stennet('status').said));
  must('stop');

  // The disk is gone: all that is left is the archive.
  await pause(500);
  fs.rmSync(home, { recursive: true });
  fs.mkdirSync(home, { mode: 0o755 });
  must('rewind', folder);
  start();
  await signIn();
  assert.deepEqual([await isThere(kept), await isThere(after)], [true, true]);
  console.log(
    `put back to ${moment}, and from the archive alone ${(await isThere(last)) ? 'to the last order' : 'to the last archived file'}`,
  );
  must('stop');
} finally {
  stennet('stop');
  fs.rmSync(home, { recursive: true, force: true });
  fs.rmSync(folder, { recursive: true, force: true });
}
