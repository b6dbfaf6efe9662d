import { spawnSync } from 'node:child_process';
import fs from 'node:fs';
import path from 'node:path';
import { canonicalJson, traceName } from '@stennet/core/record';
import { demoId, HALDEN, House, noteHeld, type Session } from '../test/world';
import { checkShop } from './journal/checkShop';
import { outsideOf, type Checkpoint } from './journal/journal';
import { readyJournals } from './journal/adopt';
import { CHANGED_AROUND } from '../test/changedAround';
import { CHANGED_RUNS } from '../test/changedRuns';
import { OPEN_RUN, JONAH, of, hashOf } from '../test/pastTheServer';

jest.setTimeout(120_000);

const house = new House();
let jonah: Session;

/** What verify says of the shop as it stands in this transaction. */
async function faults(
  outside: readonly Checkpoint[] = outsideOf(house.keys.folder, HALDEN),
): Promise<string[]> {
  await house.admin.query("select set_config('stennet.shop', $1, false)", [HALDEN]);
  const { records, faults: past } = await checkShop(house.admin as never, {
    shop: HALDEN,
    key: house.keys.of(HALDEN),
    number: null,
    outside,
    files: null,
  });
  return [
    ...past,
    ...records.flatMap((r) => (r.fault && !r.changed ? [`${r.name}: ${r.fault}`] : [])),
  ];
}

/**
 * Done by someone who may do anything in the database, with the triggers off; taken back
 * afterwards.
 */
async function after(sql: string, outside?: readonly Checkpoint[]): Promise<string[]> {
  await house.admin.query('begin');
  try {
    await house.admin.query("set local session_replication_role = 'replica'");
    await house.admin.query(sql);
    return await faults(outside);
  } finally {
    await house.admin.query('rollback');
  }
}

beforeAll(async () => {
  await house.open();
  jonah = await house.signIn();
  // One row of every kind that the demo lacks, written as the server writes.
  const photo = Buffer.from('a photo');
  const trace = { format: 'stennet-trace', v: 1 };
  await house.db.inShop(HALDEN, async (c) => {
    await c.query("insert into late_event values ($1, $2, $3, 1, 9, $4, '{}', null, now())", [
      HALDEN,
      OPEN_RUN,
      demoId(950),
      JONAH,
    ]);
    await c.query("insert into statement values ($1, $2, $3, $4, '{}', now())", [
      HALDEN,
      demoId(951),
      OPEN_RUN,
      demoId(10),
    ]);
    await c.query(
      'insert into photo (shop, photo, bytes, width, height, person, at) values ($1, $2, $3, 1, 1, $4, now())',
      [HALDEN, hashOf(photo), photo, JONAH],
    );
    await c.query('insert into trace values ($1, $2, $3, $4, now())', [
      HALDEN,
      traceName(trace as never),
      canonicalJson(trace),
      JONAH,
    ]);
    await c.query(
      "insert into foreign_record values ($1, $2, 'ZZ9BREN20H0009999', '77', 'Cylinder head', 'Another shop', 'ffff', '{}', $3, now())",
      [HALDEN, demoId(952), JONAH],
    );
  });
});
afterAll(() => house.close());

/**
 * Every change that is made outside the server, and what verify says first. docs/SECURITY.md lists
 * them.
 */
const CHANGES = [...CHANGED_RUNS, ...CHANGED_AROUND];

test('nothing is wrong with what the server wrote', async () => {
  expect(await faults()).toEqual([]);
});

test.each(CHANGES)('done outside the server, and named first: %s', async (_what, sql, said) => {
  expect((await after(sql))[0]).toMatch(said);
});

test('each of them is documented', () => {
  noteHeld('changes made outside the server', CHANGES.length);
  const documented = fs.readFileSync(path.resolve(__dirname, '../../docs/SECURITY.md'), 'utf8');
  expect(CHANGES.flatMap(([what]) => (documented.includes(what) ? [] : [what]))).toEqual([]);
});

test('a database set back to an earlier state with its journal is found by what is known outside of it, also elsewhere', async () => {
  const early = outsideOf(house.keys.folder, HALDEN);
  const setBack = `delete from journal where shop = ${of(HALDEN)} and place = (select max(place) from journal where shop = ${of(HALDEN)}); delete from late_event; delete from statement; delete from photo; delete from trace where body like '%stennet-trace%' and length(body) < 40; delete from foreign_record`;
  expect(await after(setBack, [])).toEqual([]);
  expect(await after(setBack, early)).toEqual([
    expect.stringMatching(/the end was cut off, or an old database was restored/),
  ]);
  // A checkpoint that no one of this shop signed says nothing.
  const [known] = early.slice(-1);
  expect(await faults([{ ...known, place: 99, seal: known?.seal ?? '' } as Checkpoint])).toEqual([
    expect.stringMatching(/names line 99/),
  ]);
  expect(await faults([{ ...known, hash: 'x' } as Checkpoint])).toEqual([
    expect.stringMatching(/lacks the shop’s seal/),
  ]);
});

test('the command says the same and ends with 1', async () => {
  const env = { ...process.env, OWNER_DATABASE_URL: house.urls.owner, KEY_DIR: house.keys.folder };
  const verify = () =>
    spawnSync(process.execPath, [path.resolve(__dirname, '../dist/verify.js'), '--all'], {
      encoding: 'utf8',
      env,
    });
  expect(verify()).toMatchObject({
    status: 0,
    stdout: expect.stringMatching(/^\d+ records, 0 broken/),
  });
  await house.admin.query(
    "begin; set local session_replication_role = 'replica'; update membership set name = 'Johan Pike' where account = '5e000000-0000-4000-8000-000000000011'; commit",
  );
  expect(verify()).toMatchObject({
    status: 1,
    stdout: expect.stringContaining('BROKEN  person “Jonah Pike” was changed outside the server.'),
  });
  await house.admin.query(
    "begin; set local session_replication_role = 'replica'; update membership set name = 'Jonah Pike' where account = '5e000000-0000-4000-8000-000000000011'; commit",
  );
  expect(verify().status).toBe(0);
});

test('triggers that stay on change nothing about it: what they note of another’s change is never sealed', async () => {
  await house.admin.query(`update joint set name = 'Oil pan' where id = ${of(demoId(461))}`);
  await jonah.post('/api/session/touch', {}).expect(200);
  expect(await faults()).toEqual([expect.stringMatching(/joint “Cylinder head” was changed/)]);
  await house.admin.query(`update joint set name = 'Cylinder head' where id = ${of(demoId(461))}`);
  expect(await faults()).toEqual([]);
});

describe('before anybody serves', () => {
  const ready = () => readyJournals(house.admin, house.keys, () => house.clock);
  const keyFile = path.join(house.keys.folder, `${HALDEN}.pem`);

  test('a key that is missing, or is another, stops it in words', async () => {
    await ready();
    const { keys } = new House();
    fs.rmSync(path.join(keys.folder, `${HALDEN}.pem`));
    await expect(readyJournals(house.admin, keys, () => house.clock)).rejects.toThrow(
      /Can’t read a shop’s signing key.*Restore it from a backup/,
    );
    await house.admin.query('rollback');
    keys.make(HALDEN);
    await expect(readyJournals(house.admin, keys, () => house.clock)).rejects.toThrow(
      /isn’t the key this shop’s records are sealed with/,
    );
    await house.admin.query('rollback');
    expect(fs.existsSync(keyFile)).toBe(true);
  });

  test('a shop from before there were journals gets one of all that it has; one whose journal is gone does not', async () => {
    const outside = path.join(house.keys.folder, `${HALDEN}.journal`);
    await house.admin.query('delete from journal');
    await expect(ready()).rejects.toThrow(/audit trail is empty in the database, but \d+ lines/);
    await house.admin.query('rollback');
    for (const name of fs.readdirSync(house.keys.folder))
      if (name.endsWith('.journal')) fs.rmSync(path.join(house.keys.folder, name));
    await ready();
    expect(await faults()).toEqual([]);
    expect(fs.statSync(outside).mode & 0o777).toBe(0o600);
    expect(await after("update pin set hash = 'x'")).not.toEqual([]);
  });
});
