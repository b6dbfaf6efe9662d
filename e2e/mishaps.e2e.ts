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
  await t.button('Moved').dblclick();
  await t.soon('2 of 10');
  await t.page.clock.runFor(800);
  await t.button('Moved').click();
  await t.soon('That was quick. Is bolt 2 really done?');
  await t.page.clock.resume();
  await t.button('No, not yet').click();
  await expect(t.page.getByText('2 of 10')).toBeVisible();
  await t.expectSaved();
  expect((await house.events()).filter((e) => e.type === 'pulled')).toHaveLength(1);
});

test('a first torque that did not turn is looked at before it counts', async ({
  technician: t,
}) => {
  await t.signIn();
  await t.startHead();
  await t.tap('Didn’t move');
  await expect(t.page.getByText('Bolt 1 didn’t turn on the first torque')).toBeVisible();
  await t.button('Back').click();
  await expect(t.page.getByText('1 of 10')).toBeVisible();
  await t.tap('Didn’t move');
  await t.tap('I checked: it’s seated correctly');
  await expect(t.page.getByText('2 of 10')).toBeVisible();
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
    await t.button('Not turned: do it again').click();
    await expect(t.page.getByText('1 of 10')).toBeVisible();
    await t.pull('Turned 75° by gauge');
    await t.button('Go back').click();
    await t.button('Turned by a different angle').click();
    await t.page.getByRole('textbox', { name: 'Angle turned, degrees' }).fill('60,5');
    await t.button('Record').click();
    // Never the whole angle again: only what is missing.
    await expect(t.button('Turned 14.5° by gauge')).toBeVisible();
    await expect(t.page.getByText('60.5° turned so far')).toBeVisible();
    await t.pull('Turned 14.5° by gauge');
    await expect(t.page.getByText('2 of 10')).toBeVisible();

    await t.button('Report a problem').click();
    await t.button('Broke').click();
    await expect(t.page.getByText('Broke: bolt 2')).toBeVisible();
    await expect(
      t.page.getByText(
        'Center it with 3 mm through a guide. Extractor at most 6 mm. Above 8.1 mm the drill cuts the thread.',
      ),
    ).toBeVisible();
    await t.tap('New bolt in, by hand');
    // Both wrenches still stand at their numbers: nothing is set again.
    await expect(t.page.getByText('new bolt catches up alone')).toBeVisible();
    await t.pull('Moved');
    await t.pull('Didn’t move');
    await t.pull('Clicked');
    // Beside a new one the load has changed: its neighbors' stripes are looked at before it gets
    // its angle.
    await t.tap('None moved');
    await t.tap('Marked');
    await t.button('Different angle').click();
    await t.page.getByRole('textbox', { name: 'Angle turned, degrees' }).fill('ninety');
    await t.button('Record').click();
    await expect(t.page.getByText('“ninety” isn’t a number.')).toBeVisible();
    await t.page.getByRole('textbox', { name: 'Angle turned, degrees' }).fill('83');
    await t.button('Record').click();
    await expect(t.page.getByText('3 of 10')).toBeVisible();
    await t.page.getByRole('link', { name: 'Back to repair order' }).click();
    await t.station('Tighten');
    await t.button('Tightened values').click();
    await expect(t.page.getByRole('heading', { name: 'Deviations' })).toBeVisible();
    await expect(t.page.getByText(/Bolt 2\/2 .* turned past its limit/)).toBeVisible();
  },
);

test(
  'a paused run says what was last and what is next',
  { tag: '@long' },
  async ({ technician: t }) => {
    await t.signIn();
    await t.startHead();
    await t.pulls('Moved', 2);
    await t.button('Pause').click();
    await expect(t.page.getByText(/Last: bolt 2, 27 N·m.*Next: bolt 3/)).toBeVisible();
    await t.tap('Resume');
    await expect(t.page.getByText('3 of 10')).toBeVisible();
  },
);

test('another device looks on, takes over, looks at every stripe, and the first one is told', async ({
  technician: t,
  house,
  context,
}) => {
  await t.signIn();
  await t.startHead();
  await t.pulls('Moved', 2);
  await t.expectSaved();
  const mei = await aSecondDevice(context, house);
  await mei.signIn('Mei Sandoval');
  await mei.tap('View, RO 2417');
  await expect(
    mei.page.getByText('Jonah Pike is working on this job on another device.'),
  ).toBeVisible();
  // What comes next there is said here, as it is there.
  await expect(mei.page.getByText(/^Next on that device: /)).toBeVisible();
  // Looking on, the map still says what happened to each.
  const told = mei.page.getByRole('heading', { name: /^What happened to bolt/ });
  await mei.tapMap(told);
  await expect(told).toBeVisible();
  await expect(mei.button('Change last entry')).toHaveCount(0);
  await mei.button('Back to the job').click();
  await mei.tap('Take over here');
  await expect(mei.page.getByText('Check which bolts are done')).toBeVisible();
  for (let bolt = 1; bolt <= 10; bolt += 1) {
    await mei.page
      .getByRole('group', { name: `bolt ${bolt}`, exact: true })
      .getByRole('button', { name: bolt <= 2 ? 'turned' : 'not turned', exact: true })
      .click();
  }
  await mei.tap('Confirm findings');
  await mei.tap('Wrench is set');
  await expect(mei.page.getByText('3 of 10')).toBeVisible();
  await mei.pull('Moved');

  await t.pull('Moved');
  await expect(t.page.getByText('The server rejected 1 entry')).toBeVisible();
  await expect(
    t.page.getByText('Another device took over this job before these entries arrived.'),
  ).toBeVisible();
  await expect(
    t.page.getByText('Mei Sandoval is working on this job on another device.'),
  ).toBeVisible();
  await mei.expectSaved();
  // What the first device still had is kept, and asked about.
  await expect
    .poll(async () => {
      await mei.page.clock.fastForward(8000);
      return mei.page
        .getByText(/reports 1 pull made before this job was taken over: bolt 3/)
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
  await t.pull('Moved');
  await t.expectSaved();
  await house.admin.query('delete from session');
  await t.pulls('Moved', 2);
  await expect(t.page.getByRole('alert')).toContainText('Sign in to send 2 entries');
  await t.button('Sign in').click();
  await t.page.getByRole('textbox', { name: 'Name' }).fill('Jonah Pike');
  await t.page.getByRole('textbox', { name: 'Password' }).fill('witness-mark');
  await t.button('Sign in').click();
  await t.tap('Resume');
  await expect(t.page.getByText('4 of 10')).toBeVisible();
  await t.expectSaved();
  expect((await house.events()).filter((e) => e.type === 'pulled')).toHaveLength(3);
});

test(
  'an advisor looks, and has nothing to tighten with',
  { tag: '@long' },
  async ({ technician: t }) => {
    await t.signIn('Petra Voll');
    await t.openOrder('2417');
    await expect(t.page.getByText('not started', { exact: true })).toBeVisible();
    await expect(t.button(/^Tighten cylinder head/)).toHaveCount(0);
  },
);

test(
  'a lead of two shops changes over, and sees nothing of the first there',
  { tag: ['@phone', '@long'] },
  async ({ technician: t }) => {
    await t.signIn('Ines Corte');
    await expect(t.page.getByText('Halden Quay Motor Works')).toBeVisible();
    await expect(t.page.getByRole('link', { name: /Open RO/ })).toHaveCount(9);
    await t.page.getByRole('link', { name: 'Account: Ines Corte' }).click();
    await t.button('Switch to Tern Street').click();
    await expect(t.page.getByText('Tern Street', { exact: true })).toBeVisible();
    await expect(t.page.getByRole('link', { name: /Open RO/ })).toHaveCount(1);
    await expect(t.page.getByRole('link', { name: 'Open RO 118' })).toBeVisible();
    // A start a moment later, before the server has said who this is.
    await t.page.route('**/api/me', (route) => route.abort());
    await t.page.reload();
    await expect(t.page.getByText('Tern Street', { exact: true })).toBeVisible();
  },
);

test(
  'wrong names and passwords are refused in words, and signing out leaves nothing behind',
  { tag: ['@phone', '@long'] },
  async ({ technician: t, context }) => {
    await t.page.goto(t.house.url);
    await t.page.getByRole('textbox', { name: 'Name' }).fill('Jonah Pike');
    await t.page.getByRole('textbox', { name: 'Password' }).fill('wrong');
    await t.button('Sign in').click();
    await expect(t.page.getByRole('alert')).toContainText('Wrong name or password.');
    await t.page.getByRole('textbox', { name: 'Password' }).fill('witness-mark');
    await t.button('Sign in').click();
    await expect(t.page.getByRole('link', { name: 'Open RO 2417' })).toBeVisible();
    const other = await context.newPage();
    await other.goto(t.house.url);
    await other.getByRole('link', { name: 'Open RO 2417' }).click();
    await expect(other.getByRole('heading', { name: 'RO 2417' })).toBeVisible();
    await other.getByRole('link', { name: 'Today', exact: true }).click();
    await t.page.getByRole('link', { name: 'Account: Jonah Pike' }).click();
    await t.button('Sign out').click();
    await expect(t.button('Sign in')).toBeVisible();
    await t.page.reload();
    await expect(t.button('Sign in')).toBeVisible();
    await expect(t.page.getByText('RO 2417')).toHaveCount(0);
    // The other tab hears of it, and keeps nothing either.
    await expect(other.getByRole('button', { name: 'Sign in' })).toBeVisible();
    await other.waitForTimeout(1500);
    expect((await other.evaluate(keptAnswers)).includes('2417')).toBe(false);
  },
);

/** All that the browser keeps of the server's answers. */
const keptAnswers = (): Promise<string> =>
  new Promise((resolve, reject) => {
    const opening = indexedDB.open('stennet');
    opening.onerror = () => reject(opening.error as DOMException);
    opening.onsuccess = () => {
      const all = opening.result.transaction('answers').objectStore('answers').getAll();
      all.onsuccess = () => {
        opening.result.close();
        resolve(JSON.stringify(all.result));
      };
    };
  });
