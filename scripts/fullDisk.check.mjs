// A shop whose disk becomes full while it runs: what is not kept is refused in words, what was kept is there, and with room it goes on by itself.
import assert from 'node:assert/strict';
import { spawnSync } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { aShop } from './aShop.mjs';
import { soon } from './soon.mjs';

const MOST = 3000;
const home = fs.mkdtempSync(path.join(os.tmpdir(), 'stennet-full-'));
const isMounted = spawnSync('mount', ['-t', 'tmpfs', '-o', 'size=420m', 'tmpfs', home]).status === 0;
const { must, stennet, start, firstVisit, signIn, openOrder, orders } = await aShop(home);
const numbers = async () => (await orders()).orders.map((o) => o.number);

async function fillsUp() {
  await firstVisit(start());
  const filler = path.join(home, 'full');
  spawnSync('dd', ['if=/dev/zero', `of=${filler}`, 'bs=1M']);
  const kept = [];
  let refused = null;
  for (let i = 1; !refused && i < MOST; i += 1) {
    const reply = await openOrder(`F${i}`);
    if (reply.status === 200) kept.push(`F${i}`);
    else refused = reply;
  }
  assert.ok(refused, 'it became full');
  assert.ok(['DISK_FULL', 'OFFLINE'].includes(refused.body.error.code), JSON.stringify(refused));
  assert.ok(refused.body.error.message && refused.body.error.fix);

  fs.rmSync(filler);
  let tries = 0;
  await soon('it takes orders again', async () => (await signIn()).status === 200 && (await openOrder(`later ${(tries += 1)}`)).status === 200);
  // What was refused may have been kept a moment before it became full; what was acknowledged must have been.
  const all = await numbers();
  assert.deepEqual(
    kept.filter((number) => all.filter((n) => n === number).length !== 1),
    [],
  );
  assert.ok(all.includes(`later ${tries}`));
  console.log(`full after ${kept.length} orders, said ${refused.body.error.code}; all of them are there, and it goes on`);
  must('stop');
}

try {
  if (isMounted) await fillsUp();
  else console.log('not tried: no small disk can be made here');
} finally {
  stennet('stop');
  if (isMounted) spawnSync('umount', [home]);
  fs.rmSync(home, { recursive: true, force: true });
}
