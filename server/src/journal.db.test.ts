import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import fs from 'node:fs';
import path from 'node:path';
import { canonicalJson, traceName } from '@stennet/core/record';
import { demoId, HALDEN, House, noteHeld, type Session } from '../test/world';
import { checkShop } from './journal/checkShop';
import { outsideOf, type Checkpoint } from './journal/journal';
import { readyJournals } from './journal/adopt';

jest.setTimeout(120_000);

const hashOf = (bytes: Buffer): string => createHash('sha256').update(bytes).digest('hex');
const house = new House();
let jonah: Session;
const RUN = demoId(821);
const OTHER_RUN = demoId(822);
const OPEN_RUN = demoId(825);
const ORDER = demoId(252);
const JONAH = demoId(11);

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
  });
  return [
    ...past,
    ...records.flatMap((r) => (r.fault && !r.changed ? [`${r.name}: ${r.fault}`] : [])),
  ];
}

/**
 * Done by somebody who may do anything in the database, with the triggers off; taken back
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

const of = (id: string): string => `'${id}'`;
const run = of(RUN);
/**
 * Every change that is made past the server, and what verify says first. docs/SECURITY.md lists
 * them.
 */
const CHANGES: readonly (readonly [what: string, sql: string, said: RegExp])[] = [
  // A run's entries.
  [
    'an entry’s text',
    `update run_event set body = replace(body, '"turned"', '"heldStill"') where run = ${run}`,
    /RO 2389.*Entry \d+ is the first that does not fit: its text was changed/,
  ],
  [
    'an entry’s time',
    `update run_event set body = replace(body, ':', ';') where run = ${run} and position = 9`,
    /RO 2389|run .*cannot be read/,
  ],
  [
    'an entry’s text and hash',
    `update run_event set body = replace(body, '"pass":1', '"pass":2'), hash = encode(sha256(convert_to(replace(body, '"pass":1', '"pass":2'), 'UTF8')), 'hex') where run = ${run}`,
    /RO 2389.*Entry \d+ is the first/,
  ],
  [
    'an entry’s hash',
    `update run_event set hash = repeat('0', 64) where run = ${run} and position = 12`,
    /RO 2389.*Entry 12 is the first/,
  ],
  [
    'an entry’s seal',
    `update run_event set seal = null where run = ${run} and position = 12`,
    /RO 2389.*Entry 12 is the first.*seal/,
  ],
  [
    'an entry’s person',
    `update run_event set body = replace(body, '${JONAH}', '${demoId(10)}') where run = ${run}`,
    /RO 2389.*Entry 1 is the first/,
  ],
  [
    'an entry that is no text any more',
    `update run_event set body = 'x' where run = ${run} and position = 3`,
    /cannot be read/,
  ],
  [
    'an entry removed in the middle',
    `delete from run_event where run = ${run} and position = 20`,
    /RO 2389.*Entry 20 is the first that does not fit: it does not follow the entry before it/,
  ],
  [
    'the first entry removed',
    `delete from run_event where run = ${run} and position = 1`,
    /RO 2389.*Entry 1 is the first/,
  ],
  [
    'the last entry removed',
    `delete from run_event where run = ${run} and position = (select max(position) from run_event where run = ${run})`,
    /RO 2389.*it was signed for other entries than these/,
  ],
  [
    'a tail removed and the head set back',
    `delete from run_event where run = ${run} and position > 20; update run set last_position = 20, last_seq = 20, head_hash = (select hash from run_event where run = ${run} and position = 20), signing = 'open' where id = ${run}; delete from signed_word where run = ${run}`,
    /RO 2389, .*run “procedure” was changed past the server/,
  ],
  [
    'all entries removed',
    `delete from run_event where run = ${run}`,
    /RO 2389.*it was signed for other entries than these/,
  ],
  [
    'an entry twice',
    `insert into run_event select shop, run, 9999, gen_random_uuid(), hold, 9999, type, person, body, hash, seal from run_event where run = ${run} and position = 12`,
    /RO 2389.*Entry \d+ is the first/,
  ],
  [
    'two entries exchanged',
    `update run_event set position = -position where run = ${run} and position in (10, 11); update run_event set position = case position when -10 then 11 else 10 end where run = ${run} and position < 0`,
    /RO 2389.*Entry 10 is the first/,
  ],
  [
    'an entry moved to another run',
    `update run_event set run = ${of(OTHER_RUN)}, position = 9999, seq = 9999 where run = ${run} and position = 12`,
    /RO 2389.*Entry 12|RO 2402.*Entry/,
  ],
  [
    'all entries of two runs exchanged',
    `update run_event set run = ${of(demoId(999))} where run = ${run}; update run_event set run = ${run} where run = ${of(OTHER_RUN)}; update run_event set run = ${of(OTHER_RUN)} where run = ${of(demoId(999))}`,
    /Entry 1 is the first|sheet is not the one/,
  ],
  // A run.
  [
    'a run removed with all that belongs to it',
    `delete from run_event where run = ${run}; delete from signed_word where run = ${run}; delete from wrench_use where run = ${run}; delete from run where id = ${run}`,
    /RO 2389, .*Cylinder head, run “procedure” was removed past the server/,
  ],
  [
    'a run removed alone',
    `delete from run where id = ${run}`,
    /RO 2389, .*run “procedure” was removed/,
  ],
  [
    'an open run removed',
    `delete from run_event where run = ${of(OPEN_RUN)}; delete from late_event; delete from statement; delete from wrench_use where run = ${of(OPEN_RUN)}; delete from run where id = ${of(OPEN_RUN)}`,
    /RO 2428, .*run “procedure” was removed/,
  ],
  [
    'a run set back to open',
    `update run set state = 'open' where id = ${run}`,
    /RO 2389, .*run “procedure” was changed/,
  ],
  [
    'a run set to unsigned, its words removed',
    `update run set signing = 'open' where id = ${run}; delete from signed_word where run = ${run}`,
    /RO 2389, .*run “procedure” was changed/,
  ],
  [
    'a run set to signed',
    `update run set signing = 'signed' where id = ${of(OPEN_RUN)}`,
    /RO 2428, .*run “procedure” was changed/,
  ],
  [
    'a run’s head',
    `update run set head_hash = repeat('a', 64) where id = ${run}`,
    /RO 2389, .*run “procedure” was changed/,
  ],
  [
    'an unsigned run on another joint',
    `update run set joint = ${of(demoId(401))} where id = ${of(OPEN_RUN)}`,
    /run “procedure” was changed/,
  ],
  [
    'a signed run on another joint',
    `update run set joint = ${of(demoId(401))} where id = ${run}`,
    /run “procedure” was changed/,
  ],
  [
    'two signed runs exchanged between vehicles',
    `update run set instance = 'x' where id = ${run}; update run set joint = ${of(demoId(461))} where id = ${of(OTHER_RUN)}; update run set joint = ${of(demoId(462))}, instance = '' where id = ${run}`,
    /run “procedure” was changed/,
  ],
  [
    'a run as another part',
    `update run set part = 'takeApart' where id = ${run}`,
    /RO 2389, .*was changed/,
  ],
  [
    'a run at another bank',
    `update run set instance = 'B' where id = ${run}`,
    /RO 2389, .*was changed/,
  ],
  [
    'a run with another sheet',
    `update run set sheet = (select sheet from run where id = ${of(demoId(824))}), revision = 'A' where id = ${run}`,
    /RO 2389, .*was changed/,
  ],
  [
    'a run’s holder',
    `update run set holder_person = ${of(demoId(10))} where id = ${of(OPEN_RUN)}`,
    /RO 2428, .*was changed/,
  ],
  [
    'a run’s number of its hold',
    `update run set hold = hold + 1 where id = ${of(OPEN_RUN)}`,
    /RO 2428, .*was changed/,
  ],
  [
    'what a run says of itself in lists',
    `update run set standing = '{}' where id = ${of(OPEN_RUN)}`,
    /RO 2428, .*was changed/,
  ],
  [
    'when a run was last worked on',
    `update run set last_at = last_at + interval '1 day' where id = ${run}`,
    /RO 2389, .*was changed/,
  ],
  [
    'a run made up',
    `insert into run select (jsonb_populate_record(r, jsonb_build_object('id', ${of(demoId(953))}, 'instance', 'Z'))).* from run r where id = ${of(OPEN_RUN)}`,
    /RO 2428, .*run “procedure” was added past the server/,
  ],
  // Signed words.
  [
    'all signed words removed',
    `delete from signed_word where run = ${run}`,
    /RO 2389, .*signature or later word “technician” was removed/,
  ],
  [
    'the last signed word removed',
    `delete from signed_word where run = ${run} and place = (select max(place) from signed_word where run = ${run})`,
    /RO 2389, .*signature or later word .* was removed/,
  ],
  [
    'a signed word’s text',
    `update signed_word set body = replace(body, 'Jonah', 'Johan') where run = ${run}`,
    /RO 2389, .*signature or later word .* was changed/,
  ],
  [
    'a signature',
    `update signed_word set signature = 'AAAA' where run = ${run} and place = 1`,
    /RO 2389, .*signature or later word .* was changed/,
  ],
  [
    'who signed',
    `update signed_word set person = ${of(demoId(10))} where run = ${run} and place = 1`,
    /RO 2389, .*signature or later word .* was changed/,
  ],
  [
    'a word signed for another run',
    `update signed_word set run = ${of(OPEN_RUN)} where run = ${run} and place = 1`,
    /signature or later word .* was (added|removed)/,
  ],
  [
    'a word made up',
    `insert into signed_word values (${of(HALDEN)}, ${of(OPEN_RUN)}, 1, gen_random_uuid(), 'technician', ${of(JONAH)}, '{}', 'AAAA', now())`,
    /RO 2428, .*signature or later word “technician” was added/,
  ],
  // The order around it.
  [
    'a joint removed',
    `delete from joint where id = ${of(demoId(461))}`,
    /RO 2389, .*joint “Cylinder head” was removed/,
  ],
  [
    'a joint in another job',
    `update joint set job = ${of(demoId(353))} where id = ${of(demoId(461))}`,
    /joint “Cylinder head” was changed/,
  ],
  [
    'a joint’s name',
    `update joint set name = 'Oil pan' where id = ${of(demoId(461))}`,
    /joint “Cylinder head” was changed/,
  ],
  [
    'a joint’s sheet',
    `update joint set revision = 'Z' where id = ${of(demoId(461))}`,
    /joint “Cylinder head” was changed/,
  ],
  ['a job removed', `delete from job where id = ${of(demoId(352))}`, /RO 2389, job .* was removed/],
  [
    'a job on another order',
    `update job set repair_order = ${of(demoId(253))} where id = ${of(demoId(352))}`,
    /job .* was changed/,
  ],
  ['an order removed', `delete from repair_order where id = ${of(ORDER)}`, /^RO 2389 was removed/],
  [
    'an order’s number',
    `update repair_order set number = '2390' where id = ${of(ORDER)}`,
    /^RO 2389 was changed/,
  ],
  [
    'an order’s vehicle',
    `update repair_order set vehicle = jsonb_set(vehicle, '{vin}', '"ZZ9SOMEBODYELSES1"') where id = ${of(ORDER)}`,
    /^RO 2389 was changed/,
  ],
  [
    'an order’s odometer',
    `update repair_order set odometer_value = odometer_value - 50000 where id = ${of(ORDER)}`,
    /^RO 2389 was changed/,
  ],
  [
    'an order’s state',
    `update repair_order set state = 'open' where id = ${of(ORDER)}`,
    /^RO 2389 was changed/,
  ],
  [
    'when an order was opened',
    `update repair_order set opened_at = opened_at - interval '1 year' where id = ${of(ORDER)}`,
    /^RO 2389 was changed/,
  ],
  [
    'an order made up',
    `insert into repair_order (shop, id, number, vehicle, odometer_value, odometer_unit, customer, concern, state) values (${of(HALDEN)}, ${of(demoId(954))}, '9999', '{}', 1, 'km', '', '', 'open')`,
    /^RO 9999 was added/,
  ],
  [
    'an entry of an order removed',
    `delete from order_entry where repair_order = ${of(ORDER)}`,
    /RO 2389, entry of the order .* was removed/,
  ],
  [
    'an entry of an order',
    `update order_entry set body = replace(body, 'L 4471', 'L 4472') where repair_order = ${of(ORDER)}`,
    /RO 2389, entry of the order .* was changed/,
  ],
  [
    'an entry of an order taken off it',
    `update order_entry set gone = true where repair_order = ${of(ORDER)}`,
    /RO 2389, entry of the order .* was changed/,
  ],
  [
    'when an entry of an order was made',
    `update order_entry set at = at - interval '1 day' where repair_order = ${of(ORDER)}`,
    /RO 2389, entry of the order .* was changed/,
  ],
  // What falls due, what was used, what was said.
  [
    'a follow-up removed',
    `delete from follow_up where id = (select id from follow_up order by id limit 1)`,
    /follow-up .* was removed/,
  ],
  [
    'a follow-up put off',
    `update follow_up set due_on = due_on + 400 where id = (select id from follow_up order by id limit 1)`,
    /follow-up .* was changed/,
  ],
  [
    'a follow-up settled',
    `update follow_up set state = 'declined', note = 'x' where id = (select id from follow_up where state = 'open' limit 1)`,
    /follow-up .* was changed/,
  ],
  [
    'the use of a wrench removed',
    `delete from wrench_use where run = ${run}`,
    /RO 2389, .*use of a wrench .* was removed/,
  ],
  [
    'a word of the lead',
    `update statement set body = '{"x":1}'`,
    /RO 2428, .*word of the lead .* was changed/,
  ],
  [
    'a word of the lead made up',
    `insert into statement values (${of(HALDEN)}, ${of(demoId(955))}, ${run}, ${of(demoId(10))}, '{}', now())`,
    /RO 2389, .*word of the lead .* was added/,
  ],
  ['a late entry removed', `delete from late_event`, /RO 2428, .*late entry .* was removed/],
  // The shop.
  [
    'a person’s name',
    `update membership set name = 'Somebody Else' where account = ${of(JONAH)}`,
    /person “Jonah Pike” was changed/,
  ],
  [
    'a person’s role',
    `update membership set role = 'lead' where account = ${of(demoId(13))}`,
    /person “.*” was changed/,
  ],
  [
    'a person removed',
    `delete from membership where account = ${of(JONAH)}`,
    /person “Jonah Pike” was removed/,
  ],
  [
    'a person’s PIN',
    `update pin set hash = 'x' where account = ${of(demoId(10))}`,
    /PIN .* was changed/,
  ],
  [
    'the second signature turned off',
    `update shop set second_signature = not second_signature where shop = ${of(HALDEN)}`,
    /settings of the shop “Halden Quay Motor Works” was changed|settings of the shop/,
  ],
  [
    'the shop’s own row removed',
    `delete from shop where shop = ${of(HALDEN)}`,
    /settings of the shop .* removed/,
  ],
  [
    'a wrench’s calibration',
    `update shop_tool set body = jsonb_set(body, '{calibratedUntil}', '"2039-01-01"') where id = ${of(demoId(104))}`,
    /tool “.*” was changed/,
  ],
  [
    'a sheet’s text and hash',
    `update sheet_revision set body = replace(body, '75', '57'), hash = encode(sha256(convert_to(replace(body, '75', '57'), 'UTF8')), 'hex') where sheet = (select sheet from run where id = ${of(OPEN_RUN)})`,
    /sheet “.*” was changed/,
  ],
  [
    'a sheet withdrawn made to stand',
    `update sheet_revision set status = 'draft' where sheet = 'ob20-flywheel-kit'`,
    /sheet “.*” was changed/,
  ],
  [
    'who approved a sheet',
    `update sheet_revision set approved_by = ${of(JONAH)} where sheet = 'ob20-flywheel-kit'`,
    /sheet “.*” was changed/,
  ],
  [
    'a sheet removed',
    `delete from sheet_revision where sheet = 'bv48-damper'`,
    /sheet “.*” was removed/,
  ],
  [
    'a record from another shop',
    `update foreign_record set body = '{"x":1}'`,
    /record from another shop “77” was changed/,
  ],
  [
    'a record from another shop removed',
    `delete from foreign_record`,
    /record from another shop “77” was removed/,
  ],
  ['a photo’s picture', `update photo set bytes = 'another'`, /photo .* was changed/],
  ['a photo removed', `delete from photo`, /photo .* was removed/],
  ['a curve', `update trace set body = '{"x":1}'`, /curve of a wrench .* was changed/],
  ['a curve removed', `delete from trace`, /curve of a wrench .* was removed/],
  // The journal itself.
  [
    'a line of the journal',
    `update journal set body = replace(body, 'Jonah', 'Johan') where place = 1`,
    /Line 1 of the journal is the first that does not fit: its text was changed/,
  ],
  [
    'a line of the journal, its hash made to fit',
    `update journal set body = replace(body, 'Jonah', 'Johan'), hash = encode(sha256(convert_to(replace(body, 'Jonah', 'Johan'), 'UTF8')), 'hex') where place = 1`,
    /Line 1 of the journal .* seal/,
  ],
  [
    'a line of the journal removed',
    `delete from journal where shop = ${of(HALDEN)} and place = 1`,
    /Line 1 of the journal .*missing/,
  ],
  [
    'the end of the journal removed',
    `delete from journal where shop = ${of(HALDEN)} and place = (select max(place) from journal where shop = ${of(HALDEN)})`,
    /The journal ends at line \d+, and line \d+ is known outside/,
  ],
  [
    'the whole journal removed',
    `delete from journal where shop = ${of(HALDEN)}`,
    /The journal ends at line 0/,
  ],
  [
    'a line of the journal made up',
    `insert into journal select shop, place + 1, body, hash, seal from journal where shop = ${of(HALDEN)} order by place desc limit 1`,
    /Line \d+ of the journal .* from another place/,
  ],
];

test('nothing is wrong with what the server wrote', async () => {
  expect(await faults()).toEqual([]);
});

test(`each of ${CHANGES.length} changes made past the server is named, and it comes first`, async () => {
  const missed: string[] = [];
  for (const [what, sql, said] of CHANGES) {
    const [first] = await after(sql);
    if (!first || !said.test(first)) missed.push(`${what}: ${first ?? 'nothing found'}`);
  }
  expect(missed).toEqual([]);
  noteHeld('changes made past the server', CHANGES.length);
  const documented = fs.readFileSync(path.resolve(__dirname, '../../docs/SECURITY.md'), 'utf8');
  expect(CHANGES.flatMap(([what]) => (documented.includes(what) ? [] : [what]))).toEqual([]);
});

test('a database set back to an earlier state with its journal is found by what is known outside of it, also elsewhere', async () => {
  const early = outsideOf(house.keys.folder, HALDEN);
  const setBack = `delete from journal where shop = ${of(HALDEN)} and place = (select max(place) from journal where shop = ${of(HALDEN)}); delete from late_event; delete from statement; delete from photo; delete from trace where body like '%stennet-trace%' and length(body) < 40; delete from foreign_record`;
  expect(await after(setBack, [])).toEqual([]);
  expect(await after(setBack, early)).toEqual([
    expect.stringMatching(/its end was cut off, or the database was set back/),
  ]);
  // A checkpoint that nobody of this shop signed says nothing.
  const [known] = early.slice(-1);
  expect(await faults([{ ...known, place: 99, seal: known?.seal ?? '' } as Checkpoint])).toEqual([
    expect.stringMatching(/line 99 is known/),
  ]);
  expect(await faults([{ ...known, hash: 'x' } as Checkpoint])).toEqual([
    expect.stringMatching(/does not carry the shop’s seal/),
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
    stdout: expect.stringMatching(/^\d+ records, 0 of them broken/),
  });
  await house.admin.query(
    "begin; set local session_replication_role = 'replica'; update membership set name = 'Johan Pike' where account = '5e000000-0000-4000-8000-000000000011'; commit",
  );
  expect(verify()).toMatchObject({
    status: 1,
    stdout: expect.stringContaining('BROKEN  person “Jonah Pike” was changed past the server.'),
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
      /signing key of a shop cannot be read.*Put it back from a backup/,
    );
    await house.admin.query('rollback');
    keys.make(HALDEN);
    await expect(readyJournals(house.admin, keys, () => house.clock)).rejects.toThrow(
      /is not the key that this shop’s records are sealed with/,
    );
    await house.admin.query('rollback');
    expect(fs.existsSync(keyFile)).toBe(true);
  });

  test('a shop from before there were journals gets one of all that it has; one whose journal is gone does not', async () => {
    const outside = path.join(house.keys.folder, `${HALDEN}.journal`);
    await house.admin.query('delete from journal');
    await expect(ready()).rejects.toThrow(
      /journal of a shop is empty in the database, and \d+ lines/,
    );
    await house.admin.query('rollback');
    for (const name of fs.readdirSync(house.keys.folder))
      if (name.endsWith('.journal')) fs.rmSync(path.join(house.keys.folder, name));
    await ready();
    expect(await faults()).toEqual([]);
    expect(fs.statSync(outside).mode & 0o777).toBe(0o600);
    expect(await after("update pin set hash = 'x'")).not.toEqual([]);
  });
});
