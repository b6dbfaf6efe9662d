import { replay, type RunEvent } from '@stennet/core/run';
import { headSheet } from '@stennet/core/testing';
import { expect, test } from './house';

test(
  'a technician tightens ten bolts and finds every tightened value on the repair order',
  { tag: '@phone' },
  async ({ technician: t, house }) => {
    await t.signIn();
    await t.openOrder('2417');
    await t.button('Tighten cylinder head').click();
    await expect(t.page.getByText('Never use it on a real engine.')).toBeVisible();
    await expect(t.page.getByText('Blow the blind holes dry')).toBeVisible();
    // Two look-alikes: someone looks at the bolt first, nothing is chosen beforehand.
    await expect(t.button('Start tightening')).toBeDisabled();
    await t.choose('radio', 'hex head, M10');
    await t.button('Start tightening').click();
    await expect(t.button('10 new ones in, by hand')).toBeVisible();
    await t.tap('10 new ones in, by hand');
    await expect(t.page.getByText('Wrench 4, digital: calibration expired')).toBeVisible();
    await t.tap(/^Wrench 3/);
    await expect(t.page.getByText('239')).toBeVisible();
    await expect(t.page.getByText('inch-pounds', { exact: true })).toBeVisible();
    await t.tap('Wrench is set');
    await t.settle();
    await t.snug();
    await t.angles();
    await t.tap('Finish and record');
    await t.expectSaved();
    await t.tap('View record');

    await expect(t.page.getByRole('heading', { name: 'Complete' })).toBeVisible();
    const values = t.page.getByRole('table', { name: 'Tightened values' });
    await expect(values.getByRole('row')).toHaveCount(11);
    for (let bolt = 1; bolt <= 10; bolt += 1) {
      await expect(values.getByRole('row').nth(bolt)).toContainText(
        new RegExp(`^${bolt}held, 2 passesclick\\+75°\\+65°$`),
      );
    }
    const pulls = t.page.getByRole('table', { name: 'Every pull' });
    await expect(pulls.getByRole('row')).toHaveCount(51);
    await expect(pulls.getByRole('row').nth(1)).toContainText('Wrench 3, inch-pounds');
    await expect(pulls.getByRole('row').nth(50)).toContainText('Jonah Pike');

    const stored = await house.events();
    expect(stored.filter((e: RunEvent) => e.type === 'pulled')).toHaveLength(50);
    expect(replay(headSheet, stored).status).toBe('finished');

    await t.page.getByRole('link', { name: 'Back to repair order' }).click();
    await t.station('Tighten');
    await expect(t.page.getByText(/tightened .* by Jonah Pike/)).toBeVisible();
  },
);
