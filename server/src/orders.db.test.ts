import type { OrderHead } from '@stennet/core/order';
import { house, jonah, petra, tomas } from '../test/theShop';
import { demoId } from '../test/world';
import { freshId, head, freshOrder, note } from '../test/orders';

describe('a repair order', () => {
  test('is created once however often it is sent, and read back as it was', async () => {
    const order = freshId();
    const body = { order, head: head() };
    await petra.post('/api/orders', body).expect(200);
    await petra.post('/api/orders', body).expect(200);
    expect((await petra.get(`/api/orders/${order}`)).body).toMatchObject({
      ...body.head,
      state: 'open',
      version: 1,
      jobs: [],
      entries: [],
    });
  });

  test('without a number it gets the next one; a number that is there is refused in words', async () => {
    const order = freshId();
    await petra.post('/api/orders', { order, head: { ...head(), number: null } }).expect(200);
    const { number } = (await petra.get(`/api/orders/${order}`)).body as { number: string };
    expect(Number(number)).toBeGreaterThan(2441);
    const again = await petra.post('/api/orders', { order: freshId(), head: head({ number }) });
    expect([again.status, again.body.error.code, again.body.error.message]).toEqual([
      409,
      'ORDER_NUMBER_TAKEN',
      `RO ${number} already exists.`,
    ]);
  });

  test('six at the counter at the same moment get six numbers', async () => {
    const orders = Array.from({ length: 6 }, freshId);
    const replies = await Promise.all(
      orders.map((order) =>
        petra.post('/api/orders', { order, head: { ...head(), number: null } }),
      ),
    );
    expect(replies.map((r) => r.status)).toEqual([200, 200, 200, 200, 200, 200]);
    const numbers = await Promise.all(
      orders.map(async (o) => (await petra.get(`/api/orders/${o}`)).body.number),
    );
    expect(new Set(numbers).size).toBe(6);
  });

  test('two who change it at the same time: the second is told who was first, and nothing is written over', async () => {
    const order = await freshOrder();
    const seen = (await petra.get(`/api/orders/${order}`)).body as OrderHead & { version: number };
    await jonah
      .post(`/api/orders/${order}`, {
        version: seen.version,
        head: head({ customer: 'Jonah wrote this' }),
      })
      .expect(200);
    const late = await petra.post(`/api/orders/${order}`, {
      version: seen.version,
      head: head({ customer: 'Petra wrote this' }),
    });
    expect(late.body.error).toMatchObject({ code: 'ORDER_CHANGED', params: { by: 'Jonah Pike' } });
    expect((await petra.get(`/api/orders/${order}`)).body.customer).toBe('Jonah wrote this');
  });

  test.each([
    ['a VIN with an O in it', { vehicle: { ...head().vehicle, vin: 'ZZ9TRDG25FO009999' } }],
    ['a negative odometer', { odometer: { value: -1, unit: 'km' } }],
    ['an absurd odometer', { odometer: { value: 9e9, unit: 'km' } }],
    ['a day that is none', { vehicle: { ...head().vehicle, built: '2017-13-40' } }],
    ['an unknown field', { admin: true }],
    ['text that a table cannot hold', { concern: 'a\u0000b' }],
  ])('%s is refused with its place', async (_what, more) => {
    const reply = await petra.post('/api/orders', {
      order: freshId(),
      head: { ...head(), ...more },
    });
    expect([reply.status, reply.body.error.code]).toEqual([400, 'BAD_REQUEST']);
    expect(reply.body.error.params.where).toMatch(/^head/);
  });

  test('is found by number, plate, name and concern; signs of a pattern stand for themselves', async () => {
    const numbers = async (query: string): Promise<string[]> =>
      (await petra.get(`/api/orders?${query}`)).body.orders.map(
        (o: { number: string }) => o.number,
      );
    expect(await numbers('q=2438')).toEqual(['2438']);
    expect(await numbers('q=hq%2077')).toEqual(['2438']);
    expect(await numbers('q=white%20smoke')).toEqual(['2417']);
    expect(await numbers('q=%25')).toEqual([]);
    expect(await numbers('q=_')).toEqual([]);
    expect(await numbers('state=waiting')).toEqual(['2425']);
    expect((await petra.get('/api/orders?state=nonsense')).status).toBe(400);
  });

  test('is not handed on while something holds it up, and the refusal names it', async () => {
    const order = demoId(201);
    const { version } = (await petra.get(`/api/orders/${order}`)).body as { version: number };
    const reply = await petra.post(`/api/orders/${order}/state`, { version, state: 'toCheck' });
    expect(reply.body.error).toMatchObject({
      code: 'ORDER_STATE',
      params: { why: 'Cylinder head: not started' },
    });
    expect(
      (await petra.post(`/api/orders/${order}/state`, { version, state: 'handedOver' })).body.error
        .code,
    ).toBe('ORDER_STATE');
    await petra.post(`/api/orders/${order}/state`, { version, state: 'waiting' }).expect(200);
    expect(
      (await petra.post(`/api/orders/${order}/state`, { version, state: 'inWork' })).body.error
        .code,
    ).toBe('ORDER_CHANGED');
    await petra
      .post(`/api/orders/${order}/state`, { version: version + 1, state: 'inWork' })
      .expect(200);
  });

  test('takes a job with its joints, once', async () => {
    const order = await freshOrder();
    const body = {
      id: freshId(),
      kind: 'clutch',
      title: 'Replace clutch',
      joints: [
        { id: freshId(), name: 'Pressure plate', sheet: 'tf25-pressure-plate', revision: 'B' },
      ],
    };
    await petra.post(`/api/orders/${order}/jobs`, body).expect(200);
    await petra.post(`/api/orders/${order}/jobs`, body).expect(200);
    expect((await petra.get(`/api/orders/${order}`)).body.jobs).toMatchObject([
      {
        title: 'Replace clutch',
        kind: 'clutch',
        joints: [{ name: 'Pressure plate', sheetKind: 'clutch' }],
      },
    ]);
    const gone = await petra.post(`/api/orders/${order}/jobs`, {
      ...body,
      id: freshId(),
      joints: [{ ...body.joints[0], id: freshId(), sheet: 'brenna-2-0-head', revision: 'B' }],
    });
    expect(gone.body.error.code).toBe('SHEET_NOT_STANDING');
  });
});

describe('what may follow later', () => {
  const later = () => head({ vehicle: { ...head().vehicle, vin: '', built: '' }, odometer: null });

  test('an order is opened without VIN, build date and odometer, and they are added to it', async () => {
    const order = freshId();
    await petra.post('/api/orders', { order, head: later() }).expect(200);
    const read = (await petra.get(`/api/orders/${order}`)).body;
    expect(read).toMatchObject({ odometer: null, vehicle: { vin: '', built: '' } });
    await petra.post(`/api/orders/${order}`, { version: read.version, head: head() }).expect(200);
    expect((await petra.get(`/api/orders/${order}`)).body).toMatchObject({
      odometer: { value: 120000, unit: 'km' },
      vehicle: { vin: 'ZZ9TRDG25F0009999' },
    });
  });

  test('two vehicles without a VIN are not taken for one', async () => {
    for (const plate of ['LM 4711', 'LM 4712']) {
      const body = { ...later(), vehicle: { ...later().vehicle, plate } };
      await petra.post('/api/orders', { order: freshId(), head: body }).expect(200);
    }
    const { vehicles } = (await petra.get('/api/vehicles?q=LM47')).body as {
      vehicles: { vehicle: { plate: string } }[];
    };
    expect(vehicles.map((k) => k.vehicle.plate).sort()).toEqual(['LM 4711', 'LM 4712']);
  });

  test('a customer is found by phone, and a plate by its letters and digits alone', async () => {
    const order = freshId();
    const contact = { phone: '+49 30 555-0177', prefers: 'text' as const };
    const body = head({ contact, vehicle: { ...head().vehicle, plate: 'QX 77-1' } });
    await petra.post('/api/orders', { order, head: body }).expect(200);
    for (const q of ['5550177', 'qx771', 'QX 77', '+49 30 555-0177']) {
      const found = await petra.get(`/api/orders?q=${encodeURIComponent(q)}`);
      expect(found.body.orders.map((o: { id: string }) => o.id)).toEqual([order]);
    }
    expect((await petra.get(`/api/orders/${order}`)).body.contact).toEqual(contact);
  });
});

describe('what is on it', () => {
  test('each save is a version; what someone else changed in the meantime is not written over; the history stays', async () => {
    const order = await freshOrder();
    const entry = freshId();
    const path = `/api/orders/${order}/entries/${entry}`;
    expect((await jonah.post(path, { version: 0, body: note('one'), gone: false })).body).toEqual({
      version: 1,
    });
    expect((await jonah.post(path, { version: 0, body: note('one'), gone: false })).body).toEqual({
      version: 1,
    });
    expect((await petra.post(path, { version: 1, body: note('two'), gone: false })).body).toEqual({
      version: 2,
    });
    expect(
      (await jonah.post(path, { version: 1, body: note('mine'), gone: false })).body.error,
    ).toMatchObject({ code: 'ORDER_CHANGED', params: { by: 'Petra Voll' } });
    expect((await jonah.get(`/api/orders/${order}`)).body.entries).toMatchObject([
      { id: entry, version: 2, by: 'Petra Voll', body: { text: 'two' } },
    ]);
    await petra.post(path, { version: 2, body: note('two'), gone: true }).expect(200);
    expect((await jonah.get(`/api/orders/${order}`)).body.entries).toEqual([]);
    const { rows } = await house.admin.query(
      'select body from order_entry where id = $1 order by version',
      [entry],
    );
    expect(rows).toHaveLength(3);
  });

  test('six at the same moment: one version each, none lost silently', async () => {
    const order = await freshOrder();
    const entry = freshId();
    const replies = await Promise.all(
      ['a', 'b', 'c', 'd', 'e', 'f'].map((t) =>
        jonah.post(`/api/orders/${order}/entries/${entry}`, {
          version: 0,
          body: note(t),
          gone: false,
        }),
      ),
    );
    expect(replies.map((r) => r.status).sort()).toEqual([200, 409, 409, 409, 409, 409]);
  });

  test('the same sent six times at the same moment is taken once and refused to no one', async () => {
    const order = await freshOrder();
    const path = `/api/orders/${order}/entries/${freshId()}`;
    const same = { version: 0, body: note('dropped nut'), gone: false };
    const replies = await Promise.all([...'abcdef'].map(() => jonah.post(path, same)));
    expect(replies.map((r) => r.body)).toEqual([...'abcdef'].map(() => ({ version: 1 })));
  });

  test('the role that serves may neither change nor delete a version', async () => {
    for (const sql of ["update order_entry set body = '{}'", 'delete from order_entry']) {
      await expect(house.db.inShop(petra.shop, (c) => c.query(sql))).rejects.toThrow(
        /permission denied/,
      );
    }
  });

  test('another shop has none of it, and roles are kept', async () => {
    const order = await freshOrder();
    const entry = freshId();
    await jonah
      .post(`/api/orders/${order}/entries/${entry}`, {
        version: 0,
        body: note('ours'),
        gone: false,
      })
      .expect(200);
    expect((await tomas.get(`/api/orders/${order}`)).status).toBe(404);
    expect(
      (
        await tomas.post(`/api/orders/${order}/entries/${freshId()}`, {
          version: 0,
          body: note('theirs'),
          gone: false,
        })
      ).status,
    ).toBe(404);
    // Not even under the same id in their own repair order.
    expect(
      (
        await tomas.post(`/api/orders/${demoId(211)}/entries/${entry}`, {
          version: 0,
          body: note('theirs'),
          gone: false,
        })
      ).status,
    ).toBe(200);
    expect((await jonah.get(`/api/orders/${order}`)).body.entries).toMatchObject([
      { body: { text: 'ours' } },
    ]);
    const rafi = await house.signIn('Rafi Daan');
    expect(
      (
        await rafi.post(`/api/orders/${order}/entries/${freshId()}`, {
          version: 0,
          body: note('x'),
          gone: false,
        })
      ).body.error.code,
    ).toBe('FORBIDDEN');
  });
});
