import { testId } from '@stennet/core/testing';
import request from 'supertest';
import { many } from '../test/attacks';
import { jonah, ines, house } from '../test/theShop';
import { demoId, ORIGIN } from '../test/world';
import { createApp } from './app';
import { openDatabase } from './db/database';

beforeEach(() => house.admin.query('truncate guess'));

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
      at('/api/vehicles?q=ZZ9%00REN20H0002417'),
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
