import { expect, test } from './house';

test('the whole run by keyboard and pedal, from signing in to the record', async ({
  technician: t,
  house,
}) => {
  const { page } = t;
  const { keyboard } = page;
  /** Tab until the thing with this name has the focus, then press it. */
  const reach = async (
    name: RegExp,
    role: 'button' | 'link' | 'textbox' | 'radio' = 'button',
  ): Promise<void> => {
    await expect(page.getByRole(role, { name }).first()).toBeVisible();
    await t.handTime();
    for (let i = 0; i < 60; i += 1) {
      if (
        await page
          .getByRole(role, { name })
          .first()
          .evaluate((e) => e === document.activeElement)
      )
        return;
      await keyboard.press('Tab');
    }
    throw new Error(`the keyboard does not reach ${name}`);
  };
  const press = async (key: string): Promise<void> => {
    const before = await t.where();
    await t.handTime();
    await keyboard.press(key);
    await expect.poll(() => t.where()).not.toBe(before);
  };

  await page.clock.install();
  await page.goto(house.url);
  await reach(/^Name/, 'textbox');
  await keyboard.type('Jonah Pike');
  await keyboard.press('Tab');
  await keyboard.type('witness-mark');
  await keyboard.press('Enter');
  await reach(/Open RO 2417/, 'link');
  await keyboard.press('Enter');
  await reach(/Tighten cylinder head/);
  await keyboard.press('Enter');
  await reach(/^hex head, M10/, 'radio');
  await keyboard.press(' ');
  await reach(/Start tightening/);
  await keyboard.press('Enter');
  await expect(t.button('10 new ones in, by hand')).toBeVisible();
  await press('Enter');
  await reach(/^Wrench 3/);
  await keyboard.press('Enter');
  await expect(page.getByText('Set the torque wrench')).toBeVisible();
  await press('Enter');
  for (const key of [
    'Enter',
    ' ',
    'PageDown',
    'Enter',
    ' ',
    'PageDown',
    'Enter',
    ' ',
    'PageDown',
    'Enter',
  ])
    await press(key);
  for (let i = 0; i < 9; i += 1) await press('PageUp');
  // Going back by key: mis-tapped, not turned; asked again.
  await press('Backspace');
  await reach(/Not turned: do it again/);
  await keyboard.press('Enter');
  await expect(page.getByText('9 of 10')).toBeVisible();
  for (let i = 0; i < 2; i += 1) await press('PageUp');
  await reach(/^Wrench 2/);
  await keyboard.press('Enter');
  await expect(page.getByText('Set the torque wrench')).toBeVisible();
  await press('PageDown');
  for (let i = 0; i < 10; i += 1) await press('PageDown');
  await press('Enter');
  await reach(/Torque angle gauge/);
  await keyboard.press('Enter');
  await expect(page.getByText('Now the angle stage')).toBeVisible();
  await press('Enter');
  for (let i = 0; i < 10; i += 1) await press('Enter');
  await press('Enter');
  for (let i = 0; i < 10; i += 1) await press(' ');
  await press('Enter');
  await reach(/View record/);
  await keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Complete' })).toBeVisible();
  await expect(page.getByText('undone: not turned')).toBeVisible();
});

test('a key that is held down confirms one bolt, not all of them', async ({
  technician: t,
  house,
}) => {
  await t.signIn();
  await t.startHead();
  await t.handTime();
  await t.page.keyboard.down('PageDown');
  for (let i = 0; i < 8; i += 1) {
    await t.handTime();
    await t.page.keyboard.down('PageDown');
  }
  await t.page.keyboard.up('PageDown');
  await t.expectSaved();
  expect((await house.events()).filter((e) => e.type === 'pulled')).toHaveLength(1);
});
