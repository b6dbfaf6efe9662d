import { expect, test } from './house';

test('the server is killed mid-run and started again: every confirmation is there, once', async ({
  technician: t,
  house,
}) => {
  await t.signIn();
  await t.startHead();
  await t.pulls('Moved', 2);
  await house.kill();
  await t.pulls('Moved', 5);
  await expect(t.page.getByRole('status', { name: /to send/ })).toBeVisible();
  await house.start();
  await t.pulls('Moved', 3);
  await t.expectSaved();
  const pulled = (await house.events()).flatMap((e) =>
    e.type === 'pulled' ? [e.payload.fastener] : [],
  );
  expect(pulled).toEqual(Array.from({ length: 10 }, (_, i) => `${i + 1}/1`));
});

test('the page crashes right after a confirmation: it opens again at the next bolt, by one tap from Today', async ({
  technician: t,
  house,
  context,
}) => {
  await t.signIn();
  await t.startHead();
  await t.pulls('Moved', 6);
  await t.page.close({ runBeforeUnload: false });
  const page = await context.newPage();
  await page.goto(house.url);
  await page.getByRole('button', { name: 'Resume' }).click();
  await expect(page.getByText('7 of 10')).toBeVisible();
});
