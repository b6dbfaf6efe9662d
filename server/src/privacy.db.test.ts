import { house, ines, jonah, signEverybodyIn } from '../test/theShop';
import { demoId, HALDEN } from '../test/world';
import { checkShop } from './journal/checkShop';
import { checkpointsIn, outsideOf } from './journal/journal';
import { verifyRecordFile, type RecordFile } from '@stennet/core/record';
import { fitsKey } from './keys/keys';

const OWN = { own: 'witness-mark' };
const BRENNA = demoId(252);

const faults = async (witness = outsideOf(house.keys.folder, HALDEN)) => {
  const found = await house.db.inShop(HALDEN, (c) =>
    checkShop(c, {
      shop: HALDEN,
      key: house.keys.of(HALDEN),
      number: null,
      outside: witness,
      files: null,
    }),
  );
  return [...found.faults, ...found.records.flatMap((r) => r.fault ?? [])];
};

test('a customer is erased by the lead with the password, after hand-over, on every order for that vehicle; what was tightened holds', async () => {
  await house.db.inShop(HALDEN, (c) =>
    c.query('insert into order_entry values ($1, $2, 1, $3, $4, false, $5, now())', [
      HALDEN,
      demoId(9971),
      BRENNA,
      '{"kind":"note","text":"Kolb wants a call, 0170 555"}',
      jonah.person,
    ]),
  );
  const before = (await ines.get(`/api/orders/${BRENNA}`).expect(200)).body;
  await jonah.post(`/api/orders/${BRENNA}/erase`, OWN).expect(403);
  expect((await ines.post(`/api/orders/${BRENNA}/erase`, { own: 'another' })).body.error.code).toBe(
    'SIGN_IN_WRONG',
  );
  expect((await ines.post(`/api/orders/${demoId(201)}/erase`, OWN)).body.error.code).toBe(
    'ERASE_OPEN',
  );
  expect((await ines.post(`/api/orders/${BRENNA}/erase`, OWN).expect(200)).body).toEqual({
    erased: 1,
  });
  const after = (await ines.get(`/api/orders/${BRENNA}`).expect(200)).body;
  expect(after).toMatchObject({
    customer: '—',
    vehicle: { plate: '—', vin: before.vehicle.vin },
    number: before.number,
  });
  const { rows } = await house.admin.query<{ text: string }>(
    "select string_agg(t::text, ' ') as text from (select o::text as t from repair_order o where id = $1 union all select e::text from order_entry e where repair_order = $1) x",
    [BRENNA],
  );
  for (const personal of [before.customer, before.vehicle.plate, '0170 555'])
    expect(rows[0]?.text).not.toContain(personal);
  expect(await faults()).toEqual([]);
  const file = (await ines.get(`/api/runs/${demoId(821)}/record?form=json`).expect(200))
    .body as RecordFile;
  expect(verifyRecordFile(file, fitsKey(file.shop.key))).toBeNull();
  expect((await ines.get('/api/security')).body.events).toContainEqual(
    expect.objectContaining({ kind: 'customerErased', who: 'Ines Corte' }),
  );
});

test('a shop that keeps customers for two years erases older ones by itself, and no open order', async () => {
  const customers = async () =>
    (
      await house.admin.query<{ customer: string; state: string }>(
        'select customer, state from repair_order where shop = $1',
        [HALDEN],
      )
    ).rows;
  await ines
    .post('/api/shop', {
      secondSignature: false,
      timeZone: 'Europe/Lisbon',
      idleMinutes: 840,
      retentionMonths: 24,
    })
    .expect(200);
  expect((await ines.get('/api/me')).body.shop.retentionMonths).toBe(24);
  await house.signIn('Ines Corte');
  expect(
    (await customers()).filter((o) => o.state === 'handedOver' && o.customer !== '—').length,
  ).toBeGreaterThan(0);
  house.clock = new Date(Date.now() + 25 * 31 * 86_400_000);
  await signEverybodyIn();
  expect(
    (await customers()).filter((o) => (o.state === 'handedOver') !== (o.customer === '—')),
  ).toEqual([]);
  expect(await faults()).toEqual([]);
});

test('a witness taken elsewhere says later that something is missing', async () => {
  await jonah.get('/api/witness').expect((r) => expect([401, 403]).toContain(r.status));
  const reply = await ines.get('/api/witness').expect(200);
  expect(reply.headers['content-disposition']).toMatch(/stennet-witness-\d{4}-\d\d-\d\d\.json/);
  const witness = checkpointsIn(reply.text);
  expect(witness).toHaveLength(1);
  expect(await faults(witness)).toEqual([]);
  // Set back, with all that the machine itself knew.
  await house.admin.query("begin; set local session_replication_role = 'replica'");
  await house.admin.query(
    'delete from journal where shop = $1 and place = (select max(place) from journal where shop = $1)',
    [HALDEN],
  );
  await house.admin.query('commit');
  expect(await faults(witness)).toEqual([
    expect.stringMatching(/the end was cut off, or an old database was restored/),
  ]);
});
