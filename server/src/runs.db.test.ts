import { randomUUID } from 'node:crypto';
import fc from 'fast-check';
import { firstBreak } from '@stennet/core/record';
import { headSheet, type Technician } from '@stennet/core/testing';
import { replay, type RunEvent } from '@stennet/core/run';
import { house, jonah, mei } from '../test/theShop';
import { demoId } from '../test/world';

const rowsOf = async (run: string): Promise<{ body: string; hash: string }[]> =>
  (
    await house.admin.query<{ body: string; hash: string }>(
      'select body, hash from run_event where run = $1 order by position',
      [run],
    )
  ).rows;
const eventsOf = async (run: string): Promise<RunEvent[]> =>
  (await rowsOf(run)).map((r) => (JSON.parse(r.body) as { event: RunEvent }).event);

/** A whole run, made on a device that no one has told the server of yet. */
async function madeOffline(): Promise<{ t: Technician; events: RunEvent[] }> {
  const t = await jonah.technician(await house.freshJoint());
  return { t, events: t.finish() };
}

describe('a run on its way into the table', () => {
  test('is stored, chained from the first event, and replays to the live state', async () => {
    const { t, events } = await madeOffline();
    const reply = await jonah.append(t.place.run, events);
    expect(reply.status).toBe(200);
    expect(reply.body.stored).toHaveLength(events.length);
    const rows = await rowsOf(t.place.run);
    expect(firstBreak(rows)).toBeNull();
    expect(replay(headSheet, await eventsOf(t.place.run))).toEqual(t.state);
    const read = await jonah.get(`/api/runs/${t.place.run}`);
    expect(replay(read.body.sheet, read.body.events)).toEqual(t.state);
    expect(read.body.headHash).toBe(rows.at(-1)?.hash);
  });

  test('any schedule of batches, doubled, lost and out of order, stores the same list once', async () => {
    const batches = fc.array(
      fc.record({ from: fc.nat({ max: 60 }), length: fc.integer({ min: 1, max: 30 }) }),
      { maxLength: 6 },
    );
    await fc.assert(
      fc.asyncProperty(batches, async (schedule) => {
        const { t, events } = await madeOffline();
        for (const { from, length } of schedule) {
          const batch = events.slice(from, from + length);
          if (batch.length > 0) await jonah.append(t.place.run, batch);
        }
        expect((await jonah.append(t.place.run, events)).status).toBe(200);
        expect(await eventsOf(t.place.run)).toEqual(events);
      }),
      {
        numRuns: process.env.STENNET_ALL ? 100 : 12,
        seed: process.env.STENNET_ALL ? Date.now() : 7,
      },
    );
  });

  test('two servers’ worth of the same batches at the same time store it once', async () => {
    const { t, events } = await madeOffline();
    await jonah.append(t.place.run, events.slice(0, 1));
    await Promise.all(Array.from({ length: 6 }, () => jonah.append(t.place.run, events)));
    expect(await eventsOf(t.place.run)).toEqual(events);
  });

  test('a gap is refused with the number that is missing', async () => {
    const { t, events } = await madeOffline();
    await jonah.append(t.place.run, events.slice(0, 3));
    const reply = await jonah.append(t.place.run, events.slice(5, 8));
    expect(reply.status).toBe(409);
    expect(reply.body.error).toMatchObject({ code: 'EVENT_GAP', params: { expected: 4 } });
  });

  test('the same id with another body is refused, and what was stored stays', async () => {
    const { t, events } = await madeOffline();
    await jonah.append(t.place.run, events);
    const pull = events.find((e) => e.type === 'pulled');
    const forged = { ...pull, deviceTime: '2026-01-01T00:00:00.000Z' } as RunEvent;
    expect((await jonah.append(t.place.run, [forged])).body.error.code).toBe('EVENT_ID_REUSED');
    expect(await eventsOf(t.place.run)).toEqual(events);
  });

  test('what comes before a refused event in its batch is kept', async () => {
    const { t, events } = await madeOffline();
    const bad = {
      ...events[3],
      id: demoId(999),
      payload: { stage: 'settle', setting: { value: 27, unit: 'N.m' } },
    } as RunEvent;
    const reply = await jonah.append(t.place.run, [...events.slice(0, 3), bad, ...events.slice(4)]);
    expect(reply.body.refused).toMatchObject({ id: demoId(999), code: 'SETTING_WRONG' });
    expect(await eventsOf(t.place.run)).toEqual(events.slice(0, 3));
  });

  test('one run per joint: a second device is sent to the first, a finished joint to its record', async () => {
    const joint = await house.freshJoint();
    const one = await jonah.technician(joint);
    const two = await jonah.technician(joint);
    one.step();
    two.step();
    await jonah.append(one.place.run, one.state.events.toArray());
    expect((await jonah.append(two.place.run, two.state.events.toArray())).body.error.code).toBe(
      'JOINT_HAS_OPEN_RUN',
    );
    one.finish();
    await jonah.append(one.place.run, one.state.events.toArray());
    expect((await jonah.append(two.place.run, two.state.events.toArray())).body.error.code).toBe(
      'JOINT_ALREADY_TIGHT',
    );
  });

  test('two devices starting at the same moment: one has it', async () => {
    const joint = await house.freshJoint();
    const all = await Promise.all(Array.from({ length: 4 }, () => jonah.technician(joint)));
    for (const t of all) t.step();
    const replies = await Promise.all(
      all.map((t) => jonah.append(t.place.run, t.state.events.toArray())),
    );
    expect(replies.map((r) => r.status).sort()).toEqual([200, 409, 409, 409]);
  });

  test('a wrench that the shop does not have, or that is described better than it is, is refused', async () => {
    const t = await jonah.technician(await house.freshJoint());
    t.until((d) => d.kind === 'chooseTool');
    const [wrench] = t.place.wrenches;
    if (!wrench) throw new Error('no wrench');
    t.do('wrenchChosen', { stage: 'settle', method: 'click', wrench: { ...wrench, max: 9999 } });
    expect((await jonah.append(t.place.run, t.state.events.toArray())).body.refused.code).toBe(
      'WRENCH_UNKNOWN',
    );
  });

  const takeOverOf = (events: readonly RunEvent[], person: string, device: number): RunEvent =>
    ({
      ...events[1],
      id: randomUUID(),
      hold: 2,
      seq: 1,
      person,
      device: demoId(device),
      type: 'tookOver',
      payload: { fromDevice: demoId(700), deviceName: 'Tablet' },
    }) as RunEvent;

  test('two who take over at the same moment: one has it, the others are told, and no one is asked whether it was really done', async () => {
    const { t, events } = await madeOffline();
    await jonah.append(t.place.run, events.slice(0, 20));
    const mei = await house.signIn('Mei Sandoval');
    const replies = await Promise.all(
      [701, 702, 703].map((device) =>
        mei.append(t.place.run, [takeOverOf(events, mei.person, device)]),
      ),
    );
    expect(replies.map((r) => r.status).sort()).toEqual([200, 409, 409]);
    expect(replies.flatMap((r) => r.body.error?.code ?? [])).toEqual(['HOLD_ENDED', 'HOLD_ENDED']);
    expect(
      (await house.admin.query('select 1 from late_event where run = $1', [t.place.run])).rowCount,
    ).toBe(0);
  });

  test('a taken-over run refuses the earlier holder', async () => {
    const { t, events } = await madeOffline();
    await jonah.append(t.place.run, events.slice(0, 20));
    const mei = await house.signIn('Mei Sandoval');
    const taken = takeOverOf(events, mei.person, 701);
    expect((await mei.append(t.place.run, [taken])).status).toBe(200);
    expect((await jonah.append(t.place.run, events.slice(20, 22))).body.refused.code).toBe(
      'KEPT_AS_CLAIM',
    );
    const today = await jonah.get('/api/today');
    const runs = today.body.orders.flatMap(
      (o: { jobs: { joints: { runs: { id: string; holderPerson: string }[] }[] }[] }) =>
        o.jobs.flatMap((j) => j.joints.flatMap((x) => x.runs)),
    );
    expect(runs).toContainEqual(
      expect.objectContaining({ id: t.place.run, holderPerson: 'Mei Sandoval', state: 'open' }),
    );
  });
});

test('the role that serves may neither change nor delete what was stored, and sees nothing without a shop', async () => {
  const { t, events } = await madeOffline();
  await jonah.append(t.place.run, events.slice(0, 2));
  const asApp = (sql: string): Promise<unknown> => house.db.inShop(jonah.shop, (c) => c.query(sql));
  await expect(asApp('update run_event set body = body')).rejects.toThrow(/permission denied/);
  await expect(asApp('delete from run_event')).rejects.toThrow(/permission denied/);
  await expect(asApp('select * from account')).rejects.toThrow(/permission denied/);
  expect((await house.db.atDoor((c) => c.query('select * from run_event'))).rows).toEqual([]);
  expect((await house.db.atDoor((c) => c.query('select * from shop'))).rows).toEqual([]);
});
describe('the hold is a secret', () => {
  const KEY = 'h'.repeat(43);

  test('who knows the holder’s device and not what it holds the run with writes nothing: it is kept as said, and asked about', async () => {
    const t = await jonah.technician(await house.freshJoint());
    t.until((d) => d.kind === 'pull');
    await jonah.append(t.place.run, t.state.events.toArray(), { holdKey: KEY }).expect(200);
    const had = t.state.events.length;
    const posed = t.clone();
    posed.place.person = mei.person;
    const pull = posed.step();
    const reply = await mei.append(t.place.run, pull ? [pull] : [], { holdKey: 'x'.repeat(43) });
    expect(reply.body).toMatchObject({ stored: [], refused: { code: 'KEPT_AS_CLAIM' } });
    expect((await jonah.get(`/api/runs/${t.place.run}`)).body.events).toHaveLength(had);
    expect((await mei.get(`/api/runs/${t.place.run}/statements`)).body.statements).toMatchObject([
      { kind: 'claims', person: mei.person },
    ]);
    // It stands nowhere for others to read.
    for (const path of [`/api/runs/${t.place.run}`, `/api/runs/${t.place.run}/record?form=json`])
      expect((await mei.get(path)).text).not.toContain(KEY);
    t.step();
    expect(
      (await jonah.append(t.place.run, t.state.events.toArray().slice(had), { holdKey: KEY })).body
        .refused,
    ).toBeNull();
  });

  test('of two that take over at once one holds it; what the other did goes on as claims, never dropped', async () => {
    const t = await jonah.technician(await house.freshJoint());
    t.until((d) => d.kind === 'pull');
    await jonah.append(t.place.run, t.state.events.toArray(), { holdKey: KEY }).expect(200);
    const had = t.state.events.length;
    const [a, b] = [t.clone(), t.clone()];
    for (let i = 0; i < 300; i += 1) b.event('paused', {});
    b.place.person = mei.person;
    a.takeOver(demoId(761));
    b.takeOver(demoId(762));
    b.until((d) => d.kind === 'pull');
    b.step();
    await jonah
      .append(t.place.run, a.state.events.toArray().slice(had), { holdKey: 'a'.repeat(43) })
      .expect(200);
    const late = b.state.events.toArray().slice(had);
    const reply = await mei.append(t.place.run, late, { holdKey: 'b'.repeat(43) });
    expect(reply.body.refused.code).toBe('KEPT_AS_CLAIM');
    const { rows } = await house.admin.query<{ n: number }>(
      'select count(*)::int as n from late_event where run = $1',
      [t.place.run],
    );
    expect(rows[0]?.n).toBe(late.length - 1);
  });
});
