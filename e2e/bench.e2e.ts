import { expect, test, type Page, type Technician } from './house';

/** From Today to a page of the bench: so many taps. */
async function toBench(t: Technician, page?: string): Promise<void> {
  await t.section('Bench');
  await expect(t.page.getByRole('heading', { name: 'Bench', exact: true })).toBeVisible();
  if (page) await t.tab(page).click();
}
/** What has moved in the page since, as the browser itself notes it. */
async function movedOn(page: Page): Promise<() => Promise<string[]>> {
  const moved = await page.evaluateHandle(() => {
    const all: string[] = [];
    new PerformanceObserver((list) => {
      for (const entry of list.getEntries())
        for (const { node } of (entry as unknown as { sources: { node: Node | null }[] }).sources)
          all.push(node?.textContent?.slice(0, 80) ?? '');
    }).observe({ type: 'layout-shift' });
    return all;
  });
  return () => moved.jsonValue();
}
const says = (t: Technician, text: string | RegExp) =>
  expect(t.page.getByText(text).first()).toBeVisible();

test(
  'the questions of an apprentice are answered from Today in a few taps',
  { tag: '@phone' },
  async ({ technician: t }) => {
    await t.signIn('Rafi Daan');
    const moved = await movedOn(t.page);
    // What does a wrong lubricant cost?
    await toBench(t);
    await says(t, /^Clean and dry, it clamps \d+% less at the same torque\.$/);
    await expect(t.page.getByRole('img', { name: /^50 N·m gives .* Yields at/ })).toBeVisible();
    await expect(t.page.locator('[role=img] svg').first()).toBeAttached();
    // The chart came into room that was kept for it.
    expect(await moved()).toEqual([]);
    await t.page.getByRole('radiogroup', { name: 'Compare with' }).getByText('moly paste').click();
    await says(t, /^Moly paste, it clamps \d+% more at the same torque\.$/);
    await expect(t.page.getByRole('img', { name: /^50 N·m gives .* Yields at/ })).toBeVisible();
    // Why once only?
    await says(t, /^It stays 0\.\d+ mm longer after the first time\.$/);
    await says(t, /^\d+% used up$/);
    // And how sure is it: ten thousand bolts beside the page.
    await says(t, /^Nine of ten bolts lie within the bar\./);

    await toBench(t, 'Convert');
    await t.field('Torque', '95 inlb');
    await says(t, /^10\.7\d* newton meters$|^10\.7\d* N·m$|10\.73/);

    await toBench(t, 'Is it sane?');
    await t.field('Torque', '120 N·m');
    await says(t, /^▲ 120 N·m (is too much for|breaks) M8 8\.8:/);
    await t.field('Torque', '20');
    await says(t, /^20 N·m is usual for M8 8\.8:/);
  },
);

test(
  'what each pull does to the others is played on the joint in hand, orders are compared, and one of one’s own is tried',
  { tag: '@phone' },
  async ({ technician: t, house }) => {
    await t.signIn();
    await t.page.goto(`${house.url}/bench?page=pulls&joint=5e000000-0000-4000-8000-000000000401`);
    await says(t, 'For Cylinder head, Brenna 2.0, rev C');
    await says(t, /^Friction alone leaves \d+%\.$/);
    const orders = t.page.getByRole('button', { name: /Once around: \d+%/ });
    await expect(orders.first()).toHaveAccessibleName(/^As published\. /);
    expect(await orders.count()).toBeGreaterThan(3);
    // By keys: the slider goes pull by pull, and says where it is.
    const slider = t.page.getByRole('slider', { name: 'Pull' });
    await slider.focus();
    await t.page.keyboard.press('Home');
    await expect(slider).toHaveAttribute('aria-valuetext', 'Nothing pulled yet');
    await t.page.keyboard.press('ArrowRight');
    await expect(slider).toHaveAttribute('aria-valuetext', 'Bolt 1, 27 N·m, pass 1');
    await expect(
      t.page.getByRole('img', { name: /^Bolt 1, 27 N·m, pass 1\. Clamp left: / }),
    ).toBeVisible();
    await t.button('Try an order of your own').click();
    for (const bolt of ['9', '3', '1', '5', '7', '8', '6', '2', '4', '10'])
      await t.page
        .getByRole('group', { name: 'Next bolt' })
        .getByRole('checkbox', { name: bolt, exact: true })
        .click();
    await says(t, 'All in. Find it among the orders.');
    await expect(t.page.getByRole('button', { name: /^Yours\. Once around/ })).toHaveAttribute(
      'aria-pressed',
      'true',
    );
    await says(t, 'Yours, bolt by bolt');
  },
);

test(
  'the small tools say their sentence; a wrong entry is said at its field, never thrown',
  { tag: ['@phone', '@long'] },
  async ({ technician: t }) => {
    await t.signIn();
    await toBench(t, 'Push at the grip');
    await t.field('Torque', '200 N·m');
    await says(t, /^▲ Pull with 500 N at the grip, about 51 kg\.$/);
    await toBench(t, 'Flats and swings');
    await says(t, '2 swings of 60°, the last 30°.');
    await toBench(t, 'Wrench range');
    await t.field('Torque', '27.3');
    await says(t, '▲ This wrench doesn’t reach it.');
    await t.field('Torque', '62.4');
    await says(t, /^Set it to 62/);
    await toBench(t, 'Flatness');
    await t.field('Thickest leaf that enters, mm', '0.04');
    await t.field('Next leaf, doesn’t enter, mm', '0.05');
    await says(t, '0.045 mm: within the limit.');
    await toBench(t, 'Clearance strip');
    await t.field('Width of the strip, mm', '1.5');
    await t.page
      .getByLabel('Marks: width and clearance in mm, one pair a line')
      .fill('1.2 0.06\n1.8 0.04');
    await says(t, 'Clearance 0.05 mm.');
    await toBench(t, 'Runout');
    await t.field('Readings around, mm', '0 0.05 0.1 0.05');
    await says(t, /^▲ 0\.1 mm in all: too close to tell\.$/);
    await toBench(t, 'Is it sane?');
    await t.field('Torque', '20');
    await t.field('Thread', 'M99x');
    await says(t, /^▲ .*thread/i);
  },
);

test(
  'the bench opens from where the question arises, with that joint and that case',
  { tag: ['@phone', '@long'] },
  async ({ technician: t, house }) => {
    await t.signIn();
    await t.page.goto(`${house.url}/joints/5e000000-0000-4000-8000-000000000401`);
    await t.button(/^Head bolts: 10 new ones are here/).click();
    await t.button('See why: clamp load on the bench').first().click();
    await says(t, 'For Cylinder head, Brenna 2.0, rev C');
    await says(t, /^It stays 0\.\d+ mm longer after the first time\.$/);
    await t.page.goto(`${house.url}/runs/5e000000-0000-4000-8000-000000000824/record`);
    await t.button('Clamp load on the bench').click();
    await says(t, /^About \d+(\.\d+)? kN on each bolt; friction may make it/);
    await expect(t.page.getByRole('img', { name: /^Estimated clamp load: bolt/ })).toBeVisible();
  },
);

test(
  'bolts placed by hand get an order with its reason, and a draft sheet begins with it, marked as derived',
  { tag: ['@phone', '@long'] },
  async ({ technician: t, house }) => {
    await t.signIn('Ines Corte');
    await toBench(t, 'Order');
    await t.choose('radio', 'placed by hand');
    await t.page.getByLabel('Bolts: x and y in mm, one a line').fill('0 0\n90 0\n180 0\n90 80');
    await says(t, /^Friction alone leaves \d+%\.$/);
    await t.page.getByRole('button', { name: /^From the middle out\. / }).click();
    await says(t, /^Middle first, then outward in turns/);
    await t.button('Start a draft sheet in this order').click();
    await expect(t.page.getByText('New sheet from the bench').first()).toBeVisible();
    await expect
      .poll(async () => {
        const { rows } = await house.admin.query<{ body: string }>(
          "select body from sheet_draft where title = 'New sheet from the bench'",
        );
        const body = rows[0] ? JSON.parse(rows[0].body) : null;
        return body && [body.seats.length, body.stages[0].derived, body.stages[0].order.labels];
      })
      .toEqual([4, true, ['1', '2', '3', '4']]);
  },
);
