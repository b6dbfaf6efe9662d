import http from 'node:http';
import type { AddressInfo } from 'node:net';
import request from 'supertest';
import { entryProof } from '@stennet/core/record';
import type { Statement } from '@stennet/core/run';
import { createApp } from './app';
import { journalOf } from './journal/journal';
import { openDatabase } from './db/database';
import { listenTo } from './db/hints';
import { demoId, HALDEN, House, ORIGIN, type Session } from '../test/world';

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

const ANY = 'm'.repeat(43);
const post = (path: string, body: object) =>
  request(house.app).post(path).set('Host', 'shop.test').set('Origin', ORIGIN).send(body);

describe('late entries of a device that lost its hold', () => {
  test('are kept whole as claims, once, and answered by whoever holds the run', async () => {
    const t = await jonah.technician(await house.freshJoint());
    t.until((d) => d.kind === 'pull');
    t.step();
    await jonah.append(t.place.run, t.state.events.toArray()).expect(200);
    // Without a network: two more pulls, never sent.
    const away = t.clone();
    const late = [away.step(), away.step()].flatMap((e) => e ?? []);
    // Mei takes over, sees the second bolt turned already and the third not.
    const other = t.clone();
    // Ids of its own from here on.
    for (let i = 0; i < 200; i += 1) other.event('paused', {});
    other.place.person = mei.person;
    other.takeOver(demoId(701));
    const before = t.state.events.length;
    await mei.append(t.place.run, other.state.events.toArray().slice(before)).expect(200);
    const reply = await jonah.append(t.place.run, late).expect(200);
    expect(reply.body).toMatchObject({
      stored: [],
      refused: { id: late[0]?.id, code: 'KEPT_AS_CLAIM' },
    });
    await jonah.append(t.place.run, late).expect(200);
    const kept = (
      await house.admin.query<{ body: string }>(
        'select body from late_event where run = $1 order by hold, seq',
        [t.place.run],
      )
    ).rows;
    expect(kept.map((r) => JSON.parse(r.body))).toEqual(late);
    const statements = (await mei.get(`/api/runs/${t.place.run}/statements`)).body
      .statements as Statement[];
    expect(statements).toHaveLength(1);
    expect(statements[0]).toMatchObject({
      kind: 'claims',
      person: jonah.person,
      claims: late.map((e) => ({ event: e.id })),
    });
    // Taken in, the run asks about each.
    const had = other.state.events.length;
    other.until((d) => d.kind !== 'reconcile');
    other.do('used', { statement: statements[0] as Statement });
    other.until((d) => d.kind === 'hold');
    await mei.append(t.place.run, other.state.events.toArray().slice(had)).expect(200);
  });

  test('of a signed run are kept too, and said beside it', async () => {
    const t = await jonah.technician(await house.freshJoint());
    t.until((d) => d.kind === 'pull');
    await jonah.append(t.place.run, t.state.events.toArray()).expect(200);
    const away = t.clone();
    const late = away.step();
    const other = t.clone();
    // Ids of its own from here on.
    for (let i = 0; i < 200; i += 1) other.event('paused', {});
    other.place.person = mei.person;
    other.takeOver(demoId(702));
    const events = [...other.state.events.toArray(), ...other.finish()];
    await mei.append(t.place.run, events.slice(t.state.events.length)).expect(200);
    await mei
      .post(`/api/runs/${t.place.run}/signatures`, {
        id: demoId(9911),
        kind: 'technician',
        position: events.length,
      })
      .expect(200);
    if (!late) throw new Error('nothing was made');
    expect((await jonah.append(t.place.run, [late])).body.refused.code).toBe('KEPT_AS_CLAIM');
    expect((await mei.get(`/api/runs/${t.place.run}/signatures`)).body).toMatchObject({
      late: 1,
      fault: null,
    });
  });
});

describe('a phone that several share', () => {
  const device = demoId(750);
  const switchTo = (person: string, pin: string, secret = ANY) =>
    post('/api/session/pin', { shop: HALDEN, device, person, secret, pin });

  test('only who enrolled there with their password switches by PIN, and only so many wrong ones', async () => {
    expect((await switchTo(ines.person, '2580')).body.error.code).toBe('NOT_ENROLLED');
    await ines.post('/api/session/enrol', { device, secret: ANY }).expect(200);
    expect((await switchTo(ines.person, '2580', 'x'.repeat(43))).body.error.code).toBe(
      'NOT_ENROLLED',
    );
    expect((await switchTo(ines.person, '1111')).body.error.code).toBe('PIN_WRONG');
    const reply = await switchTo(ines.person, '2580').expect(200);
    expect(reply.body.person.name).toBe('Ines Corte');
    for (let i = 0; i < 5; i += 1) await switchTo(ines.person, '0000');
    expect((await switchTo(ines.person, '2580')).body.error.code).toBe('PIN_LIMITED');
    await mei.post('/api/session/enrol', { device, secret: ANY }).expect(200);
    expect((await switchTo(mei.person, '1234')).body.error.code).toBe('PIN_NONE');
    // In another shop the same device knows nobody.
    expect(
      (
        await post('/api/session/pin', {
          shop: demoId(2),
          device,
          person: ines.person,
          secret: ANY,
          pin: '2580',
        })
      ).body.error.code,
    ).toBe('NOT_ENROLLED');
  });

  test('what the one before confirmed goes out under their own name while another is on, by the proof of their session alone', async () => {
    await ines.post('/api/session/enrol', { device, secret: ANY }).expect(200);
    const { entry } = (await jonah.get('/api/me')).body as {
      entry: { session: string; key: string };
    };
    const t = await jonah.technician(await house.freshJoint());
    t.until((d) => d.kind === 'pull');
    const events = t.state.events.toArray();
    const proofsBy = (key: string, session = entry.session) =>
      events.map((e) => ({ event: e.id, session, proof: entryProof(key, e) }));
    const switched = await switchTo(ines.person, '2580').expect(200);
    const shared = ines.as(switched);
    expect((await shared.append(t.place.run, events)).body.error.code).toBe('WRONG_PERSON');
    // Of another session than the one named, with another text, for one entry only.
    const theirs = (await shared.get('/api/me')).body.entry as typeof entry;
    for (const proofs of [
      proofsBy(theirs.key),
      proofsBy(entry.key, theirs.session),
      proofsBy(entry.key).slice(1),
      proofsBy(entry.key).map((p) => ({ ...p, proof: 'a'.repeat(64) })),
    ])
      expect((await shared.append(t.place.run, events, { proofs })).body.error.code).toBe(
        'WRONG_PERSON',
      );
    const changed = events.map((e, i) =>
      i === 1 ? { ...e, deviceTime: '2026-11-24T09:59:59.000Z' } : e,
    );
    expect(
      (await shared.append(t.place.run, changed, { proofs: proofsBy(entry.key) })).body.error.code,
    ).toBe('WRONG_PERSON');
    // Signed out since: what was confirmed before that still counts.
    await jonah.delete('/api/session').expect(200);
    expect(
      (await shared.append(t.place.run, events, { proofs: proofsBy(entry.key) })).body,
    ).toMatchObject({ refused: null });
    jonah = await house.signIn();
  });

  test('whoever switches the phone ends the session that was on it', async () => {
    await ines.post('/api/session/enrol', { device, secret: ANY }).expect(200);
    const shared = ines.as(await switchTo(ines.person, '2580').expect(200));
    const again = ines.as(
      await switchTo(ines.person, '2580').set('Cookie', shared.cookie).expect(200),
    );
    expect((await shared.get('/api/me')).body.error.code).toBe('SIGN_IN_NEEDED');
    expect((await again.get('/api/me')).status).toBe(200);
  });
});

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

  test('a lead adds a person, who signs in; nobody else does, and no name twice', async () => {
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

  test('a change is said within the shop, to nobody else; nothing of it is in the word itself', async () => {
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
