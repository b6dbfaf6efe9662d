import fc from 'fast-check';
import request from 'supertest';
import { ROLES, routes, type RouteName } from '@stennet/core/contract';
import { assertHarmlessRole } from './db/database';
import { demoId, HALDEN, House, ORIGIN, TERN, type Session } from '../test/world';

let house: House;
let jonah: Session;
let tomas: Session;
beforeAll(async () => {
  house = await new House().open();
  jonah = await house.signIn('Jonah Pike');
  tomas = await house.signIn('Tomas Brandt');
});
afterAll(() => house.close());

const rowsStored = async (): Promise<string> =>
  JSON.stringify(
    (
      await house.admin.query(
        'select (select count(*) from run) as runs, (select count(*) from run_event) as events, (select count(*) from repair_order) as orders',
      )
    ).rows,
  );

describe('signing in', () => {
  const door = (body: unknown, origin = ORIGIN): request.Test =>
    request(house.app)
      .post('/api/session')
      .set('Host', 'shop.test')
      .set('Origin', origin)
      .send(body as object);

  test('gives a cookie that scripts and other sites cannot use, and stores only its hash', async () => {
    const reply = await door({ name: '  jonah pike ', password: 'witness-mark' });
    expect(reply.body).toMatchObject({
      person: { name: 'Jonah Pike' },
      role: 'technician',
      shop: { id: HALDEN },
    });
    const cookie = String(reply.headers['set-cookie']);
    expect(cookie).toMatch(/HttpOnly/);
    expect(cookie).toMatch(/SameSite=Strict/);
    const token = /\.([\w-]{43})/.exec(cookie)?.[1] ?? '';
    expect(
      (await house.admin.query('select 1 from session where token_hash = $1', [Buffer.from(token)]))
        .rows,
    ).toEqual([]);
  });

  test('says the same of an unknown name and a wrong password, and rests after six tries', async () => {
    const wrong = await door({ name: 'Rafi Daan', password: 'nope' });
    const unknown = await door({ name: 'Nobody At All', password: 'nope' });
    expect(unknown.body).toEqual(wrong.body);
    for (let i = 0; i < 5; i += 1) await door({ name: 'Rafi Daan', password: `nope ${i}` });
    const resting = await door({ name: 'Rafi Daan', password: 'witness-mark' });
    expect([resting.status, resting.body.error.code]).toEqual([429, 'SIGN_IN_LIMITED']);
    house.clock = new Date(house.clock.getTime() + 16 * 60_000);
    expect((await door({ name: 'Rafi Daan', password: 'witness-mark' })).status).toBe(200);
  });

  test('refuses a write from another site', async () => {
    expect(
      (await door({ name: 'Jonah Pike', password: 'witness-mark' }, 'http://evil.test')).body.error
        .code,
    ).toBe('WRONG_ORIGIN');
    expect((await request(house.app).delete('/api/session')).body.error.code).toBe('WRONG_ORIGIN');
  });

  test('ends with the working day, and at sign-out', async () => {
    const ines = await house.signIn('Ines Corte');
    expect((await ines.get('/api/me')).status).toBe(200);
    await request(house.app)
      .delete('/api/session')
      .set('Host', 'shop.test')
      .set('Origin', ORIGIN)
      .set('Cookie', ines.cookie);
    expect((await ines.get('/api/me')).body.error.code).toBe('SIGN_IN_NEEDED');
    const before = house.clock;
    house.clock = new Date(before.getTime() + 15 * 3_600_000);
    expect((await jonah.get('/api/today')).body.error.code).toBe('SIGN_IN_NEEDED');
    house.clock = before;
  });

  test('a person of two shops goes from one to the other, nobody else does', async () => {
    const ines = await house.signIn('Ines Corte');
    const there = await ines.post('/api/session/shop', { shop: TERN });
    expect(there.body.shop.name).toBe('Tern Street');
    expect((await ines.get('/api/me')).body.error.code).toBe('SIGN_IN_NEEDED');
    expect((await jonah.post('/api/session/shop', { shop: TERN })).body.error.code).toBe(
      'NOT_FOUND',
    );
    expect((await jonah.get('/api/me')).status).toBe(200);
  });
});

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

describe('roles', () => {
  test.each(['Petra Voll', 'Rafi Daan'])('%s may look, not tighten', async (name) => {
    const person = await house.signIn(name);
    expect((await person.get('/api/today')).status).toBe(200);
    const t = await person.technician(await house.freshJoint());
    t.step();
    const reply = await person.append(t.place.run, t.state.events.toArray());
    expect([reply.status, reply.body.error.code]).toEqual([403, 'FORBIDDEN']);
  });

  test('every role of the table is one that the database knows', async () => {
    const check =
      (
        await house.admin.query<{ def: string }>(
          "select pg_get_constraintdef(oid) as def from pg_constraint where conname = 'membership_role_check'",
        )
      ).rows[0]?.def ?? '';
    for (const role of ROLES) expect(check).toContain(`'${role}'`);
  });

  test('without a sign-in nothing behind the door answers', async () => {
    for (const [name, route] of Object.entries(routes) as [
      RouteName,
      (typeof routes)[RouteName],
    ][]) {
      if (route.permission === 'door') continue;
      const path = route.path.replace(/:\w+/g, demoId(1));
      const ask = request(house.app)
        [route.method.toLowerCase() as 'get' | 'post' | 'delete'](path)
        .set('Host', 'shop.test')
        .set('Origin', ORIGIN)
        .set('Cookie', `stennet_session=${HALDEN}.${'x'.repeat(43)}`);
      const reply = await (route.method === 'POST' ? ask.send({}) : ask);
      expect([name, reply.status, reply.body.error.code]).toEqual([name, 401, 'SIGN_IN_NEEDED']);
    }
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
    await ask('deep', raw(`${'['.repeat(20_000)}${']'.repeat(20_000)}`));
    await ask('oversize', raw(JSON.stringify({ deviceName: 'x', events: ['x'.repeat(300_000)] })));
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
