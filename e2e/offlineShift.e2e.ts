import { driveTo } from './drive';
import { expect, test } from './house';

test(
  'a whole shift offline: everything goes on, a reload included, and is there once the network is',
  { tag: ['@phone', '@long'] },
  async ({ technician: t, house, context }) => {
    test.slow();
    await t.signIn();
    await t.startHead();
    await t.expectSaved();
    await t.screensKept();
    await context.setOffline(true);
    await driveTo(t, '3 of 10');
    await t.page.reload();
    await driveTo(t, 'All bolts done');
    await t.pull('Finish and record');
    await expect(t.page.getByRole('heading', { name: 'Finished' })).toBeVisible();
    expect((await house.events()).some((e) => e.type === 'finished')).toBe(false);
    await context.setOffline(false);
    await t.expectSaved();
    const events = await house.events();
    expect(events.at(-1)?.type).toBe('finished');
    expect(new Set(events.map((e) => e.id)).size).toBe(events.length);
    expect(events.map((e) => e.seq)).toEqual(events.map((_e, i) => i + 1));
  },
);
