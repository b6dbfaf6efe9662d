import type { Signing } from '@stennet/core/contract';
import { type StoredEvent, sealEvent } from '@stennet/core/record';
import { spawnSync } from 'child_process';
import path from 'path';
import { finishedRun, sign, signing, bringIn, fileOf } from '../test/records';
import { jonah, house, petra, mei, ines } from '../test/theShop';
import { HALDEN } from '../test/world';

describe('what it was signed for', () => {
  test('another vehicle on the repair order is said, stops no later word, and is right again with it', async () => {
    const { run, count } = await finishedRun();
    await sign(jonah, run, count).expect(200);
    const { rows } = await house.admin.query<{
      id: string;
      number: string;
      vehicle: { vin: string };
    }>(
      'select o.id, o.number, o.vehicle from run u join joint t on t.id = u.joint join job j on j.id = t.job join repair_order o on o.id = j.repair_order where u.id = $1',
      [run],
    );
    const [order] = rows;
    if (!order) throw new Error('no order');
    const put = (vin: string) =>
      house.db.inShop(HALDEN, (c) =>
        c.query(
          "update repair_order set vehicle = jsonb_set(vehicle, '{vin}', to_jsonb($2::text)) where id = $1",
          [order.id, vin],
        ),
      );
    await put('ZZ9SOMEBODYELSES1');
    const seen = await signing(run);
    expect(seen).toMatchObject({ fault: null, mayNot: null });
    expect(seen.signedForOther).toContain(`Signed for RO ${order.number}`);
    expect(seen.signedForOther).toContain(order.vehicle.vin);
    // Such a document is not taken in elsewhere; corrected or said of again, it is.
    expect(
      (await bringIn(petra, Buffer.from(JSON.stringify(await fileOf(run))))).body.error.message,
    ).toContain('Signed for');
    const after = (
      await sign(mei, run, count, 'addendum', { text: 'Read off the body anew.' }).expect(200)
    ).body as Signing;
    expect(after.signedForOther).toBeNull();
    await bringIn(petra, Buffer.from(JSON.stringify(await fileOf(run)))).expect(200);
    await put(order.vehicle.vin);
    expect((await signing(run)).signedForOther).toContain('ZZ9SOMEBODYELSES1');
    // The command says so too, and calls nothing broken: a copy with such an order is restored.
    const env = {
      ...process.env,
      OWNER_DATABASE_URL: house.urls.owner,
      KEY_DIR: house.keys.folder,
    };
    const done = spawnSync(
      process.execPath,
      [path.resolve(__dirname, '../dist/verify.js'), '--order', order.number],
      { encoding: 'utf8', env },
    );
    expect(done).toMatchObject({
      status: 0,
      stdout: expect.stringMatching(/CHECK {3}RO .*\n +Signed for RO/),
    });
  });
});
describe('tampering by someone who owns the database', () => {
  const rows = async (run: string) =>
    (
      await house.admin.query<{ position: number; body: string; hash: string }>(
        'select position, body, hash from run_event where run = $1 order by position',
        [run],
      )
    ).rows;
  const put = (run: string, position: number, body: string, hash: string) =>
    house.admin.query(
      'update run_event set body = $3, hash = $4 where run = $1 and position = $2',
      [run, position, body, hash],
    );

  test('one changed value is named by its entry', async () => {
    const { run, count } = await finishedRun();
    await sign(jonah, run, count).expect(200);
    expect((await signing(run)).fault).toBeNull();
    const row = (await rows(run)).find((r) => r.body.includes('"pulled"') && r.position > 20);
    if (!row) throw new Error('no pull');
    await put(
      run,
      row.position,
      row.body.replace('"heldStill"', '"turned"').replace('"pass":1', '"pass":2'),
      row.hash,
    );
    expect((await signing(run)).fault).toBe(
      `Entry ${row.position} is the first that fails: its text was changed.`,
    );
  });

  test('a chain rewritten from the middle, every hash made to fit again, breaks where it was rewritten', async () => {
    const { run, count } = await finishedRun();
    await sign(jonah, run, count).expect(200);
    const from = 30;
    let prevHash = '';
    for (const row of await rows(run)) {
      const stored = JSON.parse(row.body) as StoredEvent;
      if (row.position < from) {
        prevHash = row.hash;
        continue;
      }
      const event =
        row.position === from
          ? { ...stored.event, deviceTime: '2026-11-24T08:00:00.000Z' }
          : stored.event;
      const again = sealEvent({ ...stored, prevHash, event });
      prevHash = again.hash;
      await put(run, row.position, again.body, again.hash);
    }
    await house.admin.query('update run set head_hash = $2 where id = $1', [run, prevHash]);
    expect((await signing(run)).fault).toBe(
      `Entry ${from} is the first that fails: it lacks the shop’s seal, so it didn’t come through the server.`,
    );
    // A signature already given is for other entries; nothing new is signed on it.
    expect((await sign(ines, run, count, 'second')).body.error.code).toBe('RECORD_BROKEN');
  });

  test('an entry cut off the end, a signature taken away, a word rewritten: each is seen', async () => {
    const { run, count } = await finishedRun();
    await sign(jonah, run, count).expect(200);
    await sign(ines, run, count, 'second').expect(200);
    await house.admin.query('begin');
    await house.admin.query(
      "update signed_word set body = replace(body, 'Ines', 'Inez') where run = $1 and kind = 'second'",
      [run],
    );
    await house.admin.query('commit');
    expect((await signing(run)).fault).toBe(
      'Signature 2 fails: it wasn’t signed with this shop’s key.',
    );
    await house.admin.query('delete from signed_word where run = $1', [run]);
    expect((await signing(run)).fault).toBe(
      'Signature 1 fails: an earlier signature is missing or changed.',
    );
    const cut = await finishedRun();
    await house.admin.query('delete from run_event where run = $1 and position = $2', [
      cut.run,
      cut.count,
    ]);
    expect((await signing(cut.run)).fault).toBe(
      `Entry ${cut.count} is the first that fails: an entry before it is missing or doubled.`,
    );
  });
});
