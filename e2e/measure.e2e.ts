import { expect, test } from './house';

test(
  'a head with a marginal face: measured line by line, kept raw, and it holds the order up until something is done about it',
  { tag: '@phone' },
  async ({ technician: t, house }) => {
    await t.signIn();
    await t.openOrder('2417');
    await t.station('Measured');
    await t.page.getByRole('button', { name: 'Measure', exact: true }).click();
    await t.choose('radio', 'Flatness with straightedge');
    await t.field('Part and place', 'Cylinder head, gasket face');
    await t.field('Gauge used', 'Straight-edge and leaves');
    await t.field('Over the whole face', '0.05');
    await t.field('Per length of', '100');
    await t.field('Within that length', '0,05');
    await t.button('Save measurement').click();
    await expect(t.page.getByRole('alert')).toContainText('enough readings');
    const places = [
      ['0', '0', '0.02'],
      ['200', '0,05', '0,06'],
      ['400', '0', 'two'],
    ];
    for (const [i, [at = '', enters = '', not = '']] of places.entries()) {
      await t.field('place along it', at);
      await t.field('blade that fits', enters);
      await t.field('blade that doesn’t', not);
      // Enter goes on by itself, as the button does.
      if (i === 0) await t.page.keyboard.press('Enter');
      if (i === 1) await t.button('Next place').click();
    }
    await expect(t.page.getByText('“two” isn’t a number.')).toBeVisible();
    // A closed tab takes nothing of it.
    await t.page.reload();
    await expect(t.page.getByText('Your earlier readings are still here.')).toBeVisible();
    await t.field('blade that doesn’t', '0.02');
    await expect(
      t.page.getByText('too close to call: measure again or use a better gauge'),
    ).toBeVisible();
    await expect(t.page.getByText('9 places left')).toBeVisible();
    await expect(
      t.page.getByRole('img', { name: 'Flatness with straightedge: 3 of 12 places measured' }),
    ).toBeVisible();
    await t.button('Save measurement').click();
    await expect(t.page.getByText(/long A: 200 \/ 0.05 \/ 0.06/)).toBeVisible();
    await expect
      .poll(() =>
        house.admin
          .query("select body from order_entry where body like '%gasket face%'")
          .then((r) => r.rows.length),
      )
      .toBe(1);
    await t.page.getByRole('link', { name: 'Back to repair order' }).click();
    await expect(
      t.button('Measured, blocked: Cylinder head, gasket face: measure again'),
    ).toBeVisible();
  },
);

test(
  'an absurd reading is questioned before it is kept, and inches are kept as inches',
  { tag: ['@phone', '@long'] },
  async ({ technician: t, house }) => {
    await t.signIn();
    await t.openOrder('2417');
    await t.station('Measured');
    await t.page.getByRole('button', { name: 'Measure', exact: true }).click();
    await t.choose('radio', 'Wear, compared side by side');
    await t.choose('radio', 'inches');
    await t.field('Part and place', 'Cam lobes');
    await t.field('Gauge used', 'Micrometer');
    for (const [i, lobe] of [
      '1.496',
      '1.496',
      '1.4965',
      '14.96',
      '1.496',
      '1.4958',
      '1.496',
      '1.4962',
    ].entries()) {
      await t.field('measured', lobe);
      if (i < 7) await t.button('Next place').click();
    }
    await expect(t.page.getByText('Check 2 out. Wrong decimal point or unit?')).toBeVisible();
    // Pressed all the same: it is still here, with what is asked.
    await t.button('Save measurement').click();
    await expect(t.page.getByText('Check 2 out. Wrong decimal point or unit?')).toBeVisible();
    await t.page.getByRole('radio', { name: /^2 out/ }).click();
    await t.field('measured', '1.433');
    await expect(
      t.page.getByText(/2 out · 1\.433 in · differs from the others: check it again/),
    ).toBeVisible();
    await t.choose('radio', 'look further');
    await t.button('Save measurement').click();
    await expect(t.page.getByText('Decided: look further')).toBeVisible();
    await expect
      .poll(() =>
        house.admin
          .query<{ unit: string }>(
            "select body::json ->> 'unit' as unit from order_entry where body like '%Cam lobes%'",
          )
          .then((r) => r.rows[0]?.unit),
      )
      .toBe('[in_i]');
  },
);
