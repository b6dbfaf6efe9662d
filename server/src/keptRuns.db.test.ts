import request from 'supertest';
import { headSheet } from '@stennet/core/testing';
import { firstBreak } from '@stennet/core/record';
import { replay, type RunEvent } from '@stennet/core/run';
import { createApp } from './app';
import { KeptRuns, type KeptRun } from './record/keptRuns';
import { house, jonah } from '../test/theShop';
import { HOLD_KEY, ORIGIN } from '../test/world';

const stored = async (run: string): Promise<{ body: string; hash: string }[]> =>
  (
    await house.admin.query<{ body: string; hash: string }>(
      'select body, hash from run_event where run = $1 order by position',
      [run],
    )
  ).rows;
const listed = async (run: string): Promise<RunEvent[]> =>
  (await stored(run)).map((r) => (JSON.parse(r.body) as { event: RunEvent }).event);

describe('what a server keeps of a run', () => {
  test('two servers write the same run in turn: each sees what the other wrote, and it is one chain', async () => {
    const other = createApp(house.options);
    const t = await jonah.technician(await house.freshJoint());
    const events = t.finish();
    const { run } = t.place;
    for (const [i, event] of events.entries()) {
      const reply = await request(i % 2 ? other : house.app)
        .post(`/api/runs/${run}/events`)
        .set('Host', 'shop.test')
        .set('Origin', ORIGIN)
        .set('Cookie', jonah.cookie)
        .send({ deviceName: 'Phone', holdKey: HOLD_KEY, events: [event] });
      expect(reply.body.refused).toBeNull();
    }
    expect(await listed(run)).toEqual(events);
    expect(firstBreak(await stored(run))).toBeNull();
    expect(replay(headSheet, await listed(run))).toEqual(t.state);
  });

  test('what a transaction wrote that was rolled back is not believed', async () => {
    const t = await jonah.technician(await house.freshJoint());
    const events = t.finish();
    const { run } = t.place;
    await jonah.append(run, events.slice(0, 5)).expect(200);
    // The audit trail is the last thing before it is committed: without it all is rolled back.
    await house.admin.query('alter table journal rename column seal to gone');
    expect((await jonah.append(run, events.slice(5, 8))).status).toBe(500);
    await house.admin.query('alter table journal rename column gone to seal');
    expect(await listed(run)).toEqual(events.slice(0, 5));
    await jonah.append(run, events.slice(5)).expect(200);
    expect(await listed(run)).toEqual(events);
    expect(firstBreak(await stored(run))).toBeNull();
  });

  test('the least lately written goes first, and each shop has its own', () => {
    const runs = new KeptRuns();
    const kept = { head: 'a' } as KeptRun;
    for (let i = 0; i < 500; i += 1) runs.put('shop', `run ${i}`, kept);
    runs.put('shop', 'run 0', { ...kept, head: 'b' });
    runs.put('shop', 'one more', kept);
    expect(runs.of('shop', 'run 0')?.head).toBe('b');
    expect(runs.of('shop', 'run 1')).toBeUndefined();
    expect(runs.of('other', 'run 0')).toBeUndefined();
  });
});
