import { randomUUID } from 'node:crypto';
import { firstBreak } from '@stennet/core/record';
import type { Technician } from '@stennet/core/testing';
import type { RunEvent } from '@stennet/core/run';
import { house, ines, jonah, signEverybodyIn } from '../test/theShop';
import { HALDEN } from '../test/world';

interface Going {
  run: string;
  t: Technician;
  /** What its device still has. */
  left: RunEvent[];
}

/** A run under way whose last entries came through this server. */
async function underWay(entries = 8): Promise<Going> {
  const t = await jonah.technician(await house.freshJoint());
  const events = t.finish();
  await jonah.append(t.place.run, events.slice(0, entries)).expect(200);
  return { run: t.place.run, t, left: events.slice(entries) };
}

const stored = async (run: string): Promise<{ body: string; hash: string }[]> =>
  (
    await house.admin.query<{ body: string; hash: string }>(
      'select body, hash from run_event where run = $1 order by position',
      [run],
    )
  ).rows;

const ways = (): jest.SpyInstance[] => [
  jest.spyOn(house.options.db, 'inShopAtOnce'),
  jest.spyOn(house.options.db, 'alone'),
  jest.spyOn(house.options.db, 'inShop'),
];
afterEach(() => jest.restoreAllMocks());

describe('a pull more in a run that goes on', () => {
  test('is asked, written and sealed in one transaction, with the question who is signed in', async () => {
    const { run, left } = await underWay();
    expect(left[0]?.type).toBe('pulled');
    const [atOnce, alone, inTurn] = ways();
    await jonah.append(run, left.slice(0, 1)).expect(200);
    expect(atOnce).toHaveBeenCalledTimes(1);
    expect(alone).not.toHaveBeenCalled();
    expect(inTurn).not.toHaveBeenCalled();
    expect(await stored(run)).toHaveLength(9);
    expect(firstBreak(await stored(run))).toBeNull();
  });

  test('the whole run, one entry at a time, is what one batch would have stored', async () => {
    const { run, t, left } = await underWay(1);
    const [atOnce] = ways();
    for (const event of left) await jonah.append(run, [event]).expect(200);
    expect(atOnce?.mock.calls.length).toBeGreaterThan(left.length / 2);
    const bodies = (await stored(run)).map((r) => JSON.parse(r.body) as { event: RunEvent });
    const events = bodies.map((b) => b.event);
    expect(events.slice(1)).toEqual(left);
    expect(t.state.status).toBe('finished');
    expect(firstBreak(await stored(run))).toBeNull();
  });

  test('is told as a pull alone, another entry as more than that', async () => {
    const { run, left } = await underWay(1);
    const [atOnce] = ways();
    const told: [string, string[]][] = [];
    for (const event of left) {
      atOnce?.mockClear();
      await jonah.append(run, [event]).expect(200);
      for (const [, , topics] of atOnce?.mock.calls ?? []) told.push([event.type, topics]);
    }
    const ofPulls = told.filter(([type]) => type === 'pulled');
    expect(ofPulls.length).toBeGreaterThan(10);
    expect(ofPulls.map(([, topics]) => topics)).toEqual(ofPulls.map(() => [`pulls:${run}`]));
    const ofOthers = told.filter(([type]) => type !== 'pulled');
    expect(ofOthers.length).toBeGreaterThan(1);
    expect(ofOthers.map(([, topics]) => topics)).toEqual(ofOthers.map(() => [`run:${run}`]));
  });

  test('that stopped short is told at once: the lead has to decide', async () => {
    const t = await jonah.technician(await house.freshJoint());
    t.until((due) => due.kind === 'pull' && due.task.action === 'torque');
    await jonah.append(t.place.run, t.state.events.toArray()).expect(200);
    const short = t.step({ short: true });
    if (short?.type !== 'pulled') throw new Error('no pull');
    const [atOnce] = ways();
    await jonah.append(t.place.run, [short]).expect(200);
    expect(atOnce?.mock.calls.map(([, , topics]) => topics)).toEqual([[`run:${t.place.run}`]]);
  });

  test('sent six times at the same moment is there once', async () => {
    const { run, left } = await underWay();
    const replies = await Promise.all(
      Array.from({ length: 6 }, () => jonah.append(run, left.slice(0, 1))),
    );
    expect(replies.map((r) => r.status)).toEqual(Array(6).fill(200));
    expect(new Set(replies.map((r) => r.body.stored[0].hash)).size).toBe(1);
    expect(await stored(run)).toHaveLength(9);
  });
});

describe('what comes in for one shop at the same moment', () => {
  test('goes in few transactions, and each run has its own entries, in order', async () => {
    const going = await Promise.all(Array.from({ length: 6 }, () => underWay()));
    const [atOnce, , inTurn] = ways();
    const replies = await Promise.all(
      going.map(({ run, left }) => jonah.append(run, left.slice(0, 1))),
    );
    expect(replies.map((r) => r.status)).toEqual(Array(6).fill(200));
    expect(inTurn).not.toHaveBeenCalled();
    expect(atOnce?.mock.calls.length).toBeLessThan(6);
    for (const { run, left } of going) {
      const rows = await stored(run);
      expect(rows).toHaveLength(9);
      expect((JSON.parse(rows[8]?.body ?? '') as { event: RunEvent }).event).toEqual(left[0]);
      expect(firstBreak(rows)).toBeNull();
    }
  });

  test('is not held up by one that does not hold: that one alone is refused', async () => {
    const going = await Promise.all(Array.from({ length: 5 }, () => underWay()));
    await house.admin.query("update run set signing = 'signed' where id = $1", [going[3]?.run]);
    const replies = await Promise.all(
      going.map(({ run, left }) => jonah.append(run, left.slice(0, 1))),
    );
    expect(replies.map((r) => r.status)).toEqual([200, 200, 200, 409, 200]);
    expect(replies[3]?.body.error.code).toBe('RUN_SIGNED');
    for (const [i, { run }] of going.entries())
      expect(await stored(run)).toHaveLength(i === 3 ? 8 : 9);
  });

  test('does not wait for a run that someone else is writing in', async () => {
    const [held, free] = [await underWay(), await underWay()];
    await house.admin.query('begin');
    await house.admin.query('select 1 from run where id = $1 for update', [held.run]);
    const late = jonah.append(held.run, held.left.slice(0, 1)).then((r) => r.status);
    await jonah.append(free.run, free.left.slice(0, 1)).expect(200);
    await house.admin.query('commit');
    expect(await late).toBe(200);
    expect(await stored(held.run)).toHaveLength(9);
  });
});

test('a wrench is chosen by the list of tools as it is now, not as it was read before', async () => {
  const { run, left } = await underWay(1);
  const at = left.findIndex((e) => e.type === 'wrenchChosen');
  const [chosen] = left.splice(at);
  await jonah.append(run, left).expect(200);
  const wrench = chosen?.type === 'wrenchChosen' ? chosen.payload.wrench?.id : undefined;
  const until = (day: string): Promise<unknown> =>
    house.admin.query(
      `update shop_tool set body = jsonb_set(body::jsonb, '{calibratedUntil}', to_jsonb($2::text)) where id = $1`,
      [wrench, day],
    );
  const [was] = (
    await house.admin.query<{ day: string }>(
      `select body ->> 'calibratedUntil' as day from shop_tool where id = $1`,
      [wrench],
    )
  ).rows;
  await until('2020-01-01');
  expect((await jonah.append(run, [chosen as RunEvent])).body.error.code).toBe(
    'WRENCH_OUT_OF_CALIBRATION',
  );
  await until(was?.day ?? '');
  const [atOnce, , inTurn] = ways();
  // Held against the list that was just read; the first one finds that it has changed.
  await jonah.append(run, [chosen as RunEvent]).expect(200);
  expect(atOnce).toHaveBeenCalledTimes(0);
  expect(inTurn).toHaveBeenCalledTimes(1);
});

test('what does not hold leaves nothing behind, in the audit trail neither', async () => {
  const count = async (): Promise<unknown> =>
    (
      await house.admin.query(
        'select (select count(*) from journal), sum(odometer_value) from repair_order',
      )
    ).rows[0];
  const before = await count();
  const change = 'update repair_order set odometer_value = odometer_value + 1';
  const tried = house.options.db.inShopAtOnce(
    HALDEN,
    (client) => [Promise.reject(new Error('it does not hold')), client.query(change)],
    ['orders'],
  );
  await expect(tried).rejects.toThrow('it does not hold');
  // Whatever would still be on its way has arrived by then.
  await house.options.db.inShop(HALDEN, (client) => client.query('select 1'));
  expect(await count()).toEqual(before);
});

describe('what was known a moment ago decides nothing', () => {
  const changed = async (change: string, values: readonly unknown[] = []): Promise<void> =>
    void (await house.admin.query(change, [...values]));

  test('a session that was ended elsewhere keeps nothing', async () => {
    const { run, left } = await underWay();
    await changed('update session set ended_at = now() where ended_at is null');
    expect((await jonah.append(run, left.slice(0, 1))).body.error.code).toBe('SIGN_IN_NEEDED');
    await signEverybodyIn();
    expect(await stored(run)).toHaveLength(8);
    await jonah.append(run, left).expect(200);
  });

  test('who has become an apprentice since writes no more', async () => {
    const { run, left } = await underWay();
    const role = "update membership set role = $1 where name = 'Jonah Pike'";
    await changed(role, ['apprentice']);
    expect((await jonah.append(run, left.slice(0, 1))).body.error.code).toBe('FORBIDDEN');
    await changed(role, ['technician']);
    expect(await stored(run)).toHaveLength(8);
  });

  test('a run that was signed, and one that another device holds, say so', async () => {
    const signed = await underWay();
    await changed("update run set signing = 'signed' where id = $1", [signed.run]);
    expect((await jonah.append(signed.run, signed.left.slice(0, 1))).body.error.code).toBe(
      'RUN_SIGNED',
    );
    const held = await underWay();
    const reply = await jonah.append(held.run, held.left.slice(0, 1), {
      holdKey: randomUUID().replaceAll('-', '').padEnd(43, 'x'),
    });
    expect(reply.body.error?.code ?? reply.body.refused?.code).toMatch(/HOLD_ENDED|KEPT_AS_CLAIM/);
    expect(await stored(held.run)).toHaveLength(8);
  });

  test('who has been known for ten minutes is asked for first again', async () => {
    const { run, left } = await underWay();
    const later = performance.now() + 11 * 60_000;
    jest.spyOn(performance, 'now').mockReturnValue(later);
    const [atOnce, alone] = ways();
    await jonah.append(run, left.slice(0, 1)).expect(200);
    expect(alone).toHaveBeenCalledTimes(1);
    await jonah.append(run, left.slice(1, 2)).expect(200);
    expect(alone).toHaveBeenCalledTimes(1);
    expect(atOnce).toHaveBeenCalledTimes(2);
  });

  test('what another person goes on with is asked for as before', async () => {
    const { run, left } = await underWay();
    const [atOnce] = ways();
    await ines.append(run, left.slice(0, 1));
    expect(atOnce).not.toHaveBeenCalled();
    expect(await stored(run)).toHaveLength(8);
  });
});
