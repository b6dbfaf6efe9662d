import { spawnSync } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import Ajv from 'ajv';
import addFormats from 'ajv-formats';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import Papa from 'papaparse';
import type { Signing } from '@stennet/core/contract';
import {
  canonicalJson,
  eventsIn,
  PULL_COLUMNS,
  recordFileHash,
  sealEvent,
  sha256Hex,
  traceName,
  tracesNamed,
  type RecordFile,
  type StoredEvent,
} from '@stennet/core/record';
import type { Trace } from '@stennet/core/trace';
import { keysIn } from './keys/keys';
import { demoId, HALDEN, House, ORIGIN, type Session } from '../test/world';
import request from 'supertest';

let house: House;
let ines: Session;
let jonah: Session;
let mei: Session;
let petra: Session;
beforeAll(async () => {
  house = await new House().open();
  [ines, jonah, mei, petra] = [
    await house.signIn('Ines Corte'),
    await house.signIn(),
    await house.signIn('Mei Sandoval'),
    await house.signIn('Petra Voll'),
  ];
});
afterAll(() => house.close());

let made = 0;
const wordId = (): string => `9d000000-0000-4000-8000-${String((made += 1)).padStart(12, '0')}`;
/** Finished by Mei 24 days ago and signed by her; by Jonah 41 days ago, signed by two. */
const QS16 = demoId(822);
const BRENNA = demoId(821);

async function finishedRun(): Promise<{ run: string; count: number }> {
  const t = await jonah.technician(await house.freshJoint());
  const events = t.finish();
  await jonah.append(t.place.run, events).expect(200);
  return { run: t.place.run, count: events.length };
}
const sign = (
  session: Session,
  run: string,
  position: number,
  kind = 'technician',
  more: object = {},
) => session.post(`/api/runs/${run}/signatures`, { id: wordId(), kind, position, ...more });
const signing = async (run: string): Promise<Signing> =>
  (await jonah.get(`/api/runs/${run}/signatures`).expect(200)).body as Signing;
const fileOf = async (run: string): Promise<RecordFile> =>
  (await jonah.get(`/api/runs/${run}/record?form=json`).expect(200)).body as RecordFile;
const bringIn = (session: Session, body: Buffer) =>
  request(house.app)
    .post('/api/foreign')
    .set('Host', 'shop.test')
    .set('Origin', ORIGIN)
    .set('Cookie', session.cookie)
    .set('Content-Type', 'application/octet-stream')
    .send(body);

describe('signing', () => {
  test('who did the work signs first, another second; later words are added, nothing else is let in', async () => {
    const { run, count } = await finishedRun();
    expect((await sign(mei, run, count)).body.error.code).toBe('NOT_YOUR_WORK');
    expect((await sign(ines, run, count, 'second')).body.error.code).toBe('RECORD_FIRST');
    expect((await sign(jonah, run, count - 1)).body.error.code).toBe('RECORD_UNSENT');
    expect((await sign(petra, run, count)).status).toBe(403);
    const signed = (await sign(jonah, run, count).expect(200)).body as Signing;
    expect(signed).toMatchObject({ state: 'signed', wantsSecond: false, fault: null });
    expect((await sign(jonah, run, count)).body.error.code).toBe('RECORD_ALREADY_SIGNED');
    expect((await sign(jonah, run, count, 'second')).body.error.code).toBe('SECOND_IS_ANOTHER');
    expect((await sign(jonah, run, count, 'addendum', { text: '  ' })).body.error.code).toBe(
      'WORD_EMPTY',
    );
    await sign(ines, run, count, 'second').expect(200);
    const after = (
      await sign(mei, run, count, 'addendum', { text: 'Heat shield fitted the day after.' }).expect(
        200,
      )
    ).body as Signing;
    expect(after.words.map((w) => [w.kind, w.name, w.text])).toEqual([
      ['technician', 'Jonah Pike', ''],
      ['second', 'Ines Corte', ''],
      ['addendum', 'Mei Sandoval', 'Heat shield fitted the day after.'],
    ]);
    expect(after.fault).toBeNull();
  });

  test('the same signature sent again after a lost answer stands once', async () => {
    const { run, count } = await finishedRun();
    const body = { id: wordId(), kind: 'technician', position: count };
    await Promise.all([1, 2, 3].map(() => jonah.post(`/api/runs/${run}/signatures`, body)));
    expect((await signing(run)).words).toHaveLength(1);
  });

  test('a run that is not finished, or waits for the lead, is not signed', async () => {
    const t = await jonah.technician(await house.freshJoint());
    t.until((d) => d.kind === 'pull');
    await jonah.append(t.place.run, t.state.events.toArray()).expect(200);
    expect((await signing(t.place.run)).mayNot?.code).toBe('RECORD_NOT_FINISHED');
    expect((await sign(jonah, t.place.run, t.state.events.length)).body.error.code).toBe(
      'RECORD_NOT_FINISHED',
    );
  });

  const shop = (secondSignature: boolean) => ({
    secondSignature,
    timeZone: 'Europe/Lisbon',
    idleMinutes: 240,
    retentionMonths: null,
  });
  test('the shop may want a second signature for everything; only a lead or the owner decides that', async () => {
    await jonah.post('/api/shop', shop(true)).expect(403);
    await ines.post('/api/shop', shop(true)).expect(200);
    const { run, count } = await finishedRun();
    expect((await sign(jonah, run, count)).body.state).toBe('wantsSecond');
    expect((await sign(ines, run, count, 'second')).body.state).toBe('signed');
    // Letting go of it asks who it is.
    expect((await ines.post('/api/shop', shop(false))).body.error.code).toBe('PASSWORD_NEEDED');
    expect((await ines.post('/api/shop', { ...shop(false), own: 'not it' })).body.error.code).toBe(
      'SIGN_IN_WRONG',
    );
    await ines.post('/api/shop', { ...shop(false), own: 'witness-mark' }).expect(200);
  });

  test('nothing follows a signature: neither an entry nor a change of the tables by the serving role', async () => {
    const { run, count } = await finishedRun();
    await sign(jonah, run, count).expect(200);
    const fresh = await jonah.technician(await house.freshJoint());
    const [started] = fresh.finish();
    const late = { ...started, run, seq: count + 1, hold: 1, type: 'paused', payload: {} } as never;
    expect((await jonah.append(run, [late])).body.error.code).toBe('RUN_SIGNED');
    for (const text of [
      'update run_event set body = body',
      'delete from run_event',
      'update signed_word set body = body',
      'delete from signed_word',
      'update order_entry set body = body',
    ]) {
      await expect(house.db.inShop(HALDEN, (c) => c.query(text))).rejects.toThrow(
        /permission denied/,
      );
    }
  });
});

describe('what it was signed for', () => {
  test('another vehicle on the repair order is said, stops no later word, and is right again with it', async () => {
    const { run, count } = await finishedRun();
    await sign(jonah, run, count).expect(200);
    const { rows } = await house.admin.query<{
      id: string;
      number: string;
      vehicle: { vin: string };
    }>(
      'select o.id, o.number, o.vehicle from run u join joint t on t.id = u.joint join job j on j.id = t.job join repair_order o on o.id = j.repair_order where u.id = $1',
      [run],
    );
    const [order] = rows;
    if (!order) throw new Error('no order');
    const put = (vin: string) =>
      house.db.inShop(HALDEN, (c) =>
        c.query(
          "update repair_order set vehicle = jsonb_set(vehicle, '{vin}', to_jsonb($2::text)) where id = $1",
          [order.id, vin],
        ),
      );
    await put('ZZ9SOMEBODYELSES1');
    const seen = await signing(run);
    expect(seen).toMatchObject({ fault: null, mayNot: null });
    expect(seen.signedForOther).toContain(`It was signed for RO ${order.number}`);
    expect(seen.signedForOther).toContain(order.vehicle.vin);
    // Such a document is not taken in elsewhere; put right or said of again, it is.
    expect(
      (await bringIn(petra, Buffer.from(JSON.stringify(await fileOf(run))))).body.error.message,
    ).toContain('It was signed for');
    const after = (
      await sign(mei, run, count, 'addendum', { text: 'Read off the body anew.' }).expect(200)
    ).body as Signing;
    expect(after.signedForOther).toBeNull();
    await bringIn(petra, Buffer.from(JSON.stringify(await fileOf(run)))).expect(200);
    await put(order.vehicle.vin);
    expect((await signing(run)).signedForOther).toContain('ZZ9SOMEBODYELSES1');
    // The command says so too, and calls nothing broken: a copy with such an order is restored.
    const env = {
      ...process.env,
      OWNER_DATABASE_URL: house.urls.owner,
      KEY_DIR: house.keys.folder,
    };
    const done = spawnSync(
      process.execPath,
      [path.resolve(__dirname, '../dist/verify.js'), '--order', order.number],
      { encoding: 'utf8', env },
    );
    expect(done).toMatchObject({
      status: 0,
      stdout: expect.stringMatching(/LOOK {4}RO .*\n +It was signed for RO/),
    });
  });
});

describe('tampering by somebody who owns the database', () => {
  const rows = async (run: string) =>
    (
      await house.admin.query<{ position: number; body: string; hash: string }>(
        'select position, body, hash from run_event where run = $1 order by position',
        [run],
      )
    ).rows;
  const put = (run: string, position: number, body: string, hash: string) =>
    house.admin.query(
      'update run_event set body = $3, hash = $4 where run = $1 and position = $2',
      [run, position, body, hash],
    );

  test('one changed value is named by its entry', async () => {
    const { run, count } = await finishedRun();
    await sign(jonah, run, count).expect(200);
    expect((await signing(run)).fault).toBeNull();
    const row = (await rows(run)).find((r) => r.body.includes('"pulled"') && r.position > 20);
    if (!row) throw new Error('no pull');
    await put(
      run,
      row.position,
      row.body.replace('"heldStill"', '"turned"').replace('"pass":1', '"pass":2'),
      row.hash,
    );
    expect((await signing(run)).fault).toBe(
      `Entry ${row.position} is the first that does not fit: its text was changed.`,
    );
  });

  test('a chain rewritten from the middle, every hash made to fit again, breaks where it was rewritten', async () => {
    const { run, count } = await finishedRun();
    await sign(jonah, run, count).expect(200);
    const from = 30;
    let prevHash = '';
    for (const row of await rows(run)) {
      const stored = JSON.parse(row.body) as StoredEvent;
      if (row.position < from) {
        prevHash = row.hash;
        continue;
      }
      const event =
        row.position === from
          ? { ...stored.event, deviceTime: '2026-11-24T08:00:00.000Z' }
          : stored.event;
      const again = sealEvent({ ...stored, prevHash, event });
      prevHash = again.hash;
      await put(run, row.position, again.body, again.hash);
    }
    await house.admin.query('update run set head_hash = $2 where id = $1', [run, prevHash]);
    expect((await signing(run)).fault).toBe(
      `Entry ${from} is the first that does not fit: it does not carry the shop’s seal, so it was written past the server.`,
    );
    // A signature already given is for other entries; nothing new is signed on it.
    expect((await sign(ines, run, count, 'second')).body.error.code).toBe('RECORD_BROKEN');
  });

  test('an entry cut off the end, a signature taken away, a word rewritten: each is seen', async () => {
    const { run, count } = await finishedRun();
    await sign(jonah, run, count).expect(200);
    await sign(ines, run, count, 'second').expect(200);
    await house.admin.query('begin');
    await house.admin.query(
      "update signed_word set body = replace(body, 'Ines', 'Inez') where run = $1 and kind = 'second'",
      [run],
    );
    await house.admin.query('commit');
    expect((await signing(run)).fault).toBe(
      'Signed word 2 does not fit: it was not signed with this shop’s key.',
    );
    await house.admin.query('delete from signed_word where run = $1', [run]);
    expect((await signing(run)).fault).toBe(
      'Signed word 1 does not fit: a word before it is missing or was changed.',
    );
    const cut = await finishedRun();
    await house.admin.query('delete from run_event where run = $1 and position = $2', [
      cut.run,
      cut.count,
    ]);
    expect((await signing(cut.run)).fault).toBe(
      `Entry ${cut.count} is the first that does not fit: an entry is missing or doubled before it.`,
    );
  });
});

describe('going out and coming back', () => {
  test('a record is what its schema says, and holds in another shop, where it is found by its vehicle', async () => {
    const file = await fileOf(BRENNA);
    const schema = JSON.parse(
      fs.readFileSync(path.resolve(__dirname, '../../docs/schema/record.schema.json'), 'utf8'),
    );
    const ajv = new Ajv({ strict: false, allErrors: true });
    addFormats(ajv);
    const validate = ajv.compile(schema);
    expect(validate(file) ? null : validate.errors).toBeNull();
    expect(file.record.complete).toBe(true);
    const tern = await (await house.signIn('Ines Corte')).into(demoId(2));
    const reply = await bringIn(tern, Buffer.from(JSON.stringify(file))).expect(200);
    expect(reply.body).toMatchObject({
      taken: 1,
      records: [{ run: BRENNA, number: '2389', from: 'Halden Quay Motor Works' }],
    });
    const seen = await tern
      .get(`/api/history?by=vehicle&vin=${file.order.vehicle.vin}`)
      .expect(200);
    expect(seen.body.foreign).toMatchObject([
      { run: BRENNA, number: '2389', joint: 'Cylinder head' },
    ]);
    expect((await tern.get(`/api/foreign/${BRENNA}`).expect(200)).body).toEqual(file);
    // Of the other shop’s own runs it sees nothing.
    await tern.get(`/api/runs/${BRENNA}/record?form=json`).expect(404);
  });

  test('what was changed in a file is found, wherever it is', async () => {
    const file = await fileOf(QS16);
    const refusal = async (change: (f: RecordFile) => void): Promise<string> => {
      const copy = structuredClone(file);
      change(copy);
      return (
        (await bringIn(petra, Buffer.from(JSON.stringify(copy)))).body.error?.message ?? 'taken'
      );
    };
    const rewritten = (f: RecordFile): void => {
      let prevHash = '0'.repeat(64);
      for (const row of f.chain) {
        const stored = JSON.parse(row.body) as StoredEvent;
        Object.assign(
          row,
          sealEvent({
            ...stored,
            prevHash,
            event: {
              ...stored.event,
              deviceTime: new Date(Date.parse(stored.event.deviceTime) + 60_000).toISOString(),
            },
          }),
        );
        prevHash = row.hash;
      }
    };
    expect(
      await refusal((f) =>
        Object.assign(f.chain[3] ?? {}, { body: (f.chain[3]?.body ?? '').replace('T', 't') }),
      ),
    ).toContain('Entry 4 is the first');
    expect(await refusal(rewritten)).toContain(
      'Entry 1 is the first that does not fit: it does not carry the shop’s seal',
    );
    expect(await refusal((f) => f.chain.pop())).toContain(
      'Signed word 1 does not fit: it was signed for other entries',
    );
    expect(await refusal((f) => (f.sheet.title = 'Another'))).toContain('The sheet is not the one');
    expect(await refusal((f) => (f.record.complete = false))).toContain('not what its events say');
    expect(await refusal((f) => (f.shop.fingerprint = '0000'))).toContain(
      'something in the file was changed',
    );
    // What no entry carries: the vehicle, the order, whose shop, who is who.
    expect(await refusal((f) => (f.order.vehicle.plate = 'HQ 9'))).toContain(
      'something in the file was changed: the vehicle',
    );
    expect(await refusal((f) => (f.order.odometer.value += 1000))).toContain(
      'something in the file was changed',
    );
    expect(await refusal((f) => (f.shop.name = 'Another'))).toContain(
      'something in the file was changed',
    );
    expect(await refusal((f) => (f.seal = f.chain[0]?.seal ?? ''))).toContain(
      'something in the file was changed',
    );
    // Another key: nothing that was sealed fits it.
    expect(await refusal((f) => (f.shop.key = Buffer.alloc(32, 7).toString('base64')))).toContain(
      'Entry 1',
    );
    expect(await refusal(() => undefined)).toBe('taken');
  });

  test('the whole order goes out as one archive and comes back; bombs, foreign paths and rubbish do not', async () => {
    const archive = await petra
      .get(`/api/orders/${demoId(252)}/archive`)
      .buffer(true)
      .parse(binary)
      .expect(200);
    expect((await bringIn(petra, archive.body as Buffer).expect(200)).body.records).toMatchObject([
      { from: 'Halden Quay Motor Works', kept: 'new' },
    ]);
    expect((await bringIn(petra, archive.body as Buffer).expect(200)).body.records).toMatchObject([
      { kept: 'known' },
    ]);
    const text = Buffer.from(JSON.stringify(await fileOf(BRENNA)));
    const refused = async (files: Record<string, Uint8Array>): Promise<string> =>
      (await bringIn(petra, Buffer.from(zipSync(files)))).body.error.message as string;
    expect(await refused({ [`records/${BRENNA}.json`]: text, '../../etc/passwd': text })).toContain(
      '“../../etc/passwd” does not belong into it',
    );
    expect(
      await refused(
        Object.fromEntries(
          Array.from({ length: 2001 }, (_, i) => [
            `records/${demoId(i)}.json`,
            text.subarray(0, 9),
          ]),
        ),
      ),
    ).toContain('more than a repair order can');
    expect(await refused({ 'order.json': text })).toContain('no record in it');
    for (const rubbish of ['', 'no', '{}', '[1]', 'PK\u0003\u0004half'])
      expect((await bringIn(petra, Buffer.from(rubbish))).body.error.code).toBe(
        'FOREIGN_UNREADABLE',
      );
    expect((await bringIn(await house.signIn('Rafi Daan'), text)).status).toBe(403);
  });

  test('what wrenches saw comes along with the archive, and only what a record names', async () => {
    const flywheel = (
      await petra.get('/api/history?by=sheet&sheet=ob20-flywheel-kit&revision=A').expect(200)
    ).body.lines.find((l: { number: string }) => l.number === '2410').run as string;
    const named = tracesNamed(eventsIn((await fileOf(flywheel)).chain));
    expect(named.length).toBeGreaterThan(10);
    const order =
      (
        await house.admin.query<{ id: string }>(
          "select id from repair_order where number = '2410' and shop = $1",
          [HALDEN],
        )
      ).rows[0]?.id ?? '';
    // Prettier-ignore
    const archive = (
      await petra.get(`/api/orders/${order}/archive`).buffer(true).parse(binary).expect(200)
    ).body as Buffer;
    const tern = await (await house.signIn('Ines Corte')).into(demoId(2));
    await tern.get(`/api/traces/${named[0]}`).expect(404);
    const files = unzipSync(archive);
    const trace = JSON.parse(strFromU8(files[`traces/${named[0]}.json`] as Uint8Array)) as Trace;
    const strange = { ...trace, wrench: 'Another' };
    files[`traces/${'a'.repeat(64)}.json`] = strToU8(JSON.stringify(strange));
    await bringIn(tern, Buffer.from(zipSync(files))).expect(200);
    await tern.get(`/api/traces/${named[0]}`).expect(200);
    await tern.get(`/api/traces/${traceName(strange)}`).expect(404);
    expect((await tern.get(`/api/foreign/${flywheel}/check`).expect(200)).body).toMatchObject({
      fault: null,
      by: 'Ines Corte',
    });
    // Changed under the server's hands, it says so.
    await house.admin.query(
      "update foreign_record set body = replace(body, 'Mei Sandoval', 'Mia Sandoval') where run = $1",
      [flywheel],
    );
    expect((await tern.get(`/api/foreign/${flywheel}/check`).expect(200)).body.fault).toMatch(
      /plain fields|something in the file/,
    );
    // Brought in again it takes the place of the one that does not hold.
    expect((await bringIn(tern, archive).expect(200)).body.records).toContainEqual(
      expect.objectContaining({ run: flywheel, kept: 'newer' }),
    );
    expect((await tern.get(`/api/foreign/${flywheel}/check`).expect(200)).body.fault).toBeNull();
  });

  test('a later state of a record takes the place of the earlier one, another one does not', async () => {
    const { run, count } = await finishedRun();
    const [before, tern] = [
      await fileOf(run),
      await (await house.signIn('Ines Corte')).into(demoId(2)),
    ];
    const take = async (file: RecordFile) =>
      (await bringIn(tern, Buffer.from(JSON.stringify(file)))).body;
    expect((await take(before)).records[0].kept).toBe('new');
    await sign(jonah, run, count).expect(200);
    const after = await fileOf(run);
    expect((await take(after)).records[0].kept).toBe('newer');
    expect((await take(before)).records[0].kept).toBe('known');
    expect((await tern.get(`/api/foreign/${run}`).expect(200)).body).toEqual(after);
    // The same run, told anew by somebody with a key of their own.
    const key = keysIn(fs.mkdtempSync(path.join(os.tmpdir(), 'stennet-key-'))).make(HALDEN);
    const chain = after.chain.map((c) => ({ ...c, seal: key.sign(c.hash) }));
    const fake = {
      ...after,
      shop: { ...after.shop, key: key.publicKey, fingerprint: key.fingerprint },
      chain,
      signatures: [],
    };
    expect((await take({ ...fake, seal: key.sign(recordFileHash(fake)) })).error.code).toBe(
      'FOREIGN_OTHER',
    );
  });

  test('the table has a row for each pull and each thing done, and nothing that a spreadsheet would compute', async () => {
    const csv = (await petra.get(`/api/runs/${QS16}/record?form=csv`).expect(200)).text;
    const [head, ...rows] = Papa.parse<string[]>(csv.replace(/^\ufeff/, '').trimEnd()).data;
    expect(head).toEqual([...PULL_COLUMNS]);
    const file = await fileOf(QS16);
    const ofKind = PULL_COLUMNS.indexOf('entry');
    expect(rows.filter((r) => r[ofKind] === 'pull')).toHaveLength(
      (file.record as { pulled?: number }).pulled ?? -1,
    );
    const { done = [], deviations = [], said = [] } = file.record as Record<string, unknown[]>;
    expect(rows.filter((r) => r[ofKind] !== 'pull')).toHaveLength(
      done.length + deviations.length + said.length,
    );
    expect(rows[0]).toEqual(
      expect.arrayContaining(['RO 2402', 'Cylinder head', 'N.m', 'Mei Sandoval']),
    );
  });

  test('on paper: both sizes, every page numbered, with the code and the key', async () => {
    for (const paper of ['A4', 'Letter']) {
      await house.admin.query('update shop set paper = $1 where shop = $2', [paper, HALDEN]);
      const pdf = (
        await jonah.get(`/api/runs/${QS16}/record?form=pdf`).buffer(true).parse(binary).expect(200)
      ).body as Buffer;
      expect(pdf.subarray(0, 5).toString()).toBe('%PDF-');
      expect(pdf.includes(paper === 'A4' ? '[0 0 595.28 841.89]' : '[0 0 612 792]')).toBe(true);
      expect(
        (
          await petra
            .get(`/api/orders/${demoId(253)}/hand-over`)
            .buffer(true)
            .parse(binary)
            .expect(200)
        ).body.length,
      ).toBeGreaterThan(2000);
    }
  });

  test('the command names what does not hold, and is content with what does', async () => {
    const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'stennet-verify-'));
    const verify = (file: RecordFile): { status: number | null; said: string } => {
      const at = path.join(folder, 'record.json');
      fs.writeFileSync(at, JSON.stringify(file));
      const done = spawnSync(process.execPath, [path.resolve(__dirname, '../dist/verify.js'), at], {
        encoding: 'utf8',
      });
      return { status: done.status, said: done.stdout };
    };
    const file = await fileOf(BRENNA);
    expect(verify(file)).toMatchObject({
      status: 0,
      said: expect.stringContaining('holds   RO 2389, Cylinder head'),
    });
    const pull = file.chain.findIndex((r) => r.body.includes('"outcome":"turned"'));
    const chain = file.chain.map((r, i) =>
      i === pull
        ? { ...r, body: r.body.replace('"outcome":"turned"', '"outcome":"heldStill"') }
        : r,
    );
    const changed = { ...file, chain: chain.map((r) => ({ ...r, hash: sha256Hex(r.body) })) };
    const { status, said } = verify(changed);
    expect(status).toBe(1);
    expect(said).toContain('BROKEN');
    expect(said).toContain(`Entry ${pull + 1} is the first that does not fit`);
    fs.rmSync(folder, { recursive: true });
  });
});

describe('found again', () => {
  const lines = async (query: string) =>
    (await petra.get(`/api/history?${query}`).expect(200)).body.lines as {
      number: string;
      run: string;
      use: { pulls: number; ratio: number } | null;
    }[];

  test('by vehicle, kind of joint, revision, lot', async () => {
    expect((await lines('by=vehicle&vin=ZZ9BREN20H0002417')).map((l) => l.number)).toContain(
      '2374',
    );
    expect(
      (await lines('by=sheet&sheet=ob20-flywheel-kit&revision=A')).map((l) => l.number),
    ).toEqual(['2431', '2410', '2374']);
    expect((await lines('by=lot&lot=L%204471')).map((l) => l.number)).toEqual(['2410', '2389']);
    expect((await lines('by=joint&engine=QS16&kind=cylinder-head')).map((l) => l.number)).toEqual([
      '2402',
    ]);
  });

  test('everything tightened with a wrench, in a range of days, with how its readings lay; and as a list of whom to call', async () => {
    const all = await lines(`by=wrench&tool=${demoId(104)}`);
    expect(all.map((l) => [l.number, l.use?.pulls])).toEqual([
      ['2410', 16],
      ['2374', 16],
    ]);
    for (const l of all) expect(l.use?.ratio).toBeGreaterThan(1.005);
    const from = new Date(Date.now() - 60 * 86_400_000).toISOString().slice(0, 10);
    expect(
      (await lines(`by=wrench&tool=${demoId(104)}&from=${from}`)).map((l) => l.number),
    ).toEqual(['2410']);
    const calls = (
      await petra.get(`/api/history?by=wrench&tool=${demoId(104)}&form=csv`).expect(200)
    ).text;
    expect(calls).toContain('2410,Oduya,HQ 410 D');
  });

  test('a pull of a minute ago is found by its wrench, and one that was taken back is not counted', async () => {
    const t = await jonah.technician(await house.freshJoint());
    t.until((d) => d.kind === 'pull');
    t.step();
    t.step();
    await jonah.append(t.place.run, t.state.events.toArray()).expect(200);
    const used = async (): Promise<number | undefined> =>
      (await lines(`by=wrench&tool=${demoId(103)}`)).find((l) => l.run === t.place.run)?.use?.pulls;
    expect(await used()).toBe(2);
    const before = t.state.events.length;
    t.do('undone', { event: t.state.events.at(-1)?.id ?? '' });
    await jonah.append(t.place.run, t.state.events.toArray().slice(before)).expect(200);
    expect(await used()).toBe(1);
  });

  test('what is asked wrongly is refused, and another shop sees nothing', async () => {
    await petra.get('/api/history').expect(400);
    await petra.get('/api/history?by=wrench&tool=x').expect(400);
    const tern = await (await house.signIn('Ines Corte')).into(demoId(2));
    // Brought in by Halden above: nothing of it here.
    const { vin } = (await fileOf(QS16)).order.vehicle;
    expect((await petra.get(`/api/history?by=vehicle&vin=${vin}`)).body.foreign).toHaveLength(1);
    expect((await tern.get(`/api/history?by=vehicle&vin=${vin}`).expect(200)).body).toEqual({
      lines: [],
      foreign: [],
      next: null,
    });
    expect(canonicalJson((await tern.get(`/api/history?by=lot&lot=L%204471`)).body.lines)).toBe(
      '[]',
    );
  });
});

function binary(res: request.Response, done: (error: Error | null, body: Buffer) => void): void {
  const parts: Buffer[] = [];
  const stream = res as unknown as NodeJS.ReadableStream;
  stream.on('data', (part: Buffer) => parts.push(part));
  stream.on('end', () => done(null, Buffer.concat(parts)));
}
