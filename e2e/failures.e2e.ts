import { expect, test } from './house';

const FAILURES: readonly [said: string, then: RegExp][] = [
  ['Stopped short', /2 of 10/],
  ['Won’t start by hand', /Won’t start by hand: bolt 1/],
  ['Cross-threaded', /Cross-threaded: bolt 1/],
  ['Bolt bottomed out', /Bolt bottomed out: bolt 1/],
  ['Thread stripped', /Attempt 1 of 2/],
  ['Broke', /Attempt 1 of 5/],
  ['Head rounded', /Attempt 1 of 3/],
];
test(
  'every failure is said with one press, and what comes next follows from it',
  { tag: ['@phone', '@long'] },
  async ({ technician: t, house }) => {
    await t.signIn();
    await t.startHead();
    for (const [said, then] of FAILURES) {
      await t.button('Report a problem').click();
      await t.pull(said);
      // A stop short is asked about before it is recorded.
      if (said === 'Stopped short') await t.pull('Record as stopped short');
      await expect(t.page.getByText(then).first()).toBeVisible();
      await t.button('Go back').click();
      // A stop short is a pull: what happened to the bolt is asked; the others are taken back.
      await t.pull(said === 'Stopped short' ? 'Not turned: do it again' : 'Undo');
      await expect(t.page.getByText('1 of 10')).toBeVisible();
    }
    await t.button('Report a problem').click();
    await t.pull('Set aside for now');
    await expect(t.page.getByText('1 of 10')).toHaveCount(0);
    // Nothing is a dead end: what cannot be corrected the lead leaves as it is, in writing.
    await t.button('Report a problem').click();
    await t.pull('Head rounded');
    await t.pull('Stop trying');
    await t.tap('Ask the lead');
    await t.field('Ines Corte’s PIN', '2580');
    await t.pull('Leave it out');
    await expect(t.page.getByText('3 of 10')).toBeVisible();
    await t.expectSaved();
    const kinds = (await house.events()).flatMap((e) =>
      e.type === 'failed' ? [e.payload.kind] : [],
    );
    expect(kinds).toEqual([
      'wontStartByHand',
      'crossThreaded',
      'bottomed',
      'stripped',
      'broke',
      'driveRounded',
      'driveRounded',
    ]);
  },
);
