import request from 'supertest';
import { ROLES, routes, type RouteName } from '@stennet/core/contract';
import { house, jonah } from '../test/theShop';
import { demoId, HALDEN, ORIGIN, TERN } from '../test/world';

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

  test('a person of two shops goes from one to the other, no one else does', async () => {
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
