import { expect, test } from './house';

test(
  'a clutch: steps, rounds until it is seated, a hold point that sends back, and the values on the repair order',
  { tag: '@long' },
  async ({ technician: t, house }) => {
    await t.signIn();
    await t.openOrder('2430');
    await t.button('Tighten pressure plate').click();
    await t.button('Start tightening').click();
    // What can ruin it stands alone, in the order met at the vehicle.
    await expect(t.page.getByText('Disc in, gearbox side out. Alignment tool in.')).toBeVisible();
    await t.pull('Done');
    await expect(t.page.getByText('High-temperature grease on the splines')).toBeVisible();
    await t.pull('Done');
    await t.tap('In, each in its own hole');
    // What is started by hand is asked once, not bolt by bolt.
    await t.pull('All 6 started by hand');
    await expect(t.page.getByRole('heading', { name: /pull down in part turns/i })).toBeVisible();
    await t.tap('Not yet, another round');
    await t.tap('Seated');
    await expect(
      t.page.getByRole('heading', { name: 'Hold point: alignment tool slides' }),
    ).toBeVisible();
    await t.tap('Failed');
    // Never a setting on a plate that is still clamped.
    await expect(t.page.getByRole('heading', { name: 'Loosen these 6 first' })).toBeVisible();
    await t.tap('All 6 are loose');
    await expect(t.page.getByRole('heading', { name: /pull down in part turns/i })).toBeVisible();
    await t.tap('Seated');
    await t.tap('Passed');
    await t.tap(/^Wrench 1/);
    await t.tap('Wrench is set');
    for (let i = 0; i < 6; i += 1) await t.pull('Clicked');
    // Everything put in for the job is out again before it closes.
    await expect(t.page.getByText('Alignment tool out.')).toBeVisible();
    await t.tap('All 2 done');
    await t.tap('Finish and record');
    await t.button('View record').click();
    await expect(t.page.getByText('25 N·m').first()).toBeVisible();
    await expect.poll(async () => (await house.events()).at(-1)?.type).toBe('finished');
    const events = await house.events();
    expect(events.filter((e) => e.type === 'pulled' && e.payload.stage === 't1')).toHaveLength(6);
    expect(events.filter((e) => e.type === 'held').map((e) => e.payload.decision)).toEqual([
      'failed',
      'passed',
    ]);
  },
);

test(
  'a damper: drawn on to its gap, seated with the old bolt, finished with the new one',
  { tag: '@long' },
  async ({ technician: t, house }) => {
    await t.signIn();
    await t.openOrder('2433');
    await t.station('Tighten');
    await t.button('Tighten crank damper').click();
    await t.button('Start tightening').click();
    await t.pull('Done');
    await t.pull('Done');
    await t.tap('In, each in its own hole');
    await t.tap('Seated');
    await t.page.getByRole('textbox', { name: 'Measured, mm' }).fill('3');
    await t.button('Record').click();
    await expect(t.page.getByText('The gap is 3 mm: not seated yet.')).toBeVisible();
    await t.page.getByRole('textbox', { name: 'Measured, mm' }).fill('1,4');
    await t.button('Record').click();
    await t.tap(/^Wrench 2/);
    await t.tap('Wrench is set');
    await t.pull('Clicked');
    await t.tap('New bolt in, by hand');
    await t.tap('Wrench is set');
    await t.pull('Clicked');
    await t.tap('Marked');
    await t.tap('Torque angle gauge');
    await t.tap('Start +70°');
    await t.pull('Turned 70° by gauge');
    await t.pull('Done');
    await t.tap('Finish and record');
    await expect.poll(async () => (await house.events()).at(-1)?.type).toBe('finished');
    expect(
      (await house.events()).flatMap((e) => (e.type === 'pulled' ? [e.payload.fastener] : [])),
    ).toEqual(['1/1', '1/2', '1/2']);
  },
);
