import { expect, test } from './house';

const FAILURES: readonly [said: string, then: RegExp][] = [
  ['It stopped short', /2nd of 10/],
  ['Will not start by hand', /Will not start by hand: bolt 1/],
  ['It is cross-threaded', /It is cross-threaded: bolt 1/],
  ['It is on the bottom', /It is on the bottom: bolt 1/],
  ['The thread stripped', /Attempt 1 of 2/],
  ['It broke', /Attempt 1 of 5/],
  ['The drive is rounded', /Attempt 1 of 3/],
];
test(
  'every failure is said with one press, and what comes next follows from it',
  { tag: ['@phone', '@long'] },
  async ({ technician: t, house }) => {
    await t.signIn();
    await t.startHead();
    for (const [said, then] of FAILURES) {
      await t.button('Something is wrong').click();
      await t.pull(said);
      // A stop short is asked about before it is recorded.
      if (said === 'It stopped short') await t.pull('Record that it stopped short');
      await expect(t.page.getByText(then).first()).toBeVisible();
      await t.button('Go back').click();
      // A stop short is a pull: what happened to the bolt is asked; the others are taken back.
      await t.pull(said === 'It stopped short' ? 'It was not turned: ask again' : 'Take it back');
      await expect(t.page.getByText('1st of 10')).toBeVisible();
    }
    await t.button('Something is wrong').click();
    await t.pull('Set it aside for now');
    await expect(t.page.getByText('1st of 10')).toHaveCount(0);
    // Nothing is a dead end: what cannot be put right the lead leaves as it is, in writing.
    await t.button('Something is wrong').click();
    await t.pull('The drive is rounded');
    await t.pull('Stop trying');
    await t.tap('Ask the lead');
    await t.field('PIN of Ines Corte', '2580');
    await t.pull('Leave it as it is');
    await expect(t.page.getByText('3rd of 10')).toBeVisible();
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
