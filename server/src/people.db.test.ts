import type { AddressInfo } from 'net';
import http from 'node:http';
import request from 'supertest';
import { house, jonah, ines, post } from '../test/theShop';
import { House, ORIGIN, demoId } from '../test/world';
import { createApp } from './app';
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
