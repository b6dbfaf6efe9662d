import { expect, test } from './house';

const WRENCH_2 = '5e000000-0000-4000-8000-000000000102';

test(
  'a wrench that is off is found by a check, goes out of use, and every joint since the last good check is listed',
  { tag: '@phone' },
  async ({ technician: t, house }) => {
    await t.signIn('Ines Corte');
    await t.page.goto(`${house.url}/tools?at=${WRENCH_2}`);
    await t.page.getByRole('button', { name: 'Calibration of Wrench 2, 40–200 N·m' }).click();
    await expect(t.page.getByText(/^Calibrated until/)).toBeVisible();
    await expect(t.page.getByText('Within ±4%').first()).toBeVisible();
    await expect(t.page.getByRole('img', { name: /^How far off at each check/ })).toBeVisible();
    await t.tap('Check against a reference');
    await t.field('Reference', 'Torque transducer, bench');
    await t.field('Its uncertainty, %', '0.5');
    const reads = async (values: readonly string[]): Promise<void> => {
      for (const [i, value] of values.entries())
        await t.page
          .getByLabel(`Reading ${(i % 2) + 1}`, { exact: true })
          .nth(Math.floor(i / 2))
          .fill(value);
    };
    await reads(['39.8', '39.6', '119.5', '119', '199', '198.5']);
    await expect(t.page.getByText(/^Saving sets it calibrated until/)).toBeVisible();
    // One reading typed in another unit is converted; nothing typed is lost by a reload.
    await reads(['27.9 lbf·ft', '37.9', '113', '113.2', '188', '187.6']);
    await t.page.reload();
    await t.tap('Check against a reference');
    await expect(t.page.getByText('▲ Outside ±4%')).toBeVisible();
    await expect(t.page.getByText('100%, right: 200 gave 187.8 N·m')).toBeVisible();
    await t.tap('Save check');
    await expect(t.page.getByText('▲ Out of use')).toBeVisible();
    await expect(
      t.page.getByText('Bolts tightened since the last good check may be off.'),
    ).toBeVisible();
    const { rows } = await house.admin.query(
      `select c.verdict, t.retired from wrench_check c join shop_tool t on t.shop = c.shop and t.id = c.wrench
       where c.wrench = $1 order by c.day desc limit 1`,
      [WRENCH_2],
    );
    expect(rows).toEqual([{ verdict: 'outside', retired: true }]);
    const joints = Number(
      /^(\d+) joints?,/.exec(
        (await t.page.getByText(/since the last good check on/).textContent()) ?? '',
      )?.[1],
    );
    await t.tap('Show these joints');
    await expect(t.page.getByRole('heading', { name: `${joints} found` })).toBeVisible();
    expect(joints).toBeGreaterThan(0);
  },
);
