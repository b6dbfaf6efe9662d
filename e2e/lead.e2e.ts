import { expect, test, type Technician } from './house';

/** The ten-bolt head up to the choice of its first wrench. */
async function toFirstWrench(t: Technician): Promise<void> {
  await t.openOrder('2417');
  await t.button('Tighten cylinder head').click();
  await t.choose('radio', 'hex head, M10');
  await t.button('Start tightening').click();
  await t.tap('10 new ones in, by hand');
  await expect(t.page.getByText('Wrench 4, digital: calibration expired')).toBeVisible();
}

test(
  'an overdue wrench is taken with the lead’s PIN, and the record names who allowed it',
  { tag: '@phone' },
  async ({ technician: t, house }) => {
    await t.signIn();
    await toFirstWrench(t);
    await t.tap('Ask the lead: Wrench 4, digital');
    await t.field('Reason', 'Checked against wrench 2 this morning.');
    await t.field('Ines Corte’s PIN', '1111');
    await t.tap('Approve');
    await expect(t.page.getByText('That isn’t Ines Corte’s PIN.')).toBeVisible();
    await t.field('Ines Corte’s PIN', '2580');
    await t.tap('Approve');
    await t.tap(/^Wrench 4, digital/);
    await t.tap('Wrench is set');
    await expect(t.button('Moved')).toBeVisible();
    await t.expectSaved();
    const events = await house.events();
    const used = events.find((e) => e.type === 'used');
    expect(used?.payload.statement).toMatchObject({
      kind: 'allowance',
      role: 'lead',
      text: expect.stringContaining('Checked against wrench 2'),
    });
    const run = events[0]?.run ?? '';
    await t.page.goto(`${house.url}/runs/${run}/record`);
    await expect(t.page.getByText(/Ines Corte approved: torque wrench/)).toBeVisible();
  },
);

test(
  'with the lead away it goes on, waits for them on their own device, and their word is taken in',
  { tag: ['@phone', '@long'] },
  async ({ technician: t, browser }) => {
    await t.signIn();
    await toFirstWrench(t);
    await t.tap('Ask the lead: Wrench 4, digital');
    await t.tap(/^Lead isn’t here: continue/);
    await t.tap('Wrench is set');
    await t.pull('Moved');
    await t.expectSaved();
    const lead = t.on(await browser.newPage());
    await lead.signIn('Ines Corte');
    await expect(lead.button(/^RO 2417 · Cylinder head/)).toBeVisible();
    await lead.button('View, RO 2417').click();
    await expect(lead.page.getByText('1 item needs your approval')).toBeVisible();
    await lead.field('Reason', 'Seen its last certificate.');
    await lead.tap(/^Approve/);
    await expect(lead.page.getByText('Sent. The technician’s device picks it up.')).toBeVisible();
    await lead.page.close();
    await expect
      .poll(async () => {
        await t.page.clock.fastForward(9000);
        return t.page.getByText('Ines Corte: approves deviation').count();
      })
      .toBe(1);
    await t.tap('Accept');
    await expect(t.page.getByText('Ines Corte: approves deviation')).toHaveCount(0);
    await t.expectSaved();
    const [order] = (
      await t.house.admin.query<{ asks: number }>(
        "select (standing ->> 'asksLead')::int as asks from run",
      )
    ).rows;
    expect(order?.asks).toBe(0);
  },
);

test(
  'used bolts against the sheet stop until the lead allows them in writing',
  { tag: ['@phone', '@long'] },
  async ({ technician: t, house }) => {
    await t.signIn();
    await t.openOrder('2417');
    await t.button('Tighten cylinder head').click();
    await t.choose('radio', 'hex head, M10');
    await t.button('Start tightening').click();
    await t.tap('Used ones: ask the lead');
    await expect(t.button('Approve')).toBeDisabled();
    await t.field('Ines Corte’s PIN', '2580');
    await t.tap('Approve');
    await t.tap('In, each in its own hole');
    await expect(t.page.getByText('Tool for 27 N·m')).toBeVisible();
    await t.expectSaved();
    expect((await house.events()).map((e) => e.type)).toContain('used');
  },
);

test(
  'a crowfoot changes what the scale must say, and is drawn as it stands',
  { tag: ['@phone', '@long'] },
  async ({ technician: t, house }) => {
    await t.signIn();
    await toFirstWrench(t);
    await t.tap('Use a crowfoot or offset adapter');
    await t.choose('radio', 'Crowfoot 13 mm');
    await expect(t.page.getByRole('img', { name: /adapter 38 mm/ })).toBeVisible();
    // 27 N·m × 280 / (280 + 38) = 23.77, to the nearest half.
    await expect(t.button(/^Wrench 1/)).toContainText('set to 24 N·m');
    await t.choose('radio', 'at 90°: no change');
    await expect(t.button(/^Wrench 1/)).toContainText('set to 27 N·m');
    await t.choose('radio', 'straight');
    await t.tap(/^Wrench 1/);
    await expect(t.page.getByText('Wrench 1, 10–60 N·m with Crowfoot 13 mm at 0°')).toBeVisible();
    await t.tap('Wrench is set');
    await t.expectSaved();
    expect((await house.events()).find((e) => e.type === 'wrenchSet')?.payload).toMatchObject({
      setting: { value: 24, unit: 'N.m' },
    });
  },
);

test(
  'a lead sets a PIN with their password; one in a row is refused',
  { tag: ['@phone', '@long'] },
  async ({ technician: t, house }) => {
    await t.signIn('Ines Corte');
    await t.page.goto(`${house.url}/account`);
    await t.field('New PIN, 4 to 8 digits', '1234');
    await t.field('Your password', 'witness-mark');
    await t.button('Set PIN').click();
    await expect(
      t.page.getByText('A PIN has 4 to 8 digits, not all the same and not in a row.'),
    ).toBeVisible();
    await t.field('New PIN, 4 to 8 digits', '4071');
    await t.button('Set PIN').click();
    await expect(t.page.getByText('PIN set.')).toBeVisible();
  },
);
