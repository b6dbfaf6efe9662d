import { connect, type AddressInfo } from 'node:net';
import { gzipSync } from 'node:zlib';
import request from 'supertest';
import { testId } from '@stennet/core/testing';
import { demoId, HALDEN, House, noteHeld, ORIGIN, type Session } from '../test/world';
import { createApp } from './app';
import { openDatabase } from './db/database';

// What an attack on a running copy has tried, kept as a check.
let house: House;
let ines: Session;
let jonah: Session;
let mei: Session;
beforeAll(async () => {
  house = await new House().open();
  [ines, jonah, mei] = [
    await house.signIn('Ines Corte'),
    await house.signIn(),
    await house.signIn('Mei Sandoval'),
  ];
});
afterAll(() => house.close());
beforeEach(() => house.admin.query('truncate guess'));

const GUESSES = process.env.STENNET_ALL ? 400 : 60;
const door = (body: object, cookie = '') =>
  request(house.app)
    .post('/api/session')
    .set({ Host: 'shop.test', Origin: ORIGIN, Cookie: cookie })
    .send(body);
const codesOf = (replies: request.Response[]): Record<string, number> => {
  const counts: Record<string, number> = {};
  for (const { body } of replies)
    counts[body.error?.code ?? 'in'] = (counts[body.error?.code ?? 'in'] ?? 0) + 1;
  return counts;
};
const later = (minutes: number): void =>
  void (house.clock = new Date(house.clock.getTime() + minutes * 60_000));
const many = <T>(n: number, ask: (i: number) => PromiseLike<T>): Promise<T[]> =>
  Promise.all(Array.from({ length: n }, (_, i) => ask(i)));

describe('guesses', () => {
  const say = async (by: Session, guess: string, lead = ines.person) => {
    const run = testId(1);
    return by
      .post(`/api/runs/${await anyRun()}/statements`, {
        id: testId(900),
        lead,
        pin: guess,
        device: testId(Math.floor(Math.random() * 1e6)),
        say: { kind: 'release', hold: 'free', decision: 'passed' },
      })
      .then(
        (r) => r,
        () => run,
      );
  };
  let run: string | undefined;
  const anyRun = async (): Promise<string> => {
    if (run) return run;
    const t = await jonah.technician(await house.freshJoint());
    t.step();
    await jonah.append(t.place.run, t.state.events.toArray()).expect(200);
    return (run = t.place.run);
  };

  test(`${GUESSES} at once at a lead’s PIN, each from another device: five are compared`, async () => {
    await anyRun();
    const replies = (await many(GUESSES, (i) =>
      say(jonah, String(3000 + i)),
    )) as request.Response[];
    const codes = codesOf(replies);
    expect([codes.PIN_WRONG, codes.in, (codes.PIN_LIMITED ?? 0) + (codes.OFFLINE ?? 0)]).toEqual([
      5,
      undefined,
      GUESSES - 5,
    ]);
    noteHeld('guesses at a PIN at once', GUESSES);
    // The right one neither, while it rests; from a colleague’s device it still opens.
    expect(((await say(jonah, '2580')) as request.Response).body.error.code).toBe('PIN_LIMITED');
    expect(((await say(mei, '2580')) as request.Response).status).toBe(200);
  });

  test('each lock lasts longer, and a single try locks again', async () => {
    await anyRun();
    const rests: number[] = [];
    for (let i = 0; i < 9; i += 1) {
      const reply = (await say(jonah, '1111')) as request.Response;
      if (reply.body.error.code !== 'PIN_LIMITED') continue;
      rests.push(reply.body.error.params.minutes);
      later(reply.body.error.params.minutes);
    }
    expect(rests).toEqual([5, 10]);
    await many(30, () => say(jonah, '1111'));
    expect(((await say(jonah, '1111')) as request.Response).body.error.params.minutes).toBe(20);
  });

  test('an id has one spelling: in capitals it is none', async () => {
    const reply = (await say(jonah, '1111', ines.person.toUpperCase())) as request.Response;
    expect(reply.status).toBeLessThan(500);
    const pin = {
      shop: HALDEN,
      device: demoId(751),
      person: ines.person,
      secret: 's'.repeat(43),
      pin: '1111',
    };
    const upper = await request(house.app)
      .post('/api/session/pin')
      .set('Host', 'shop.test')
      .set('Origin', ORIGIN)
      .send({ ...pin, person: ines.person.toUpperCase().replace('5E', '5E') });
    expect(upper.body.error.code).toMatch(/BAD_REQUEST|NOT_ENROLLED/);
    const keys = (await house.admin.query<{ guess_key: string }>('select guess_key from guess'))
      .rows;
    for (const { guess_key } of keys) expect(guess_key).toBe(guess_key.toLowerCase());
  });

  test(`${GUESSES} at once at a password: five are compared, and a known device of that person is not kept out`, async () => {
    const first = await door({ name: 'Mei Sandoval', password: 'witness-mark' });
    const device =
      [first.headers['set-cookie']]
        .flat()
        .map((c) => String(c).split(';')[0] ?? '')
        .find((c) => c.startsWith('stennet_device=')) ?? '';
    const codes = codesOf(
      await many(GUESSES, (i) =>
        door({ name: i % 2 ? 'mei sandoval' : ' MEI  SANDOVAL', password: `guess ${i}` }),
      ),
    );
    // Whoever waited too long for a connection was not compared either.
    expect([
      codes.SIGN_IN_WRONG,
      codes.in,
      (codes.SIGN_IN_LIMITED ?? 0) + (codes.OFFLINE ?? 0),
    ]).toEqual([5, undefined, GUESSES - 5]);
    noteHeld('guesses at a password at once', GUESSES);
    expect((await door({ name: 'Mei Sandoval', password: 'witness-mark' })).body.error.code).toBe(
      'SIGN_IN_LIMITED',
    );
    expect((await door({ name: 'Mei Sandoval', password: 'witness-mark' }, device)).status).toBe(
      200,
    );
    // Nobody else in the shop is kept out by it.
    expect((await door({ name: 'Rafi Daan', password: 'witness-mark' })).status).toBe(200);
  });

  test('many names from one address: the address rests for newcomers, people on their own phones go on', async () => {
    const first = await door({ name: 'Petra Voll', password: 'witness-mark' });
    const device =
      [first.headers['set-cookie']]
        .flat()
        .map((c) => String(c).split(';')[0] ?? '')
        .find((c) => c.startsWith('stennet_device=')) ?? '';
    await many(120, (i) => door({ name: `Nobody ${i}`, password: 'guess' }));
    expect((await door({ name: 'Rafi Daan', password: 'witness-mark' })).body.error.code).toBe(
      'SIGN_IN_LIMITED',
    );
    expect((await door({ name: 'Petra Voll', password: 'witness-mark' }, device)).status).toBe(200);
    later(16);
    expect((await door({ name: 'Rafi Daan', password: 'witness-mark' })).status).toBe(200);
  });

  test('the lead sees what was tried, by whom and from where', async () => {
    [ines, jonah, mei] = [
      await house.signIn('Ines Corte'),
      await house.signIn(),
      await house.signIn('Mei Sandoval'),
    ];
    await door({ name: 'Rafi Daan', password: 'not it' });
    await say(jonah, '4711');
    const { events } = (await ines.get('/api/security').expect(200)).body as {
      events: { kind: string; who: string | null; about: string | null; address: string }[];
    };
    expect(events).toEqual(
      expect.arrayContaining([
        expect.objectContaining({ kind: 'wrongPassword', about: 'Rafi Daan', who: null }),
        expect.objectContaining({ kind: 'wrongPin', about: 'Ines Corte', who: 'Jonah Pike' }),
      ]),
    );
    await jonah.get('/api/security').expect(403);
  });
});

describe('what is large', () => {
  const bomb = (bytes: number): Buffer => gzipSync(Buffer.alloc(bytes, 'a'));

  test('nothing of a stranger’s body is read: who it is comes first', async () => {
    const before = process.memoryUsage().rss;
    const packed = bomb(40_000_000);
    const replies = await many(60, () =>
      request(house.app)
        .post('/api/foreign')
        .set({
          Host: 'shop.test',
          Origin: ORIGIN,
          'Content-Type': 'application/json',
          'Content-Encoding': 'gzip',
        })
        .send(packed),
    );
    expect(codesOf(replies)).toEqual({ SIGN_IN_NEEDED: 60 });
    expect(process.memoryUsage().rss - before).toBeLessThan(200_000_000);
    // At the door only a little is read.
    expect((await door({ name: 'x', password: 'y'.repeat(10_000) })).body.error.code).toBe(
      'TOO_LARGE',
    );
  });

  test('packed bodies are not unpacked for anybody', async () => {
    const reply = await ines
      .post('/api/foreign', {})
      .set({ 'Content-Type': 'application/json', 'Content-Encoding': 'gzip' });
    expect(reply.body.error.code).toBe('BAD_REQUEST');
  });

  test('deep, long and endless records are refused, and others are answered meanwhile', async () => {
    const take = (body: Buffer) =>
      request(house.app)
        .post('/api/foreign')
        .set({
          Host: 'shop.test',
          Origin: ORIGIN,
          Cookie: ines.cookie,
          'Content-Type': 'application/octet-stream',
        })
        .send(body);
    const deep = take(Buffer.from('['.repeat(11_000_000)));
    const long = take(
      Buffer.from(
        JSON.stringify({
          format: 'stennet-record',
          v: 1,
          chain: Array.from({ length: 30_000 }, () => ({ body: '{}', hash: '0', seal: '' })),
        }),
      ),
    );
    const waits: number[] = [];
    let isOver = false;
    const watch = (async () => {
      while (!isOver) {
        const from = performance.now();
        await jonah.get('/api/me').expect(200);
        waits.push(performance.now() - from);
      }
    })();
    const whys = (await Promise.all([deep, long])).map((r) => r.body.error.params.why);
    isOver = true;
    await watch;
    expect(whys).toEqual([
      'it is nested deeper than a record can be',
      'it has more entries than a run can have',
    ]);
    expect(waits.length).toBeGreaterThan(3);
  });

  test('a dozen exports that nobody reads leave connections for everybody else', async () => {
    const rafi = await house.signIn('Rafi Daan');
    const server = house.app.listen(0, '127.0.0.1');
    await new Promise((resolve) => server.once('listening', resolve));
    const { port } = server.address() as AddressInfo;
    const sockets = Array.from({ length: 12 }, () => {
      const socket = connect(port, '127.0.0.1');
      socket.pause();
      socket.write(
        `GET /api/library/export?form=json HTTP/1.1\r\nHost: shop.test\r\nCookie: ${rafi.cookie}\r\n\r\n`,
      );
      return socket;
    });
    await new Promise((resolve) => setTimeout(resolve, 500));
    expect(codesOf(await many(30, () => jonah.get('/api/me')))).toEqual({ in: 30 });
    sockets.forEach((s) => s.destroy());
    server.close();
  });

  test('one person has three of the large ones under way; the fourth waits', async () => {
    const replies = await many(8, () => jonah.get('/api/library/export?form=json'));
    expect(
      replies
        .map((r) => r.status)
        .sort()
        .slice(0, 3),
    ).toEqual([200, 200, 200]);
    expect((await jonah.get('/api/library/export?form=json')).status).toBe(200);
  });
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

describe('what no request should break', () => {
  const order = demoId(201);
  const at = (path: string) => jonah.get(path);
  const head = (over: object = {}) => ({
    number: null,
    vehicle: {
      maker: 'Ostrel',
      model: 'Brenna 2.0',
      engine: 'OB20',
      plate: 'HQ 1',
      vin: 'ZZ9BREN20H0001001',
      built: '2018-03-12',
    },
    odometer: { value: 1000, unit: 'km' },
    customer: 'Vann',
    concern: 'Coolant loss',
    bay: null,
    promisedAt: null,
    ...over,
  });
  const joint = (id: string) => ({
    joint: id,
    name: 'Head',
    sheet: 'brenna-2-0-head',
    revision: 'C',
  });

  test('NUL bytes, days that are none, odd cursors, ids used twice: refused in words, none an error of the server', async () => {
    const twice = testId(940);
    await jonah.post(`/api/jobs/${demoId(301)}/joints`, joint(twice)).expect(200);
    const replies = await Promise.all([
      at('/api/orders?q=%00'),
      at('/api/sheets/%00/C'),
      at('/api/history?by=lot&lot=%00'),
      at(
        '/api/history?by=vehicle&vin=ZZ9BREN20H0002417&before=2026-02-30T00:00:00.000Z~5e000000-0000-4000-8000-000000000001',
      ),
      at(
        '/api/history?by=vehicle&vin=ZZ9BREN20H0002417&before=99999-99-99T99:99:99Z~------------------------------------',
      ),
      at('/api/vehicles/ZZ9%00REN20H0002417'),
      at(`/api/orders/${order.toUpperCase()}x`),
      jonah.post('/api/orders', {
        order: testId(941),
        head: head({ promisedAt: '2026-02-30T10:00:00Z' }),
      }),
      jonah.post('/api/orders', {
        order: testId(942),
        head: head({ vehicle: { ...head().vehicle, built: '2026-02-30' } }),
      }),
      jonah.post('/api/orders', { order, head: head() }),
      jonah.post('/api/orders', { order: testId(943), head: head({ concern: 'a\u0000b' }) }),
      jonah.post('/api/orders', { order: testId(943), head: head({ concern: '\ud800' }) }),
      jonah.post(`/api/jobs/${demoId(302)}/joints`, joint(twice)),
      jonah.post(`/api/jobs/${testId(944)}/joints`, joint(testId(945))),
      jonah.post(`/api/orders/${order}/jobs`, {
        id: demoId(301),
        kind: 'other',
        title: 'Again',
        joints: [],
      }),
      ines.post('/api/people', {
        id: ines.person,
        name: 'Somebody New',
        password: 'torque to yield 7',
        role: 'technician',
      }),
      request(house.app)
        .post('/api/session')
        .set({
          Host: 'shop.test',
          Origin: ORIGIN,
          'Content-Type': 'application/json',
          'Content-Encoding': 'gzip',
        })
        .send('{}'),
      request(house.app)
        .post('/api/session')
        .set({
          Host: 'shop.test',
          Origin: ORIGIN,
          'Content-Type': 'application/json; charset=utf-7',
        })
        .send('{}'),
    ]);
    expect(
      replies
        .map((r) => [r.request.url, r.status])
        .filter(([, status]) => Number(status) < 400 || Number(status) >= 500),
    ).toEqual([]);
    for (const { body } of replies) expect(body.error.message).not.toMatch(/went wrong/);
  });

  test('a joint that is sent twice at once is there once', async () => {
    const body = joint(testId(946));
    const statuses = (await many(6, () => jonah.post(`/api/jobs/${demoId(301)}/joints`, body))).map(
      (r) => r.status,
    );
    expect(statuses.filter((s) => s === 200).length).toBeGreaterThan(0);
    expect(statuses.filter((s) => s >= 500)).toEqual([]);
    expect(
      (await house.admin.query('select 1 from joint where id = $1', [testId(946)])).rows,
    ).toHaveLength(1);
  });

  test('a number typed as a telephone’s does not break numbering', async () => {
    for (const [i, number] of ['999999999', '9999999', '10000000'].entries())
      await jonah
        .post('/api/orders', { order: testId(950 + i), head: head({ number }) })
        .expect(200);
    const made = await many(4, (i) =>
      jonah.post('/api/orders', { order: testId(960 + i), head: head() }),
    );
    expect(made.map((r) => r.status)).toEqual([200, 200, 200, 200]);
    const { rows } = await house.admin.query<{ number: string }>(
      'select number from repair_order where id = any ($1) order by 1',
      [[0, 1, 2, 3].map((i) => testId(960 + i))],
    );
    expect(rows.map((r) => r.number)).toEqual(['10000001', '10000002', '10000003', '10000004']);
  });

  test('under a name that is not the server’s, and from a page of another scheme, nothing is answered', async () => {
    for (const host of ['evil.example', 'shop.test.evil.example:4200']) {
      const reply = await request(house.app)
        .get('/api/me')
        .set({ Host: host, Cookie: jonah.cookie });
      expect([reply.status, reply.body.error.code]).toEqual([421, 'WRONG_HOST']);
    }
    for (const host of ['localhost:4200', '127.0.0.1:4200', '[::1]:4200', 'workshop', 'bay.local'])
      await request(house.app).get('/api/me').set({ Host: host, Cookie: jonah.cookie }).expect(200);
    const reply = await request(house.app)
      .post('/api/session/touch')
      .set({ Host: 'shop.test', Origin: 'https://shop.test', Cookie: jonah.cookie })
      .send({});
    expect(reply.body.error.code).toBe('WRONG_ORIGIN');
  });

  test('a photo is asked for each time, and the browser is told to forget at sign-out', async () => {
    const person = await house.signIn('Rafi Daan');
    const out = await person.delete('/api/session').expect(200);
    expect(out.headers['clear-site-data']).toBe('"cache"');
    await person.get('/api/me').expect(401);
  });
});

test('a database that is away is said as such, for every kind of request', async () => {
  const db = openDatabase('postgres://nobody@127.0.0.1:1/nowhere', null);
  const app = createApp({ ...house.options, db });
  const asked = (method: 'get' | 'post', path: string) =>
    request(app)[method](path).set({ Host: 'shop.test', Origin: ORIGIN, Cookie: jonah.cookie });
  const replies = await Promise.all([
    asked('get', '/api/me'),
    asked('get', '/api/today'),
    asked('post', '/api/session').send({ name: 'Jonah Pike', password: 'witness-mark' }),
    asked('post', `/api/runs/${demoId(821)}/events`).send({}),
    asked('get', `/api/feed/${'a'.repeat(43)}.ics`),
    asked('get', '/api/health'),
  ]);
  expect(replies.map((r) => r.status)).toEqual([503, 503, 503, 503, 503, 503]);
  expect(replies[0]?.body.error.code).toBe('OFFLINE');
  await db.close();
});
