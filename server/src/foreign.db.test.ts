import { spawnSync } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import Ajv from 'ajv';
import addFormats from 'ajv-formats';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import Papa from 'papaparse';
import {
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
import { house, jonah, petra } from '../test/theShop';
import { demoId, HALDEN } from '../test/world';
import { finishedRun, sign, bringIn, fileOf, BRENNA, QS16, binary } from '../test/records';

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
      'Entry 1 is the first that fails: it lacks the shop’s seal',
    );
    expect(await refusal((f) => f.chain.pop())).toContain(
      'Signature 1 fails: it was signed for other entries',
    );
    expect(await refusal((f) => (f.sheet.title = 'Another'))).toContain(
      'The sheet differs from the one',
    );
    expect(await refusal((f) => (f.record.complete = false))).toContain('don’t match its entries');
    expect(await refusal((f) => (f.shop.fingerprint = '0000'))).toContain(
      'Something other than the entries was changed',
    );
    // What no entry carries: the vehicle, the order, whose shop, who is who.
    expect(await refusal((f) => (f.order.vehicle.plate = 'HQ 9'))).toContain(
      'Something other than the entries was changed: the vehicle',
    );
    expect(await refusal((f) => (f.order.odometer = { value: 1, unit: 'km' }))).toContain(
      'Something other than the entries was changed',
    );
    expect(await refusal((f) => (f.shop.name = 'Another'))).toContain(
      'Something other than the entries was changed',
    );
    expect(await refusal((f) => (f.seal = f.chain[0]?.seal ?? ''))).toContain(
      'Something other than the entries was changed',
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
      '“../../etc/passwd” doesn’t belong in it',
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
    expect(await refused({ 'order.json': text })).toContain('it has no record');
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
      /plain fields|Something other than the entries/,
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
    // The same run, told again by someone with a key of their own.
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
      said: expect.stringContaining('OK      RO 2389, Cylinder head'),
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
    expect(said).toContain(`Entry ${pull + 1} is the first that fails`);
    fs.rmSync(folder, { recursive: true });
  });
});
