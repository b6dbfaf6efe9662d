import { driveTo } from './drive';
import { aSecondDevice, expect, test } from './house';

test(
  'taken over in the second angle stage: the stripe is read from where it was painted, and nothing is left short',
  { tag: ['@phone', '@long'] },
  async ({ technician: t, house, context }) => {
    test.slow();
    await t.signIn();
    await t.startHead();
    await driveTo(t, 'Start +65°');
    await t.pull(/^Start \+65°/);
    await t.pull(/^Turned 65° by gauge/);
    await t.expectSaved();
    const mei = await aSecondDevice(context, house);
    await mei.signIn('Mei Sandoval');
    await mei.tap('View, RO 2417');
    await mei.tap('Take over here');
    await expect(
      mei.page.getByText(/Paint mark at 140° = turned. At 75° = not turned./),
    ).toBeVisible();
    for (let bolt = 1; bolt <= 10; bolt += 1) {
      await mei.page
        .getByRole('group', { name: `bolt ${bolt}`, exact: true })
        .getByRole('button', {
          name: bolt === 1 ? /^turned/ : bolt === 2 ? /^can’t tell/ : /^not turned/,
        })
        .click();
    }
    await mei.tap('Confirm findings');
    await mei.tap('Read the paint mark');
    await expect(
      mei.page.getByText(
        'Measured from where it was painted: 75° before this stage, 140° when done.',
      ),
    ).toBeVisible();
    // The earlier stage's angle is no turn of this one: what is missing is asked for.
    await mei.tap(/^Not turned yet/);
    await mei.pull(/^Start \+65°/);
    await expect(mei.page.getByText('Bolt 2', { exact: true })).toBeVisible();
    await driveTo(mei, 'All bolts done');
    await mei.pull('Finish and record');
    await mei.expectSaved();
    const turned = (await house.events()).filter(
      (e) =>
        e.type === 'pulled' && e.payload.stage === 'second-angle' && e.payload.fastener === '2/1',
    );
    expect(turned.map((e) => (e.type === 'pulled' ? e.payload.method : ''))).toEqual([
      'stripe',
      'angleGauge',
    ]);
  },
);

test('stopped short and finished: the lead settles it from Today, the order or the record, and then it can be signed', async ({
  technician: t,
  browser,
}) => {
  await t.signIn('Ines Corte');
  // From Today, from the order and from the record: one tap each.
  await expect(t.button(/^RO 2431 · Flywheel/)).toBeVisible();
  await t.openOrder('2431');
  await expect(t.button('Decide open items: Flywheel')).toBeVisible();
  await t.station('Tighten');
  await t.button('Tightened values').click();
  await t.button('Decide open items').click();
  await t.tap('Decide here');
  await t.tap(/stopped short/);
  await t.field('Reason', 'Torqued by hand, seen it.');
  await t.tap('Approve');
  await t.expectSaved();
  await t.button('View record').click();
  await expect(t.page.getByText(/approved by Ines Corte/)).toBeVisible();
  const mei = t.on(await browser.newPage());
  await mei.signIn('Mei Sandoval');
  await mei.openOrder('2431');
  await mei.station('Tighten');
  await mei.button('Tightened values').click();
  await mei.tap('Sign: I did this work');
  await expect(mei.page.getByText(/Technician: Mei Sandoval/)).toBeVisible();
});
