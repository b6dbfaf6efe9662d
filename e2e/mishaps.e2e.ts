import { aSecondDevice, expect, test } from './house';

test('a double tap confirms once, and a tap that came too soon asks back', async ({
  technician: t,
  house,
}) => {
  await t.signIn();
  await t.startHead();
  // From here on the time is the test's: however slow the machine, the second tap comes 800 ms
  // after the first.
  await t.stopClock();
  await t.button('It turned').dblclick();
  await t.soon('2nd of 10');
  await t.page.clock.runFor(800);
  await t.button('It turned').click();
  await t.soon('That was quick. Is bolt 2 really done?');
  await t.page.clock.resume();
  await t.button('No, not yet').click();
  await expect(t.page.getByText('2nd of 10')).toBeVisible();
  await t.expectSaved();
  expect((await house.events()).filter((e) => e.type === 'pulled')).toHaveLength(1);
});

test('a first torque that did not turn is looked at before it counts', async ({
  technician: t,
}) => {
  await t.signIn();
  await t.startHead();
  await t.tap('It did not turn');
  await expect(t.page.getByText('Bolt 1 did not turn at its first torque')).toBeVisible();
  await t.button('Ask again').click();
  await expect(t.page.getByText('1st of 10')).toBeVisible();
  await t.tap('It did not turn');
  await t.tap('I looked: it is seated as it should be');
  await expect(t.page.getByText('2nd of 10')).toBeVisible();
});

test(
  'going back asks what happened to the bolt: not turned is asked again, turned is corrected',
  { tag: ['@phone', '@long'] },
  async ({ technician: t }) => {
    await t.signIn();
    await t.startHead();
    await t.settle();
    await t.snug();
    await t.toFirstAngle();
    await t.pull('Turned 75° by gauge');
    await t.button('Go back').click();
    await t.button('It was not turned: ask again').click();
    await expect(t.page.getByText('1st of 10')).toBeVisible();
    await t.pull('Turned 75° by gauge');
    await t.button('Go back').click();
    await t.button('It was turned by another angle').click();
    await t.page.getByRole('textbox', { name: 'Turned by, in degrees' }).fill('60,5');
    await t.button('Record it').click();
    // Never the whole angle again: only what is missing.
    await expect(t.button('Turned 14.5° by gauge')).toBeVisible();
    await expect(t.page.getByText('60.5° turned so far')).toBeVisible();
    await t.pull('Turned 14.5° by gauge');
    await expect(t.page.getByText('2nd of 10')).toBeVisible();

    await t.button('Something is wrong').click();
    await t.button('It broke').click();
    await expect(t.page.getByText('It broke: bolt 2')).toBeVisible();
    await expect(
      t.page.getByText(
        'Centre it through a guide with 3 mm; extractor at most 6 mm; above 8.1 mm the drill is in the thread.',
      ),
    ).toBeVisible();
    await t.tap('New one in, by hand');
    // Both wrenches still stand at their numbers: nothing is set again.
    await expect(t.page.getByText('the new one catches up alone')).toBeVisible();
    await t.pull('It turned');
    await t.pull('It did not turn');
    await t.pull('Clicked');
    // Beside a new one the load has changed: its neighbours' stripes are looked at before it gets
    // its angle.
    await t.tap('None has moved');
    await t.tap('The stripe is on');
    await t.button('Other angle').click();
    await t.page.getByRole('textbox', { name: 'Turned by, in degrees' }).fill('ninety');
    await t.button('Record it').click();
    await expect(t.page.getByText('“ninety” is not a number.')).toBeVisible();
    await t.page.getByRole('textbox', { name: 'Turned by, in degrees' }).fill('83');
    await t.button('Record it').click();
    await expect(t.page.getByText('3rd of 10')).toBeVisible();
    await t.page.getByRole('link', { name: 'Back to the repair order' }).click();
    await t.button('Tightened values').click();
    await expect(t.page.getByRole('heading', { name: 'Deviations' })).toBeVisible();
    await expect(t.page.getByText(/Bolt 2\/2 .* turned past its window/)).toBeVisible();
  },
);

test(
  'a paused run says what was last and what is next',
  { tag: '@long' },
  async ({ technician: t }) => {
    await t.signIn();
    await t.startHead();
    await t.pulls('It turned', 2);
    await t.button('Pause').click();
    await expect(
      t.page.getByText(/Last: bolt 2, 27 N·m until settled\. Next: bolt 3/),
    ).toBeVisible();
    await t.tap('Carry on');
    await expect(t.page.getByText('3rd of 10')).toBeVisible();
  },
);

test('another device looks on, takes over, looks at every stripe, and the first one is told', async ({
  technician: t,
  house,
  context,
}) => {
  await t.signIn();
  await t.startHead();
  await t.pulls('It turned', 2);
  await t.expectSaved();
  const mei = await aSecondDevice(context, house);
  await mei.signIn('Mei Sandoval');
  await mei.tap('Look at it, RO 2417');
  await expect(mei.page.getByText('Jonah Pike holds this run on another device.')).toBeVisible();
  // What comes next there is said here, as it is there.
  await expect(mei.page.getByText(/^Next there: /)).toBeVisible();
  // Looking on, the map still says what happened to each.
  const told = mei.page.getByRole('heading', { name: /^What happened to bolt/ });
  await mei.tapMap(told);
  await expect(told).toBeVisible();
  await expect(mei.button('Correct the last one')).toHaveCount(0);
  await mei.button('Back to the work').click();
  await mei.tap('Take over here');
  await expect(mei.page.getByText('Look at every stripe')).toBeVisible();
  for (let bolt = 1; bolt <= 10; bolt += 1) {
    await mei.page
      .getByRole('group', { name: `bolt ${bolt}`, exact: true })
      .getByRole('button', { name: bolt <= 2 ? 'turned' : 'not turned', exact: true })
      .click();
  }
  await mei.tap('That is what I see');
  await mei.tap('It is set');
  await expect(mei.page.getByText('3rd of 10')).toBeVisible();
  await mei.pull('It turned');

  await t.pull('It turned');
  await expect(t.page.getByText('1 entry was not taken by the server')).toBeVisible();
  await expect(
    t.page.getByText('Another device had taken this run over before these entries arrived.'),
  ).toBeVisible();
  await expect(t.page.getByText('Mei Sandoval holds this run on another device.')).toBeVisible();
  await mei.expectSaved();
  // What the first device still had is kept, and asked about.
  await expect
    .poll(async () => {
      await mei.page.clock.fastForward(8000);
      return mei.page
        .getByText(/says that 1 pull was made before the run was taken over: bolt 3/)
        .count();
    })
    .toBe(1);
  expect(
    (await house.events()).flatMap((e) =>
      e.type === 'pulled' ? [`${e.hold} ${e.payload.fastener}`] : [],
    ),
  ).toEqual(['1 1/1', '1 2/1', '2 3/1']);
});

test('a sign-in that runs out mid-run stops nothing: the run goes on, and what waits is sent after signing in', async ({
  technician: t,
  house,
}) => {
  await t.signIn();
  await t.startHead();
  await t.pull('It turned');
  await t.expectSaved();
  await house.admin.query('delete from session');
  await t.pulls('It turned', 2);
  await expect(t.page.getByRole('alert')).toContainText('Sign in to send 2 entries');
  await t.button('Sign in').click();
  await t.page.getByRole('textbox', { name: 'Name' }).fill('Jonah Pike');
  await t.page.getByRole('textbox', { name: 'Password' }).fill('witness-mark');
  await t.button('Sign in').click();
  await t.tap('Carry on');
  await expect(t.page.getByText('4th of 10')).toBeVisible();
  await t.expectSaved();
  expect((await house.events()).filter((e) => e.type === 'pulled')).toHaveLength(3);
});

test(
  'an adviser looks, and has nothing to tighten with',
  { tag: '@long' },
  async ({ technician: t }) => {
    await t.signIn('Petra Voll');
    await t.openOrder('2417');
    await expect(t.page.getByText('not started', { exact: true })).toBeVisible();
    await expect(t.button(/Tighten/)).toHaveCount(0);
  },
);

test(
  'a lead of two shops changes over, and sees nothing of the first there',
  { tag: ['@phone', '@long'] },
  async ({ technician: t }) => {
    await t.signIn('Ines Corte');
    await expect(t.page.getByText('Halden Quay Motor Works')).toBeVisible();
    await expect(t.page.getByRole('link', { name: /Open RO/ })).toHaveCount(9);
    await t.page.getByRole('link', { name: 'Account of Ines Corte' }).click();
    await t.button('Work at Tern Street').click();
    await expect(t.page.getByText('Tern Street', { exact: true })).toBeVisible();
    await expect(t.page.getByRole('link', { name: /Open RO/ })).toHaveCount(1);
    await expect(t.page.getByRole('link', { name: 'Open RO 118' })).toBeVisible();
  },
);

test(
  'wrong names and passwords are refused in words, and signing out leaves nothing behind',
  { tag: ['@phone', '@long'] },
  async ({ technician: t }) => {
    await t.page.goto(t.house.url);
    await t.page.getByRole('textbox', { name: 'Name' }).fill('Jonah Pike');
    await t.page.getByRole('textbox', { name: 'Password' }).fill('wrong');
    await t.button('Sign in').click();
    await expect(t.page.getByRole('alert')).toContainText(
      'Name and password do not belong together.',
    );
    await t.page.getByRole('textbox', { name: 'Password' }).fill('witness-mark');
    await t.button('Sign in').click();
    await t.page.getByRole('link', { name: 'Account of Jonah Pike' }).click();
    await t.button('Sign out').click();
    await expect(t.button('Sign in')).toBeVisible();
    await t.page.reload();
    await expect(t.button('Sign in')).toBeVisible();
    await expect(t.page.getByText('RO 2417')).toHaveCount(0);
  },
);
