import { HALDEN, House } from '../../test/world';
import { openDatabase } from './database';

const house = new House();
beforeAll(() => house.open());
afterAll(() => house.close());

test('a connection that is cut in the middle is out of reach, and the next one is whole', async () => {
  const work = house.db.inShop(HALDEN, async (client) => {
    const [row] = (await client.query<{ pid: number }>('select pg_backend_pid() as pid')).rows;
    await house.admin.query('select pg_terminate_backend($1)', [row?.pid]);
    await client.query('select pg_sleep(5)');
  });
  await expect(work).rejects.toMatchObject(
    expect.objectContaining({
      message: expect.stringMatching(/Can’t reach the server|terminating connection/),
    }),
  );
  expect(
    await house.db.inShop(HALDEN, async (client) => (await client.query('select 1 as one')).rows),
  ).toEqual([{ one: 1 }]);
});

test('no connection that became free in time is out of reach', async () => {
  const db = openDatabase(house.urls.app, null);
  let done: () => void = () => undefined;
  const held = new Promise<void>((resolve) => (done = resolve));
  const busy = Array.from({ length: 10 }, () => db.inShop(HALDEN, () => held));
  await expect(db.inShop(HALDEN, async () => undefined)).rejects.toMatchObject({ code: 'OFFLINE' });
  done();
  await Promise.all(busy);
  await db.close();
}, 20_000);

test('what only looks finds its shop, and can write nothing', async () => {
  const seen = await house.db.lookInShop(HALDEN, (c) => c.query('select shop from shop'));
  expect(seen.rows).toEqual([{ shop: HALDEN }]);
  const write = house.db.lookInShop(HALDEN, (c) =>
    c.query("update shop set name = 'Seen' where shop = current_shop()"),
  );
  // As PostgreSQL says it: read_only_sql_transaction.
  await expect(write).rejects.toMatchObject({ code: '25006' });
});

test('what failed half-way and was passed over in silence is not said to be kept', async () => {
  const write = house.db.inShop(HALDEN, async (c) => {
    await c.query("update shop set name = 'Half' where shop = current_shop()");
    await c.query('select 1 / 0').catch(() => undefined);
  });
  await expect(write).rejects.toThrow();
  const { rows } = await house.admin.query('select name from shop where shop = $1', [HALDEN]);
  expect(rows[0].name).not.toBe('Half');
});
