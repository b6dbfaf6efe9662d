import { driveTo } from './drive';
import { clickIt } from './hand';
import { expect, test, type Technician } from './house';

// The pictures of docs/screenshots, from the demo data. Run with
// `STENNET_PICTURES=1 npx playwright test pictures`.

const id = (n: number): string => `5e000000-0000-4000-8000-${String(n).padStart(12, '0')}`;
const WIDE = { width: 1280, height: 800 };
const PHONE = { width: 390, height: 844 };

async function picture({ page }: Technician, name: string, dark = false): Promise<void> {
  await page.emulateMedia({ colorScheme: dark ? 'dark' : 'light' });
  await expect(page.getByRole('progressbar')).toHaveCount(0);
  await page.clock.runFor(1500);
  // Drawings and pictures come after their frame.
  await new Promise((resolve) => setTimeout(resolve, 1200));
  await page.screenshot({ path: `docs/screenshots/${name}.png` });
  await page.emulateMedia({ colorScheme: 'light' });
}

test('a technician’s pictures', async ({ technician: t, house }) => {
  const to = (path: string): Promise<unknown> => t.page.goto(house.url + path);
  await t.signIn();
  await picture(t, 'today');
  await t.section('Find');
  await t.page.getByRole('searchbox').fill('brenna head');
  await expect(t.page.getByRole('link', { name: /Brenna 2.0/ }).first()).toBeVisible();
  await picture(t, 'find');
  await to('/sheets/brenna-2-0-head/C');
  await picture(t, 'sheet');
  await to(`/orders/${id(201)}`);
  await expect(t.button('Tighten cylinder head')).toBeVisible();
  await picture(t, 'order');
  await to(`/orders/${id(201)}/parts`);
  await picture(t, 'parts');
  await to('/bench');
  await expect(t.page.getByText(/^Nine of ten bolts/)).toBeVisible();
  await picture(t, 'bench');
  await to('/');
  await t.openOrder('2417');
  await t.button('Tighten cylinder head').click();
  await t.choose('radio', 'hex head, M10');
  await picture(t, 'prepare');
  await t.button('Start tightening').click();
  await t.tap('10 new ones in, by hand');
  await t.tap(/^Wrench 3/);
  await t.tap('Wrench is set');
  await t.pulls('Moved', 4);
  await picture(t, 'tighten-settling');
  await t.pulls('Moved', 6);
  await t.pulls('Didn’t move', 10);
  await t.snug();
  await t.toFirstAngle();
  await t.pulls('Turned 75° by gauge', 4);
  await picture(t, 'tighten-angle-dark', true);
  await t.page.setViewportSize(WIDE);
  await picture(t, 'tighten-wide');
  await t.page.setViewportSize(PHONE);
});

test('pictures of a teardown and of what is measured', async ({ technician: t, house }) => {
  await t.signIn();
  await t.openOrder('2438');
  await t.button('Take apart bell housing').click();
  await t.button('Start teardown').click();
  await driveTo(t, 'catch bolts');
  await picture(t, 'apart');
  await t.page.goto(`${house.url}/orders/${id(201)}/measure`);
  await t.page.getByRole('radio', { name: /^Flatness/ }).click();
  await picture(t, 'measure');
});

test('a picture of practice', async ({ technician: t, house }) => {
  await t.signIn('Rafi Daan');
  await t.page.goto(`${house.url}/practice`);
  await t.button(/^6\. Feel the yield/).click();
  for (const name of [/new ones in, by hand/, /^Practice click wrench/, 'Wrench is set'] as const)
    await t.tap(name);
  for (let bolt = 1; bolt <= 2; bolt += 1) {
    await clickIt(t);
    await t.pull('Clicked');
  }
  await clickIt(t);
  await picture(t, 'practice');
});

test('pictures of the desk', async ({ technician: t, house }) => {
  const to = (path: string): Promise<unknown> => t.page.goto(house.url + path);
  await t.signIn('Ines Corte');
  await to('/tools');
  await picture(t, 'tools-dark', true);
  await t.page.setViewportSize(WIDE);
  await to('/orders');
  await t.page.getByRole('link', { name: 'Open RO 2425' }).click();
  await picture(t, 'orders-wide');
  await to(`/runs/${id(824)}/record`);
  await expect(t.page.getByRole('heading', { name: 'Torque-angle curves' })).toBeVisible();
  await picture(t, 'record-wide');
  await to('/library');
  await picture(t, 'library-wide');
  await to('/follow-ups');
  await picture(t, 'follow-ups-wide-dark', true);
  await to('/sheets/brenna-2-0-head/C');
  await t.button('Write next revision').click();
  await t.tab('Stages').click();
  await picture(t, 'editor-wide-dark', true);
});
