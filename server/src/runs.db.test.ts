import { randomUUID } from 'node:crypto';
import fc from 'fast-check';
import { firstBreak, verifyRecordFile } from '@stennet/core/record';
import { demoSheet, headSheet, type Technician } from '@stennet/core/testing';
import { replay, type RunEvent } from '@stennet/core/run';
import { demoId, HALDEN, House, type Session } from '../test/world';
import { fitsKey } from './keys/keys';

let house: House;
let jonah: Session;
beforeAll(async () => {
  house = await new House().open();
  jonah = await house.signIn();
});
afterAll(() => house.close());

const rowsOf = async (run: string): Promise<{ body: string; hash: string }[]> =>
  (
    await house.admin.query<{ body: string; hash: string }>(
      'select body, hash from run_event where run = $1 order by position',
      [run],
    )
  ).rows;
const eventsOf = async (run: string): Promise<RunEvent[]> =>
  (await rowsOf(run)).map((r) => (JSON.parse(r.body) as { event: RunEvent }).event);

/** A whole run, made on a device that nobody has told the server of yet. */
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

  test('two who take over at the same moment: one has it, the others are told, and nobody is asked whether it was really done', async () => {
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

describe('the runs of one joint', () => {
  const rods = demoSheet('cv30-rods');
  const housing = demoSheet('ob20-bell-housing');
  interface Listed {
    part: string;
    instance: string | null;
    standing: {
      bags: { bag: string; fasteners: string[] }[];
      measured: { step: string; row: string; mm: number }[];
    };
  }
  const runsOf = async (joint: string): Promise<Listed[]> => {
    const { orders } = (await jonah.get('/api/orders')).body as {
      orders: { jobs: { joints: { id: string; runs: Listed[] }[] }[] }[];
    };
    return (
      orders.flatMap((o) => o.jobs.flatMap((j) => j.joints)).find((t) => t.id === joint)?.runs ?? []
    );
  };

  test('taking apart comes first: tightening does not begin before that run is finished', async () => {
    const joint = await house.freshJoint(HALDEN, housing);
    const apart = await jonah.technician(joint, housing, { part: 'takeApart' });
    apart.until((d) => d.kind === 'bag');
    await jonah.append(apart.place.run, apart.state.events.toArray());
    const tight = await jonah.technician(joint, housing);
    tight.step();
    expect(
      (await jonah.append(tight.place.run, tight.state.events.toArray())).body.error.code,
    ).toBe('TAKE_APART_OPEN');
    apart.finish();
    expect(
      (await jonah.append(apart.place.run, apart.state.events.toArray())).body.refused,
    ).toBeNull();
    expect((await jonah.append(tight.place.run, tight.state.events.toArray())).status).toBe(200);
    expect((await runsOf(joint)).map((r) => r.part)).toEqual(['takeApart', 'procedure']);
    expect((await runsOf(joint))[0]?.standing.bags).toEqual([
      { bag: 'Board A', fasteners: expect.arrayContaining(['1', '5', '8']) },
    ]);
    const again = await jonah.technician(joint, housing, { part: 'takeApart' });
    again.step();
    expect(
      (await jonah.append(again.place.run, again.state.events.toArray())).body.error.code,
    ).toBe('JOINT_ALREADY_TIGHT');
  });

  test('each cap has a run of its own, and what was measured in it stands beside the others', async () => {
    const joint = await house.freshJoint(HALDEN, rods);
    for (const instance of ['1', '4', '2']) {
      const t = await jonah.technician(joint, rods, { instance });
      t.finish();
      expect((await jonah.append(t.place.run, t.state.events.toArray())).body.refused).toBeNull();
    }
    const runs = await runsOf(joint);
    expect(runs.map((r) => r.instance)).toEqual(['1', '2', '4']);
    for (const r of runs)
      expect(r.standing.measured).toEqual([
        { step: 'clearance', row: 'strip', mm: expect.closeTo(0.045, 6) },
      ]);
    const twice = await jonah.technician(joint, rods, { instance: '2' });
    twice.step();
    expect(
      (await jonah.append(twice.place.run, twice.state.events.toArray())).body.error.code,
    ).toBe('JOINT_ALREADY_TIGHT');
    const unknown = await jonah.technician(joint, rods, { instance: '3' });
    const [started] = (unknown.step(), unknown.state.events.toArray());
    const forged = {
      ...started,
      payload: { ...(started?.payload as object), instance: '9' },
    } as RunEvent;
    expect((await jonah.append(unknown.place.run, [forged])).body.error.code).toBe(
      'INSTANCE_UNKNOWN',
    );
    expect(await runsOf(joint)).toHaveLength(3);
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

describe('time', () => {
  const sheet = demoSheet('cv30-intake');
  /**
   * Everything up to the wait is on the server the moment it is done; then the wait is confirmed on
   * a clock that says that it is over.
   */
  async function atWait(): Promise<{ t: Technician; waited: RunEvent; ms: number }> {
    const t = await jonah.technician(await house.freshJoint(HALDEN, sheet), sheet);
    t.until((d) => d.kind === 'waitClock');
    const events = t.state.events.toArray();
    await jonah.append(t.place.run, events, { sentAt: events.at(-1)?.deviceTime }).expect(200);
    const waited = t.step() as RunEvent;
    return {
      t,
      waited,
      ms: Date.parse(waited.deviceTime) - Date.parse(events.at(-1)?.deviceTime ?? ''),
    };
  }
  const after = (ms: number): void => void (house.clock = new Date(house.clock.getTime() + ms));

  test('a wait is as long as the server’s clock says, wherever the device’s was put', async () => {
    const { t, waited, ms } = await atWait();
    expect(ms).toBeGreaterThanOrEqual(5 * 60_000);
    after(60_000);
    expect(
      (await jonah.append(t.place.run, [waited], { sentAt: waited.deviceTime })).body.error.code,
    ).toBe('TOO_EARLY');
    after(ms - 60_000);
    expect(
      (await jonah.append(t.place.run, [waited], { sentAt: waited.deviceTime })).body.refused,
    ).toBeNull();
  });

  test('what lay on the device counts as waited; all at once after a day without a network is taken by its own clock', async () => {
    const t = await jonah.technician(await house.freshJoint(HALDEN, sheet), sheet);
    t.until((d) => d.kind === 'waitClock');
    const events = t.state.events.toArray();
    const begun = events.at(-1)?.deviceTime ?? '';
    const waited = t.step() as RunEvent;
    const ms = Date.parse(waited.deviceTime) - Date.parse(begun);
    // The network came back a minute before the wait was over.
    await jonah
      .append(t.place.run, events, {
        sentAt: new Date(Date.parse(begun) + ms - 60_000).toISOString(),
      })
      .expect(200);
    after(60_000);
    expect(
      (await jonah.append(t.place.run, [waited], { sentAt: waited.deviceTime })).body.refused,
    ).toBeNull();
    const offline = await jonah.technician(await house.freshJoint(HALDEN, sheet), sheet);
    offline.until((d) => d.kind === 'waitClock');
    offline.step();
    const all = offline.state.events.toArray();
    expect(
      (await jonah.append(offline.place.run, all, { sentAt: all.at(-1)?.deviceTime })).body.refused,
    ).toBeNull();
  });

  test('an entry from a clock that was put is marked on the record, in every form of it', async () => {
    const t = await jonah.technician(await house.freshJoint());
    const events = t.finish();
    const from = events.findIndex((e) => e.type === 'pulled') + 3;
    house.clock = new Date(events.at(-1)?.deviceTime ?? 0);
    const put = events.map((e, i) =>
      i === from
        ? { ...e, deviceTime: new Date(Date.parse(e.deviceTime) + 3_600_000 * 24).toISOString() }
        : e,
    ) as RunEvent[];
    await jonah.append(t.place.run, put).expect(200);
    const said = `Entry ${from + 1} is dated`;
    expect((await jonah.get(`/api/runs/${t.place.run}/signatures`)).body.oddTimes[0]).toContain(
      said,
    );
    const file = (await jonah.get(`/api/runs/${t.place.run}/record?form=json`)).body;
    expect(file.record.oddTimes[0]).toMatchObject({ entry: from + 1, why: 'ahead' });
    expect((await jonah.get(`/api/runs/${t.place.run}/record?form=csv`)).text).toContain(said);
    expect(verifyRecordFile(file, fitsKey(file.shop.key))).toBeNull();
  });
});
