import fc from 'fast-check';
import request from 'supertest';
import { jonah, tomas, house, rowsStored } from '../test/theShop';
import { demoId, type Session, TERN, HALDEN, ORIGIN } from '../test/world';
import { assertHarmlessRole } from './db/database';

describe('shops apart', () => {
  test('no read shows and no write reaches the other shop’s anything', async () => {
    const before = await rowsStored();
    for (const path of [`/api/orders/${demoId(211)}`, `/api/joints/${demoId(411)}/sheet`])
      expect((await jonah.get(path)).status).toBe(404);
    for (const path of [`/api/orders/${demoId(201)}`, `/api/joints/${demoId(401)}/sheet`])
      expect((await tomas.get(path)).status).toBe(404);
    const numbers = async (s: Session): Promise<string[]> =>
      (await s.get('/api/today')).body.orders.map((o: { number: string }) => o.number);
    expect(await numbers(tomas)).toEqual(['118']);
    expect((await numbers(jonah)).sort()).toEqual([
      '2417',
      '2421',
      '2425',
      '2428',
      '2430',
      '2431',
      '2433',
      '2438',
      '2441',
    ]);
    const t = await jonah.technician(demoId(411));
    t.step();
    expect((await jonah.append(t.place.run, t.state.events.toArray())).status).toBe(404);
    expect((await tomas.append(t.place.run, t.state.events.toArray())).status).toBe(404);
    const asTern = t.state.events.toArray().map((e) => ({ ...e, shop: TERN }));
    expect((await jonah.append(t.place.run, asTern)).status).toBe(404);
    expect((await tomas.append(t.place.run, asTern)).body.error.code).toBe('WRONG_PERSON');
    expect(await rowsStored()).toBe(before);
  });

  test('a run of one shop is not there for the other, nor can its id be used again there', async () => {
    const t = await jonah.technician(await house.freshJoint());
    t.step();
    await jonah.append(t.place.run, t.state.events.toArray());
    expect((await tomas.get(`/api/runs/${t.place.run}`)).body.error.code).toBe('RUN_UNKNOWN');
    expect((await tomas.append(t.place.run, t.state.events.toArray())).status).toBe(404);
    const { events } = (await jonah.get(`/api/runs/${t.place.run}`)).body as { events: unknown[] };
    expect(events).toHaveLength(1);
  });

  test('a query that forgets its shop still sees only its own', async () => {
    const seen = await house.db.inShop(TERN, (c) =>
      c.query<{ shop: string }>(
        'select shop from repair_order union all select shop from membership union all select shop from sheet_revision',
      ),
    );
    expect([...new Set(seen.rows.map((r) => r.shop))]).toEqual([TERN]);
    await expect(
      house.db.inShop(TERN, (c) =>
        c.query('insert into session values ($1, $2, $3, now(), now())', [
          HALDEN,
          Buffer.from('x'),
          demoId(11),
        ]),
      ),
    ).rejects.toThrow(/row-level security/);
  });

  test('the server refuses a database role that could see past it', async () => {
    await expect(assertHarmlessRole(house.urls.admin)).rejects.toThrow(/superuser/);
    await expect(assertHarmlessRole(house.urls.owner)).rejects.toThrow(/owns tables/);
    await expect(assertHarmlessRole(house.urls.app)).resolves.toBeUndefined();
  });
});
describe('bad input', () => {
  const evil = [
    "'; drop table run; --",
    '<script>alert(1)</script>',
    '\u0000',
    '\ud800',
    '${7*7}',
    '../../etc/passwd',
    'ﷺ'.repeat(300),
  ];

  test('malformed, deep, oversized bodies and wrong types get a clear answer with a code', async () => {
    const before = await rowsStored();
    const path = `/api/runs/${demoId(5)}/events`;
    const raw = (body: string, type = 'application/json'): request.Test =>
      request(house.app)
        .post(path)
        .set('Host', 'shop.test')
        .set('Origin', ORIGIN)
        .set('Cookie', jonah.cookie)
        .set('Content-Type', type)
        .send(body);
    const answers: [string, number, string][] = [];
    const ask = async (name: string, test: request.Test): Promise<void> => {
      const reply = await test;
      answers.push([name, reply.status, reply.body.error?.code]);
      expect(JSON.stringify(reply.body)).not.toMatch(
        /at \w+ \(|node_modules|select |postgres|syntax error/i,
      );
    };
    await ask('malformed', raw('{"events": [}'));
    await ask('deep', raw(`${'['.repeat(20000)}${']'.repeat(20000)}`));
    await ask('oversize', raw(JSON.stringify({ deviceName: 'x', events: ['x'.repeat(300000)] })));
    await ask('not JSON', raw('hello', 'text/plain'));
    await ask('array', raw('[]'));
    await ask('no events', raw('{"deviceName":"x","events":[]}'));
    await ask('bad charset', raw('{}', 'application/json; charset=nonsense'));
    expect(answers).toEqual([
      ['malformed', 400, 'BAD_REQUEST'],
      ['deep', 400, 'BAD_REQUEST'],
      ['oversize', 413, 'TOO_LARGE'],
      ['not JSON', 400, 'BAD_REQUEST'],
      ['array', 400, 'BAD_REQUEST'],
      ['no events', 400, 'BAD_REQUEST'],
      ['bad charset', 400, 'BAD_REQUEST'],
    ]);
    expect(await rowsStored()).toBe(before);
  });

  test('every text of an event, filled with what should not work, is refused or kept as plain text', async () => {
    const t = await jonah.technician(await house.freshJoint());
    t.step();
    await jonah.append(t.place.run, t.state.events.toArray());
    for (const reason of evil) {
      const event = t.event('paused', { reason });
      const reply = await jonah.append(t.place.run, [event]);
      expect([200, 400]).toContain(reply.status);
      if (reply.status !== 200) continue;
      t.take(event);
      await jonah.append(t.place.run, [t.do('resumed', {})]);
    }
    const kept = (await jonah.get(`/api/runs/${t.place.run}`)).body.events as {
      type: string;
      payload: { reason?: string };
    }[];
    expect(kept.flatMap((e) => (e.type === 'paused' ? [e.payload.reason] : []))).toEqual([
      evil[0],
      evil[1],
      evil[4],
      evil[5],
      evil[6],
    ]);
  });

  test('addresses that are no ids, and sign-ins that are no text, are refused', async () => {
    for (const bad of ['1', "' or 1=1", '%00', '..%2f..%2fapi', demoId(1).replace('4', 'g')]) {
      const reply = await jonah.get(`/api/orders/${bad}`);
      expect([bad, reply.status]).toEqual([bad, 404]);
    }
    for (const body of [
      {},
      { name: 1, password: 2 },
      { name: ['a'], password: {} },
      { name: 'x\u0000', password: 'y' },
      { name: 'x', password: 'y', admin: true },
    ]) {
      const reply = await request(house.app)
        .post('/api/session')
        .set('Host', 'shop.test')
        .set('Origin', ORIGIN)
        .send(body);
      expect(reply.body.error.code).toBe('BAD_REQUEST');
    }
  });

  test('an event with any one field broken is refused and stores nothing', async () => {
    const t = await jonah.technician(await house.freshJoint());
    t.step();
    const [first] = t.state.events.toArray();
    const before = await rowsStored();
    const junk = fc.oneof(
      fc.constant(null),
      fc.integer({ max: -1 }),
      fc.constantFrom(...evil),
      fc.constant([]),
      fc.constant({}),
      fc.constant('x'.repeat(5000)),
    );
    await fc.assert(
      fc.asyncProperty(fc.constantFrom(...Object.keys(first ?? {})), junk, async (field, value) => {
        const reply = await jonah.append(t.place.run, [{ ...first, [field]: value } as never]);
        expect(reply.status).toBeGreaterThanOrEqual(400);
        expect(reply.status).toBeLessThan(500);
        expect(reply.body.error.code).toBeTruthy();
      }),
      { numRuns: 60, seed: 11 },
    );
    expect(await rowsStored()).toBe(before);
    expect((await jonah.get('/api/me')).status).toBe(200);
  });
});
