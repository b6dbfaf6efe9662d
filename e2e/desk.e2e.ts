import { expect, test, type Technician } from './house';

/** Tab until the thing with this name has the focus. */
async function reach(
  { page }: Technician,
  name: string | RegExp,
  role: 'button' | 'link' | 'textbox' | 'radio' = 'button',
): Promise<void> {
  const it = page.getByRole(role, { name, ...(typeof name === 'string' ? { exact: true } : {}) });
  await expect(it.first()).toBeVisible();
  for (let i = 0; i < 120; i += 1) {
    if (await it.first().evaluate((e) => e === document.activeElement)) return;
    await page.keyboard.press('Tab');
  }
  throw new Error(`the keyboard does not reach ${name}`);
}
async function press(
  t: Technician,
  name: string | RegExp,
  role: 'button' | 'radio' = 'button',
): Promise<void> {
  await reach(t, name, role);
  await t.page.keyboard.press('Enter');
}
async function type(t: Technician, field: string, words: string): Promise<void> {
  await reach(t, field, 'textbox');
  await t.page.keyboard.type(words);
}

test('orders at the desk: / searches, arrows walk, Enter opens, ? names the keys, columns are chosen and stay so', async ({
  technician: t,
}) => {
  const { page } = t;
  await t.signIn('Petra Voll');
  await t.section('Orders');
  const table = page.getByRole('table', { name: 'Repair orders' });
  await expect(table).toBeVisible();
  await page.keyboard.press('?');
  await expect(page.getByText('/ search', { exact: false })).toBeVisible();
  await page.keyboard.press('/');
  // The plate without its blanks.
  await page.keyboard.type('hq77k');
  await expect(table.getByRole('row')).toHaveCount(2);
  await page.keyboard.press('Control+a');
  await page.keyboard.press('Delete');
  await expect.poll(() => table.getByRole('row').count()).toBeGreaterThan(4);
  const first = table.getByRole('link').first();
  await first.focus();
  await page.keyboard.press('ArrowDown');
  await expect(table.getByRole('link').nth(1)).toBeFocused();
  const name = (await table.getByRole('link').nth(1).getAttribute('aria-label')) ?? '';
  await page.keyboard.press('Enter');
  await expect(
    page
      .getByRole('region', { name: 'Selected repair order' })
      .getByText(name.replace('Open ', ''))
      .first(),
  ).toBeVisible();
  await expect(table.getByRole('columnheader', { name: 'Technician' })).toBeVisible();
  await page.getByRole('button', { name: 'Columns' }).click();
  await page.getByRole('menuitem', { name: 'Technician' }).click();
  await page.keyboard.press('Escape');
  await expect(table.getByRole('columnheader', { name: 'Technician' })).toHaveCount(0);
  await page.reload();
  await expect(table).toBeVisible();
  await expect(table.getByRole('columnheader', { name: 'Technician' })).toHaveCount(0);
  // On paper go the rows as they stand, without the screen around them.
  const rows = await table.getByRole('row').count();
  await page.getByRole('button', { name: 'Print' }).click();
  const paper = page.locator('#print').contentFrame();
  await expect(paper.locator('tr')).toHaveCount(rows);
  await expect(paper.locator('th', { hasText: 'Technician' })).toHaveCount(0);
  await expect(paper.locator('tr', { hasText: 'HQ 417 B' }).first()).toBeAttached();
});

test('an order from the first call to hand-over by keyboard alone', async ({ technician: t }) => {
  const { page } = t;
  await t.signIn('Petra Voll');
  await page.goto(`${t.house.url}/orders/new`);
  await type(t, 'Plate', 'hq 600 a');
  await type(t, 'Maker', 'Ostrel');
  await type(t, 'Model', 'Brenna 2.0');
  await type(t, 'Engine', 'ob20');
  await type(t, 'Concern', 'Rattles at idle.');
  await type(t, 'Customer', 'Moss');
  await press(t, 'Save');
  await expect(page.getByRole('heading', { name: 'RO 2442' })).toBeVisible();
  await press(t, 'Add findings');
  await press(t, 'Something else', 'radio');
  await type(t, 'Symptom', 'Rattle');
  await type(t, 'Checked', 'Heat shield');
  await type(t, 'Findings', 'Loose clamp, tightened by hand');
  await press(t, 'Save');
  // On the station, not in the field where it was typed.
  await expect(t.button(/^Diagnosis, done: Loose clamp, tightened by hand/)).toBeVisible();
  // The station stands open where nothing else is next.
  const station = page.getByRole('button', { name: /^Hand over,/ });
  if ((await station.getAttribute('aria-expanded')) !== 'true') await press(t, /^Hand over,/);
  for (const step of ['Resume work', 'Ready for check', 'Checked and done', 'Hand over'])
    await press(t, step);
  await expect(page.getByRole('region', { name: 'Status: handed over' })).toBeVisible();
});
