import { expect, test } from './house';

test('from Today to the right one of two look-alikes, in at most five touches and typed words', async ({
  technician: t,
}) => {
  await t.signIn();
  let acts = 0;
  const act = async (does: () => Promise<void>): Promise<void> => {
    acts += 1;
    await does();
  };
  await act(() => t.section('Find'));
  await act(() =>
    t.page.getByRole('searchbox', { name: 'Engine, vehicle, part or joint' }).fill('brena head'),
  );
  await act(() =>
    t.page.getByRole('link', { name: 'Open Cylinder head, Brenna 2.0, rev C' }).click(),
  );
  await expect(t.page.getByRole('heading', { name: 'Cylinder head, Brenna 2.0' })).toBeVisible();
  await expect(t.page.getByText('Which bolt do you have?')).toBeVisible();
  // The bolt in the hand is the other one.
  await act(() => t.page.getByRole('link', { name: '12-point head, M11' }).click());
  await expect(
    t.page.getByRole('heading', { name: 'Cylinder head, Brenna 2.0, early' }),
  ).toBeVisible();
  await expect(t.page.getByText('reused if within length, max length 139.5 mm')).toBeVisible();
  expect(acts).toBeLessThanOrEqual(5);
});

test(
  'by tapping maker, engine and job; from a repair order the vehicle filters by itself; conflicts say what they would do',
  { tag: '@long' },
  async ({ technician: t }) => {
    await t.signIn();
    await t.section('Find');
    await t.button('Belmaro').click();
    await t.button('BV48').click();
    await t.button(/^Crankshaft damper/).click();
    await expect(
      t.page.getByRole('link', { name: 'Open Crank damper, BV48, rev B' }),
    ).toBeVisible();
    await expect(t.page.getByRole('list').getByRole('link')).toHaveCount(1);

    await t.section('Today');
    await t.openOrder('2430');
    await t.button('Vehicle and customer').click();
    await t.button('Sheets for TF25').click();
    await t.page.getByRole('link', { name: 'Open Pressure plate, TF25, rev B' }).click();
    await expect(t.page.getByRole('heading', { name: 'Another source disagrees' })).toBeVisible();
    await expect(t.page.getByText('56% lower; the joint stays loose')).toBeVisible();
    await t.button('Pin').click();
    await t.page.getByRole('link', { name: 'Back to Find' }).click();
    await expect(t.page.getByRole('heading', { name: 'Pinned' })).toBeVisible();
  },
);

test(
  'what is pinned is one person’s in one shop, and leaves the device at sign-out',
  { tag: ['@phone', '@long'] },
  async ({ technician: t, house }) => {
    const pinned = t.page.getByRole('heading', { name: 'Pinned' });
    /** With a sheet seen here, so that what is at hand is known to be on the screen. */
    const find = async (): Promise<void> => {
      await t.page.goto(`${house.url}/sheets/brenna-2-0-head/C`);
      await expect(t.button('Pin')).toBeVisible();
      await t.page.getByRole('link', { name: 'Back to Find' }).click();
      await expect(t.page.getByRole('heading', { name: 'Recently viewed' })).toBeVisible();
    };
    const account = async (): Promise<void> => {
      await t.page.goto(house.url);
      await t.page.getByRole('link', { name: 'Account: Ines Corte' }).click();
    };
    await t.signIn('Ines Corte');
    await t.page.goto(`${house.url}/sheets/bv48-damper/B`);
    await t.button('Pin').click();
    await expect(t.button('Unpin')).toBeVisible();
    await account();
    await t.button('Switch to Tern Street').click();
    await expect(t.page.getByText('Tern Street', { exact: true })).toBeVisible();
    await find();
    await expect(pinned).toHaveCount(0);
    await account();
    await t.button('Switch to Halden Quay Motor Works').click();
    await expect(t.page.getByText('Halden Quay Motor Works', { exact: true })).toBeVisible();
    await find();
    await expect(pinned).toBeVisible();
    await t.signOut();
    await t.signInAgain('Ines Corte');
    await find();
    await expect(pinned).toHaveCount(0);
  },
);

test(
  'what was seen opens offline, and a superseded sheet says by what',
  { tag: '@long' },
  async ({ technician: t, house, context }) => {
    await t.signIn();
    await t.section('Find');
    await t.page
      .getByRole('searchbox', { name: 'Engine, vehicle, part or joint' })
      .fill('ob20 head');
    await t.page.getByRole('link', { name: 'Open Cylinder head, Brenna 2.0, rev B' }).click();
    await expect(t.page.getByText('Superseded by revision C')).toBeVisible();
    await expect(
      t.page
        .getByText('“50 N·m” is 45 N·m there', { exact: false })
        .or(t.page.getByText('“45 N·m” is 50 N·m there', { exact: false })),
    ).toBeVisible();
    // Kept once the answers have been written down.
    await t.screensKept();
    await t.page.clock.fastForward(2000);
    await t.page.waitForTimeout(500);
    await house.kill();
    await context.setOffline(true);
    await t.page.reload();
    await expect(t.page.getByText('Superseded by revision C')).toBeVisible();
  },
);
