import type { AddressInfo } from 'net';
import http from 'node:http';
import request from 'supertest';
import { house, jonah, ines, post } from '../test/theShop';
import { House, ORIGIN, demoId } from '../test/world';
import { createApp } from './app';
import { hashOf } from './http/session';
import { spokenCode } from './http/spokenCode';
import { openDatabase } from './db/database';
import { listenTo } from './db/hints';
import { journalOf } from './journal/journal';

beforeEach(() => house.admin.query('truncate guess'));

describe('the first visit and people', () => {
  const shop = {
    name: 'Kiln Lane Motors',
    locale: 'en-GB',
    timeZone: 'Europe/Berlin',
    paper: 'A4',
    torqueUnit: 'N.m',
  };
  const first = (more: object = {}) => ({
    code: 'first-visit',
    shop,
    name: 'Ada Fenn',
    password: 'long enough words',
    ...more,
  });

  test('makes the shop and its lead once, with the code that was printed', async () => {
    expect((await request(house.app).get('/api/setup')).body).toEqual({ needed: false });
    expect((await post('/api/setup', first())).body.error.code).toBe('SETUP_DONE');
    const empty = await new House().open();
    await empty.admin.query('truncate account, shop cascade');
    const to = (body: object) =>
      request(empty.app)
        .post('/api/setup')
        .set('Host', 'shop.test')
        .set('Origin', ORIGIN)
        .send(body);
    expect((await request(empty.app).get('/api/setup')).body).toEqual({ needed: true });
    expect((await to(first({ code: 'guess' }))).body.error.code).toBe('SETUP_CODE');
    expect((await to(first({ password: '1234567890' }))).body.error.code).toBe('PASSWORD_FORM');
    const both = await Promise.all([to(first()), to(first({ name: 'Somebody Else' }))]);
    expect(both.map((r) => r.status).sort()).toEqual([200, 409]);
    const me = both.find((r) => r.status === 200)?.body as { role: string; shop: { name: string } };
    expect(me).toMatchObject({ role: 'lead', shop: { name: 'Kiln Lane Motors' } });
    await empty.close();
  });

  describe('one shop more', () => {
    const codes = { good: 'K7PQM-2XWTA', late: 'LATEX-LATEX' };
    const give = (code: string, until: string): Promise<unknown> =>
      house.admin.query('insert into shop_code (hash, ends_at) values ($1, $2::timestamptz)', [
        hashOf(spokenCode(code)),
        until,
      ]);
    const more = (body: object) => post('/api/setup', first({ code: 'k7pqm 2xwta', ...body }));
    const after = '2100-01-01';

    test('comes with a code, once, with a lead of its own who sees nothing of the others', async () => {
      expect((await more({})).body.error.code).toBe('SETUP_CODE');
      await give(codes.late, '2000-01-01');
      expect((await more({ code: codes.late })).body.error.code).toBe('SETUP_CODE');
      await give(codes.good, after);
      expect((await more({ password: '1234567890' })).body.error.code).toBe('PASSWORD_FORM');
      const both = await Promise.all([more({}), more({ name: 'Somebody Else' })]);
      expect(both.map((r) => r.status).sort()).toEqual([200, 403]);
      const made = both.find((r) => r.status === 200);
      expect(made?.body).toMatchObject({ role: 'lead', shop: { name: 'Kiln Lane Motors' } });
      const cookie = made?.get('Set-Cookie')?.at(-1) ?? '';
      const today = await request(house.app).get('/api/today').set('Cookie', cookie);
      expect(today.body.orders).toEqual([]);
    });

    test('is led by someone who is here already, by their own password alone', async () => {
      await give(codes.good, after);
      const asInes = { name: 'Ines Corte', shop: { ...shop, name: 'Quay Annexe' } };
      expect((await more(asInes)).body.error.code).toBe('NAME_TAKEN');
      const made = await more({ ...asInes, password: 'witness-mark' });
      expect(made.body).toMatchObject({ role: 'lead', person: { name: 'Ines Corte' } });
      const names = (made.body as { shops: { name: string }[] }).shops.map((s) => s.name);
      expect(names).toEqual(expect.arrayContaining(['Halden Quay Motor Works', 'Quay Annexe']));
      await house.admin.query(`delete from membership using shop
        where shop.shop = membership.shop and shop.name = 'Quay Annexe'`);
    });

    test('a name that looks like another is refused, and the code is good for the next try', async () => {
      await give(codes.good, after);
      const alike = await more({ name: 'J0nah Pike' });
      expect(alike.body.error.code).toBe('NAME_TAKEN');
      expect((await more({ name: 'Tove Brandt' })).status).toBe(200);
    });
  });

  test('a lead adds a person, who signs in; no one else does, and no name twice', async () => {
    const person = {
      id: demoId(9801),
      name: 'Bo Lindgren',
      password: 'tighten in order',
      role: 'technician',
    };
    await jonah.post('/api/people', person).expect(403);
    await ines.post('/api/people', person).expect(200);
    expect(
      (await ines.post('/api/people', { ...person, id: demoId(9802), name: 'bo lindgren' })).body
        .error.code,
    ).toBe('NAME_TAKEN');
    const reply = await post('/api/session', { name: 'Bo Lindgren', password: 'tighten in order' });
    expect(reply.body).toMatchObject({
      role: 'technician',
      shop: { name: 'Halden Quay Motor Works' },
    });
  });
});
describe('word from one server to the browsers of another', () => {
  let closing = async (): Promise<void> => undefined;
  afterAll(() => closing());

  test('a change is said within the shop, to no one else; nothing of it is in the word itself', async () => {
    // A second server on the same database.
    const db = openDatabase(
      house.urls.app,
      journalOf(house.keys, () => house.clock),
    );
    const hints = listenTo(house.urls.app);
    const app = createApp({
      db,
      hints,
      keys: house.keys,
      now: () => house.clock,
      clockSetTo: null,
      secureCookie: false,
      logLevel: 'silent',
      fonts: '',
      setupCode: null,
      files: null,
      cells: null,
      judgesWaits: true,
    });
    const server = http.createServer(app).listen(0);
    const { port } = server.address() as AddressInfo;
    closing = async () => {
      server.closeAllConnections();
      server.close();
      await hints.close();
      await db.close();
    };
    const heard = async (cookie: string): Promise<{ said: string[]; stop: () => void }> => {
      const said: string[] = [];
      const stop = new AbortController();
      const reply = await fetch(`http://127.0.0.1:${port}/api/stream`, {
        headers: { Cookie: cookie },
        signal: stop.signal,
      });
      if (!reply.headers.get('content-type')?.includes('text/event-stream'))
        throw new Error(await reply.text());
      void (async () => {
        for await (const part of reply.body as unknown as AsyncIterable<Uint8Array>)
          said.push(...new TextDecoder().decode(part).split('\n'));
      })().catch(() => undefined);
      return { said, stop: () => stop.abort() };
    };
    expect((await fetch(`http://127.0.0.1:${port}/api/stream`)).status).toBe(401);
    const halden = await heard(jonah.cookie);
    const tern = await heard((await ines.into(demoId(2))).cookie);
    const t = await jonah.technician(await house.freshJoint());
    t.until((d) => d.kind === 'pull');
    const said = async (words: string): Promise<void> => {
      for (let i = 0; i < 100 && !halden.said.includes(words); i += 1)
        await new Promise((resolve) => setTimeout(resolve, 50));
      expect(halden.said).toContain(words);
    };
    await said('event: hello');
    await jonah.append(t.place.run, t.state.events.toArray()).expect(200);
    await said(`data: run:${t.place.run}`);
    // A refused write says nothing; an order's does.
    await jonah
      .post(`/api/orders/${demoId(201)}/entries/${demoId(9701)}`, {
        version: 7,
        body: { kind: 'note', text: 'x' },
        gone: false,
      })
      .expect(409);
    await jonah
      .post(`/api/orders/${demoId(201)}/entries/${demoId(9701)}`, {
        version: 0,
        body: { kind: 'note', text: 'x' },
        gone: false,
      })
      .expect(200);
    await said('data: orders');
    expect(
      tern.said.filter(
        (line) => line.startsWith('data: ') && line !== 'data: {}' && line !== 'data: all',
      ),
    ).toEqual([]);
    halden.stop();
    tern.stop();
  });
});
