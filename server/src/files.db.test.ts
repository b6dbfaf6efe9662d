import { createHash, randomBytes } from 'node:crypto';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { gunzipSync, gzipSync } from 'node:zlib';
import S3rver from 's3rver';
import request from 'supertest';
import sharp from 'sharp';
import { canonicalJson, traceName } from '@stennet/core/record';
import { HALDEN, House, ORIGIN, demoId, type Session } from '../test/world';
import { openDatabase } from './db/database';
import { filesAt } from './files/bucket';
import { photoFile, recordFile, shelfOf, traceFile, type Files } from './files/files';
import { filesIn } from './files/folder';
import { openFiles } from './files/openFiles';
import { checkShop } from './journal/checkShop';
import { journalOf, outsideOf } from './journal/journal';
import { putAway, type PutAway } from './record/putAway';

const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'stennet-files-'));
const store = new S3rver({
  port: 0,
  address: '127.0.0.1',
  silent: true,
  directory: path.join(folder, 'store'),
  configureBuckets: [{ name: 'stennet', configs: [] }],
});
let bucket: Files;

beforeAll(async () => {
  const { port } = await store.run();
  bucket = filesAt({
    url: `http://127.0.0.1:${port}/stennet`,
    region: 'us-east-1',
    keyId: 'S3RVER',
    secret: 'S3RVER',
  });
});
afterAll(async () => {
  await store.close();
  fs.rmSync(folder, { recursive: true });
});

async function sendPhoto(house: House, who: Session): Promise<string> {
  const raw = { width: 300, height: 200, channels: 3 as const };
  const bytes = await sharp(randomBytes(300 * 200 * 3), { raw })
    .jpeg()
    .toBuffer();
  const name = createHash('sha256').update(bytes).digest('hex');
  const { body } = await request(house.app)
    .post(`/api/photos/${name}?start=0&size=${bytes.length}`)
    .set('Host', 'shop.test')
    .set('Origin', ORIGIN)
    .set('Cookie', who.cookie)
    .set('Content-Type', 'application/octet-stream')
    .send(bytes)
    .expect(200);
  return body.photo as string;
}

const faultsOf = (house: House, files: Files): Promise<string[]> =>
  house.db.inShop(HALDEN, async (client) => {
    const { faults, records } = await checkShop(client, {
      shop: HALDEN,
      key: house.keys.of(HALDEN),
      number: null,
      outside: outsideOf(house.keys.folder, HALDEN),
      files,
    });
    return [...faults, ...records.flatMap((r) => (r.fault && !r.changed ? [r.fault] : []))];
  });

async function putAllAway(house: House, files: Files): Promise<PutAway> {
  const now = (): Date => house.clock;
  const db = openDatabase(house.urls.owner, journalOf(house.keys, now));
  const shelf = shelfOf(files, HALDEN);
  if (!shelf) throw new Error('no shelf');
  try {
    return await putAway(db, HALDEN, { shelf, keys: house.keys, before: now(), now: now() });
  } finally {
    await db.close();
  }
}

/** Forgets what it was given: an object that got lost. */
const losing = (files: Files, lost: string): Files => ({
  ...files,
  get: (shop, name) => (name === lost ? Promise.resolve(null) : files.get(shop, name)),
});

describe.each([
  ['a folder', () => filesIn(path.join(folder, 'files'))],
  ['a bucket', () => bucket],
])('with files in %s', (_name, files) => {
  let house: House;
  let jonah: Session;
  let signed: string;
  beforeAll(async () => {
    house = await new House({ files: files() }).open();
    jonah = await house.signIn();
    const { rows } = await house.admin.query<{ id: string }>(
      "select id from run where shop = $1 and signing = 'signed' order by last_at limit 1",
      [HALDEN],
    );
    signed = rows[0]?.id ?? '';
  });
  afterAll(() => house.close());

  test('a photo lies there and not in the table, and is shown from there', async () => {
    const photo = await sendPhoto(house, jonah);
    const { rows } = await house.admin.query('select bytes from photo where photo = $1', [photo]);
    expect(rows).toEqual([{ bytes: null }]);
    const shown = await jonah.get(`/api/photos/${photo}`).buffer(true).expect(200);
    expect(await files().get(HALDEN, photoFile(photo))).toEqual(shown.body);
    expect(await faultsOf(house, files())).toEqual([]);
    expect(await faultsOf(house, losing(files(), photoFile(photo)))).toEqual([
      `photo ${photo} is missing from where files are kept.`,
    ]);
  });

  test('a torque-angle curve lies there under its hash', async () => {
    const { rows } = await house.admin.query<{ body: string }>(
      'select body from trace where shop = $1 limit 1',
      [HALDEN],
    );
    const trace = { ...JSON.parse(rows[0]?.body ?? ''), wrench: 'Another' };
    const name = traceName(trace);
    await jonah.post(`/api/traces/${name}`, trace).expect(200);
    expect((await files().get(HALDEN, traceFile(name)))?.toString()).toBe(canonicalJson(trace));
    expect((await jonah.get(`/api/traces/${name}`).expect(200)).body).toEqual(trace);
  });

  test('signed runs are put away, and everything still answers as before', async () => {
    const asked = [
      `/api/runs/${signed}`,
      `/api/runs/${signed}/signatures`,
      `/api/orders/${demoId(201)}`,
    ];
    const said = async (): Promise<unknown[]> =>
      Promise.all(asked.map(async (at) => (await jonah.get(at).expect(200)).body as unknown));
    const record = async (): Promise<unknown> =>
      (await jonah.get(`/api/runs/${signed}/record?form=json`).expect(200)).body;
    const [before, file] = [await said(), await record()];

    const done = await putAllAway(house, files());
    expect(done).toMatchObject({ broken: [] });
    expect(done.runs).toBeGreaterThan(0);
    const { rows } = await house.admin.query(
      `select count(*)::int as left from run_event e join run u using (shop)
       where u.id = e.run and u.shop = $1 and u.signing = 'signed'`,
      [HALDEN],
    );
    expect(rows).toEqual([{ left: 0 }]);

    expect(await said()).toEqual(before);
    expect(await record()).toEqual(file);
    expect(await faultsOf(house, files())).toEqual([]);
    expect(await putAllAway(house, files())).toEqual({ runs: 0, entries: 0, broken: [] });
  });

  test('a record file that was changed or lost is named, and signs nothing', async () => {
    const file = await files().get(HALDEN, recordFile(signed));
    const text = gunzipSync(file ?? '').toString();
    const changed: Files = {
      ...files(),
      get: (shop, name) =>
        name === recordFile(signed)
          ? Promise.resolve(
              gzipSync(text.replace('\\"deviceTime\\":\\"20', '\\"deviceTime\\":\\"19')),
            )
          : files().get(shop, name),
    };
    expect(await faultsOf(house, changed)).toHaveLength(1);
    expect(await faultsOf(house, losing(files(), recordFile(signed)))).toHaveLength(1);
  });
});

test('a store that is away is away, one that refuses us says so', async () => {
  const at = (url: string, keyId = 'S3RVER'): Files =>
    filesAt({ url, region: 'us-east-1', keyId, secret: 'S3RVER' });
  await expect(at('http://127.0.0.1:1/stennet').get(HALDEN, 'x')).rejects.toMatchObject({
    code: 'OFFLINE',
  });
  const { port } = (
    store as unknown as { httpServer: { address: () => { port: number } } }
  ).httpServer.address();
  await expect(at(`http://127.0.0.1:${port}/stennet`, 'wrong').get(HALDEN, 'x')).rejects.toThrow(
    'the store of files answered 403',
  );
});

test('where files lie is said by the environment', () => {
  expect(openFiles({})).toBeNull();
  expect(openFiles({ FILES_DIR: folder })).not.toBeNull();
  expect(() => openFiles({ FILES_URL: 'http://127.0.0.1/x' })).toThrow(
    'FILES_URL needs FILES_KEY_ID',
  );
});
