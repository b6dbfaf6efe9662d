import ICAL from 'ical.js';
import type { Due } from '@stennet/core/contract';
import { demoSheet } from '@stennet/core/testing';
import { house, jonah, petra } from '../test/theShop';
import { demoId } from '../test/world';

const due = async (query = ''): Promise<Due[]> =>
  (await petra.get(`/api/follow-ups${query}`).expect(200)).body.due as Due[];
const settle = (f: Due, state: string, more: object = {}) =>
  petra.post(`/api/follow-ups/${f.id}`, {
    version: f.version,
    state,
    note: null,
    seenKm: null,
    ...more,
  });

describe('what is due', () => {
  test('is written down when the joint is tight, once, with the day on which it is expected', async () => {
    const joint = await house.freshJoint();
    const t = await jonah.technician(joint);
    const events = t.finish();
    await jonah.append(t.place.run, events.slice(0, -1)).expect(200);
    expect((await due()).filter((f) => f.joint === joint)).toEqual([]);
    await jonah.append(t.place.run, events).expect(200);
    await jonah.append(t.place.run, events).expect(200);
    const own = (await due()).filter((f) => f.joint === joint);
    const wanted = demoSheet('brenna-2-0-head').after.filter((a) =>
      ['beforeFirstStart', 'afterFirstStart', 'check', 'fluid', 'retighten'].includes(a.kind),
    );
    expect(own.map((f) => f.after).sort()).toEqual(wanted.map((a) => a.id).sort());
    const early = own.find((f) => f.after === 'oil-early');
    expect(own.find((f) => f.after === 'clean-in')?.dueOn).toBe('2026-11-24');
    // As far as it goes in a day, so many days for a thousand.
    const days = (Date.parse(early?.dueOn ?? '') - Date.parse('2026-11-24')) / 86_400_000;
    expect(days).toBe(Math.round(1000 / (early?.kmPerDay ?? 0)));
  });

  test('is done or declined with a reason, once when sent twice; a reply to an older version is refused', async () => {
    const f = (await due(`?order=${demoId(253)}`)).find((d) => d.after === 'km500');
    if (!f) throw new Error('nothing due');
    expect((await settle(f, 'declined')).body.error.code).toBe('REASON_NEEDED');
    await settle(f, 'declined', { note: 'Will have it done at home.' }).expect(200);
    await settle(f, 'declined', { note: 'Will have it done at home.' }).expect(200);
    expect((await settle(f, 'done')).body.error).toMatchObject({
      code: 'FOLLOW_UP_CHANGED',
      params: { by: 'Petra Voll' },
    });
    expect(
      (await due(`?state=declined&order=${demoId(253)}`)).map((d) => [d.id, d.note, d.by]),
    ).toEqual([[f.id, 'Will have it done at home.', 'Petra Voll']]);
    await (
      await house.signIn('Rafi Daan')
    )
      .post(`/api/follow-ups/${f.id}`, { version: 2, state: 'done', note: null, seenKm: null })
      .expect(403);
  });

  test('the odometer seen again moves what is expected', async () => {
    const before = (await due(`?state=open&order=${demoId(252)}`)).find(
      (f) => f.distanceKm === 8000,
    );
    if (!before) throw new Error('nothing due');
    const other = (await due(`?state=open&order=${demoId(252)}`)).find(
      (f) => f.distanceKm === 1000,
    );
    // Driven hard: more than half of it in forty days.
    await settle(other ?? before, 'done', { seenKm: 96_100 + 6_000 }).expect(200);
    const after = (await due(`?state=open&order=${demoId(252)}`)).find((f) => f.id === before.id);
    expect((after?.dueOn ?? '') < before.dueOn).toBe(true);
    expect(after?.kmPerDay).toBeGreaterThan(before.kmPerDay);
  });

  test('tightened again after heat in a run of its own: done by itself', async () => {
    const sheet = demoSheet('qs16-head');
    const t = await jonah.technician(await (async () => demoId(462))(), sheet, { part: 'hot' });
    await jonah.append(t.place.run, t.finish()).expect(200);
    const hot = (await due(`?order=${demoId(253)}`)).find((f) => f.after === 'hot');
    expect(hot).toMatchObject({ state: 'done', by: 'Jonah Pike' });
  });
});

describe('the calendar', () => {
  const events = (text: string): { uid: string; summary: string; day: string }[] =>
    new ICAL.Component(ICAL.parse(text) as never).getAllSubcomponents('vevent').map((e) => {
      const event = new ICAL.Event(e);
      return { uid: event.uid, summary: event.summary, day: event.startDate.toString() };
    });

  test('as a file it reads back in another program, a day each', async () => {
    const open = await due('?state=open');
    const read = events((await petra.get('/api/follow-ups/calendar').expect(200)).text);
    expect(read.map((e) => e.uid).sort()).toEqual(open.map((f) => `${f.id}@stennet`).sort());
    for (const f of open)
      expect(read.find((e) => e.uid.startsWith(f.id))).toMatchObject({
        day: f.dueOn,
        summary: expect.stringContaining(`RO ${f.number}`),
      });
  });

  test('at a private address, until it is taken back or made again; the token itself is nowhere', async () => {
    const { path } = (await petra.post('/api/me/feed', undefined).expect(200)).body as {
      path: string;
    };
    const out = await house.signIn('nobody');
    expect(events((await out.get(path).expect(200)).text).length).toBeGreaterThan(0);
    const token = path.split('/').at(-1)?.replace('.ics', '') ?? '';
    const kept = (await house.admin.query<{ token_hash: Buffer }>('select token_hash from feed'))
      .rows;
    expect(kept).toHaveLength(1);
    expect(kept[0]?.token_hash.toString('base64url')).not.toBe(token);
    const next = (await petra.post('/api/me/feed', undefined).expect(200)).body as { path: string };
    await out.get(path).expect(404);
    await out.get(next.path).expect(200);
    await petra.delete('/api/me/feed').expect(200);
    await out.get(next.path).expect(404);
    for (const wrong of ['/api/feed/x.ics', `/api/feed/${'a'.repeat(43)}.ics`, '/api/feed/../me'])
      expect((await out.get(wrong)).status).toBeGreaterThanOrEqual(400);
  });
});
