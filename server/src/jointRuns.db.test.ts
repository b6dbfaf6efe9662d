import { verifyRecordFile } from '@stennet/core/record';
import type { RunEvent } from '@stennet/core/run';
import { demoSheet, type Technician } from '@stennet/core/testing';
import { jonah, house } from '../test/theShop';
import { HALDEN } from '../test/world';
import { fitsKey } from './keys/keys';

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
    expect(ms).toBeGreaterThanOrEqual(5 * 60000);
    after(60000);
    expect(
      (await jonah.append(t.place.run, [waited], { sentAt: waited.deviceTime })).body.error.code,
    ).toBe('TOO_EARLY');
    after(ms - 60000);
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
        sentAt: new Date(Date.parse(begun) + ms - 60000).toISOString(),
      })
      .expect(200);
    after(60000);
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
        ? { ...e, deviceTime: new Date(Date.parse(e.deviceTime) + 3600000 * 24).toISOString() }
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
