import http from 'node:http';
import type { AddressInfo } from 'node:net';
import path from 'node:path';
import request from 'supertest';
import { emptyDatabase, HALDEN, House, ORIGIN, Session, TERN } from '../test/world';
import { moveShops, NotMoved } from './cells/moveShop';
import { connected } from './db/connection';
import { openDirectory, readyDirectory, type Directory } from './db/directory';
import { keysIn } from './keys/keys';
import type { Cells } from './http/cells';

/** Two clusters with a server each, and one directory. The shops of the demo are in cell a. */
let a: House;
let b: House;
let directory: Directory;
let directoryUrl: string;
const sockets = { a: http.createServer(), b: http.createServer() };
const said: string[] = [];

const listening = async (socket: http.Server): Promise<string> => {
  await new Promise<void>((resolve) => socket.listen(0, '127.0.0.1', resolve));
  return `http://127.0.0.1:${(socket.address() as AddressInfo).port}`;
};

beforeAll(async () => {
  const urls = new Map([
    ['a', await listening(sockets.a)],
    ['b', await listening(sockets.b)],
  ]);
  const database = await emptyDatabase(`test_directory_${process.pid}`);
  directoryUrl = database.admin;
  directory = openDirectory(database.app);
  const cells = (own: string): Cells => ({ own, urls, directory, secure: false });
  a = await new House({ cells: cells('a') }).open();
  b = await new House({ cells: cells('b'), keys: keysIn(a.keys.folder) }).open({
    isEmpty: true,
  });
  sockets.a.on('request', a.app);
  sockets.b.on('request', b.app);
  await connected(a.urls.owner, (owner) =>
    readyDirectory(database.owner, {
      owner,
      cell: 'a',
      folder: path.resolve(__dirname, '../directory'),
    }),
  );
});

afterAll(async () => {
  for (const socket of Object.values(sockets)) {
    socket.closeAllConnections();
    socket.close();
  }
  await directory.close();
  await b.close();
  await a.close();
});

const cookiesOf = (reply: request.Response): string =>
  [reply.headers['set-cookie']]
    .flat()
    .map((c) => String(c).split(';')[0])
    .join('; ');

/** Through a server of either cell, as a browser does that came in at its front. */
async function signIn(at: House, name: string, password = 'witness-mark'): Promise<Session> {
  const reply = await request(at.app)
    .post('/api/session')
    .set('Host', 'shop.test')
    .set('Origin', ORIGIN)
    .send({ name, password })
    .expect(200);
  return new Session(at, cookiesOf(reply), reply.body.person.id, reply.body.shop.id);
}

const move = (shops: readonly string[], to: 'a' | 'b'): Promise<void> => {
  const [source, target] = to === 'b' ? [a, b] : [b, a];
  return moveShops({
    shops,
    from: source.urls.admin,
    to: target.urls.admin,
    cell: to,
    directory: directoryUrl,
    keys: a.keys,
    files: null,
    tell: (what) => void said.push(what),
  });
};

const left = async (house: House): Promise<number> => {
  const { rows } = await house.admin.query<{ left: number }>(
    'select (select count(*) from run_event where shop = $1)::int + (select count(*) from membership where shop = $1)::int as left',
    [HALDEN],
  );
  return rows[0]?.left ?? -1;
};

test('a shop of each cell is signed in to from a server of the other', async () => {
  const made = await request(b.app)
    .post('/api/setup')
    .set('Host', 'shop.test')
    .set('Origin', ORIGIN)
    .send({
      code: 'first-visit',
      name: 'Orla Finch',
      password: 'winter-lathe-41',
      shop: {
        name: 'Quarry Lane',
        locale: 'en-GB',
        timeZone: 'Europe/London',
        paper: 'A4',
        torqueUnit: 'N.m',
      },
    })
    .expect(200);
  expect(await directory.cellOf('orla finch')).toBe('b');
  const orla = await signIn(a, 'Orla Finch', 'winter-lathe-41');
  expect(orla.cookie).toContain('stennet_cell=b');
  expect((await orla.get('/api/me').expect(200)).body.shop.id).toBe(made.body.shop.id);
  const jonah = await signIn(b, 'Jonah Pike');
  expect(jonah.cookie).toContain('stennet_cell=a');
  expect((await jonah.get('/api/me').expect(200)).body.shop.id).toBe(HALDEN);
  // What one cell has, the other does not see, whatever its servers are asked.
  expect((await b.admin.query('select 1 from shop where shop = $1', [HALDEN])).rowCount).toBe(0);
});

test('a name is one person’s in all cells', async () => {
  const ines = await signIn(a, 'Ines Corte');
  const added = await ines.post('/api/people', {
    id: '7a000000-0000-4000-8000-000000000001',
    name: 'Orla Finch',
    password: 'spring-lathe-52',
    role: 'technician',
  });
  expect(added.body.error?.code).toBe('NAME_TAKEN');
});

test('people who also work in a shop that stays keep theirs where it is', async () => {
  await expect(move([HALDEN], 'b')).rejects.toThrow(NotMoved);
  expect(await left(b)).toBe(0);
});

test('shops move while a technician tightens; nothing is lost, and no one signs in again', async () => {
  const jonah = await signIn(a, 'Jonah Pike');
  const petra = await signIn(a, 'Petra Voll');
  const feed = (await petra.post('/api/me/feed', {}).expect(200)).body.path as string;
  const t = await jonah.technician(await a.freshJoint());
  const batch: ReturnType<typeof t.step>[] = [];
  const stored: string[] = [];
  let isOver = false;
  const tighten = async (): Promise<void> => {
    for (let i = 0; i < 400 && !(isOver && i > 20); i += 1) {
      const event = t.step();
      if (!event) return;
      batch.push(event);
      // Sent until it is stored, as a phone does.
      for (;;) {
        const reply = await jonah.append(t.place.run, [event]);
        expect([200, 503]).toContain(reply.status);
        if (reply.status !== 200) continue;
        expect(reply.body.refused).toBeNull();
        stored.push(event.id);
        break;
      }
    }
  };
  await Promise.all([tighten(), move([HALDEN, TERN], 'b').finally(() => (isOver = true))]);

  expect(said.at(-1)).toBe('Nothing of them is left where they were but where they have gone.');
  expect(await left(a)).toBe(0);
  const { rows } = await b.admin.query<{ id: string }>(
    'select id from run_event where run = $1 order by position',
    [t.place.run],
  );
  expect(rows.map((r) => r.id)).toEqual(stored);
  expect(await directory.cellOf('jonah pike')).toBe('b');
  const me = await jonah.get('/api/me').expect(200);
  expect(me.body.shop.id).toBe(HALDEN);
  expect(cookiesOf(me)).toContain('stennet_cell=b');
  // A calendar program keeps no cookie and asks at the address that it was given.
  const calendar = await request(a.app).get(feed).set('Host', 'shop.test').expect(200);
  expect(calendar.text).toContain('BEGIN:VCALENDAR');
});

test('and back again, with what was written there', async () => {
  const ines = await signIn(a, 'Ines Corte');
  const joint = await b.freshJoint();
  await move([HALDEN, TERN], 'a');
  expect(await left(b)).toBe(0);
  expect((await a.admin.query('select 1 from joint where id = $1', [joint])).rowCount).toBe(1);
  expect((await a.admin.query('select 1 from moved_shop')).rowCount).toBe(0);
  expect((await ines.get('/api/me').expect(200)).body.shop.id).toBe(HALDEN);
});

test('a shop whose record does not hold stays where it is', async () => {
  await a.admin.query(
    "update repair_order set number = '9999' where shop = $1 and number = '2417'",
    [HALDEN],
  );
  await a.admin.query('delete from unsealed');
  await expect(move([HALDEN, TERN], 'b')).rejects.toThrow(
    'do not hold where it is, and stays there',
  );
  expect(await left(b)).toBe(0);
  expect(await left(a)).toBeGreaterThan(0);
});

test('a cell that does not answer is offline, not an error of ours', async () => {
  const orla = await signIn(a, 'Orla Finch', 'winter-lathe-41');
  sockets.b.closeAllConnections();
  await new Promise((resolve) => sockets.b.close(resolve));
  const reply = await orla.get('/api/me');
  expect([reply.status, reply.body.error.code]).toEqual([503, 'OFFLINE']);
});
