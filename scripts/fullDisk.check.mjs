// A shop whose disk becomes full while it runs: what is not kept is refused in words, what was kept
// is there, and with room it goes on by itself.
import assert from 'node:assert/strict';
import { spawnSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { aShop } from './aShop.mjs';
import { notTried } from './notTried.mjs';
import { soon } from './soon.mjs';

const MOST = 3000;
const ROOM_LEFT = 400_000;
const home = fs.mkdtempSync(path.join(os.tmpdir(), 'stennet-full-'));
const isMounted =
  spawnSync('mount', ['-t', 'tmpfs', '-o', 'size=420m', 'tmpfs', home]).status === 0;
const { must, stennet, start, ask, firstVisit, signIn, openOrder } = await aShop(home);

async function fillsUp() {
  await firstVisit(start());
  const filler = path.join(home, 'full');
  spawnSync('dd', ['if=/dev/zero', `of=${filler}`, 'bs=1M']);
  fs.truncateSync(filler, fs.statSync(filler).size - ROOM_LEFT);
  const kept = [];
  let refused = null;
  for (let i = 1; !refused && i < MOST; i += 1) {
    const order = randomUUID();
    const reply = await openOrder(`F${i}`, order);
    if (reply.status === 200) kept.push(order);
    else refused = reply;
  }
  assert.ok(refused, 'it became full');
  assert.ok(['DISK_FULL', 'OFFLINE'].includes(refused.body.error.code), JSON.stringify(refused));
  assert.ok(refused.body.error.message && refused.body.error.fix);

  fs.rmSync(filler);
  let tries = 0;
  await soon(
    'it takes orders again',
    async () =>
      (await signIn()).status === 200 && (await openOrder(`later ${(tries += 1)}`)).status === 200,
  );
  for (const order of kept) assert.equal((await ask(`/api/orders/${order}`)).status, 200);
  console.log(
    `full after ${kept.length} orders: ${refused.body.error.code}; all of them are stored, and the server keeps working`,
  );
  must('stop');
}

try {
  if (isMounted) await fillsUp();
  else notTried('no small disk can be made here');
} finally {
  stennet('stop');
  if (isMounted) spawnSync('umount', [home]);
  fs.rmSync(home, { recursive: true, force: true });
}
