import { house, petra } from '../test/theShop';
import { demoId } from '../test/world';

describe('a shop with years of repair orders', () => {
  test('more than two hundred are not cut off in silence: the newest of what was handed over, the rest by search', async () => {
    await house.admin.query(
      `insert into repair_order (shop, id, number, vehicle, odometer_value, odometer_unit, customer, concern, state, promised_at, opened_at)
       select shop, gen_random_uuid(), 'OLD' || g, vehicle, odometer_value, odometer_unit, 'Many Orders', concern, 'handedOver', now(), now() - g * interval '1 day'
       from repair_order, generate_series(1, 250) g where id = $1`,
      [demoId(201)],
    );
    const list = async (asked: string) =>
      (await petra.get(`/api/orders?${asked}`).expect(200)).body as {
        orders: { number: string }[];
        more: boolean;
      };
    const all = await list('state=handedOver');
    expect([all.orders.length, all.more]).toEqual([200, true]);
    const old = all.orders.flatMap(({ number }) => number.match(/^OLD(\d+)$/)?.slice(1) ?? []);
    expect(old.length).toBeGreaterThan(150);
    expect(old.map(Number)).toEqual(old.map((_, i) => i + 1));
    expect(await list('state=handedOver&q=OLD250')).toMatchObject({
      orders: [{ number: 'OLD250' }],
      more: false,
    });
    const today = (await petra.get('/api/today').expect(200)).body;
    expect(today.more).toBe(false);
  });
});
