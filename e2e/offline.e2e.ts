import { expect, test } from './house';

test('the network is cut mid-run, the page reloaded, the network comes back: nothing is lost, nothing doubled', async ({
  technician: t,
  house,
  context,
}) => {
  await t.signIn();
  await t.screensKept();
  await t.startHead();
  await t.pulls('Moved', 3);
  await t.expectSaved();

  await context.setOffline(true);
  await t.pulls('Moved', 4);
  await expect(t.page.getByRole('status', { name: 'offline, 4 to send' })).toBeVisible();
  await expect(t.page.getByText('8 of 10')).toBeVisible();

  await t.page.reload();
  await expect(t.page.getByText('8 of 10')).toBeVisible();
  await expect(t.page.getByRole('status', { name: /4 to send/ })).toBeVisible();
  await t.pulls('Moved', 3);
  await t.pulls('Didn’t move', 10);
  await expect(t.page.getByText('Tool for 50 N·m')).toBeVisible();

  await context.setOffline(false);
  await t.expectSaved();
  const pulls = (await house.events()).flatMap((e) =>
    e.type === 'pulled' ? [`${e.payload.pass}:${e.payload.fastener}`] : [],
  );
  const round = (pass: number): string[] =>
    Array.from({ length: 10 }, (_, i) => `${pass}:${i + 1}/1`);
  expect(pulls).toEqual([...round(1), ...round(2)]);
});

test(
  'Today opens offline with what was last seen, and says so, as often as it is opened',
  { tag: '@long' },
  async ({ technician: t, context }) => {
    await t.signIn();
    await t.screensKept();
    await expect(t.page.getByRole('link', { name: 'Open RO 2417' })).toBeVisible();
    await t.page.clock.fastForward(2000);
    await t.page.waitForTimeout(1000);
    await context.setOffline(true);
    for (const _time of ['once', 'again']) {
      await t.page.reload();
      await expect(t.page.getByRole('link', { name: 'Open RO 2417' })).toBeVisible();
      await expect
        .poll(async () => {
          await t.page.clock.fastForward(1000);
          return t.page.getByText('Offline. Last updated').count();
        })
        .toBe(1);
      // What is known by then is kept, a moment later.
      await t.page.clock.fastForward(1000);
      await t.page.waitForTimeout(500);
    }
    await t.openOrder('2421');
    await expect(t.page.getByText('Whistle at idle')).toBeVisible();
  },
);

test.describe('before the service worker has everything', () => {
  test.use({ serviceWorkers: 'block' });
  test('a screen that cannot be loaded says so, and comes once it can be', async ({
    technician: t,
    context,
  }) => {
    const part = '**/workScreens-*.js';
    await context.route(part, (route) => route.abort());
    await t.signIn();
    await t.page.getByRole('link', { name: 'Open RO 2417' }).click();
    await expect(t.page.getByText('This screen isn’t on this device yet')).toBeVisible();
    await context.unroute(part);
    await t.button('Reload').click();
    await expect(t.page.getByRole('heading', { name: 'RO 2417' })).toBeVisible();
  });
});
