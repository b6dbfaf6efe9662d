import fs from 'node:fs';
import path from 'node:path';
import { readSheet, type Sheet } from '@stennet/core/procedure';
import { driveToEnd } from './drive';
import { expect, test, type House, type Technician } from './house';

const sheets: Sheet[] = fs
  .readdirSync('demo/sheets')
  .sort()
  .map((file) => readSheet(JSON.parse(fs.readFileSync(path.join('demo/sheets', file), 'utf8'))));
/** What the short run drives, and what only the long one does: together every sheet that stands. */
const IN_THE_SHORT_RUN = new Set(['ob20-rod-caps', 'bv48-rods']);

const JOINT = '7e000000-0000-4000-8000-000000000001';
const JOB = '5e000000-0000-4000-8000-000000000301';

/**
 * A joint on RO 2417 that is tightened by this sheet, and a wrench that begins below the shop's
 * own: some stages seat by very little.
 */
async function giveJoint(house: House, sheet: Sheet): Promise<void> {
  const shop = '5e000000-0000-4000-8000-000000000001';
  await house.admin.query('insert into joint values ($1, $2, $3, $4, 9, $5, $6)', [
    shop,
    JOINT,
    JOB,
    'Driven joint',
    sheet.id,
    sheet.revision,
  ]);
  const wrench = {
    kind: 'click',
    name: 'Wrench 9, small',
    unit: 'N.m',
    min: 1,
    max: 12,
    graduation: 0.1,
    calibratedUntil: '2099-01-01',
    drive: '1/4',
    lengthMm: 220,
    tolerancePercent: 4,
  };
  await house.admin.query(
    "insert into shop_tool values ($1, $2, 'click', $3, $4, 1, false, null, now())",
    [shop, JOINT, wrench.name, JSON.stringify(wrench)],
  );
}

/** Told apart from its look-alikes by what can be seen, the new ones at hand. */
async function startOn(t: Technician, sheet: Sheet, part?: string): Promise<void> {
  const of = sheet.instances?.labels[0];
  const query = [part ? `part=${part}` : '', of ? `of=${of}` : ''].filter(Boolean).join('&');
  await t.page.goto(`${t.house.url}/joints/${JOINT}${query ? `?${query}` : ''}`);
  await expect(t.button(/^Start /)).toBeVisible();
  for (const question of sheet.tellApart) {
    const answer = question.answers.find((a) => a.sheet === sheet.id);
    if (answer)
      await t.page
        .getByRole('radiogroup', { name: question.question })
        .getByRole('radio', { name: answer.text, exact: true })
        .click();
  }
  // What must be new is asked for once the repair order is here, one after the other.
  const here = t.button(/^(The new one is|\d+ new ones are) here$/);
  await expect
    .poll(async () => {
      if ((await here.count()) > 0) await here.first().click();
      return t.button(/^Start /).isEnabled();
    })
    .toBe(true);
  await t.button(/^Start /).click();
}

for (const sheet of sheets.filter((s) => s.status === 'approved')) {
  const tag = IN_THE_SHORT_RUN.has(sheet.id) ? ['@phone', '@long'] : ['@all'];
  test(
    `${sheet.id} ${sheet.revision}, by taps alone, to its end`,
    { tag },
    async ({ technician: t, house }) => {
      test.slow();
      await giveJoint(house, sheet);
      await t.signIn();
      if (sheet.takeApart.length > 0) {
        await startOn(t, sheet, 'takeApart');
        await driveToEnd(t, { ...sheet, stages: sheet.takeApart });
      }
      await startOn(t, sheet);
      await driveToEnd(t, sheet);
      await t.expectSaved();
      const { rows } = await house.admin.query<{ state: string }>(
        'select state from run where joint = $1',
        [JOINT],
      );
      expect(rows.map((r) => r.state)).toEqual(rows.map(() => 'finished'));
      const [, next] = sheet.instances?.labels ?? [];
      if (!next || sheet.tellApart.length === 0) return;
      // The next cap: what was looked at just before is said with one press, and stands where it
      // can be changed.
      await t.page.goto(`${house.url}/joints/${JOINT}?of=${next}`);
      await expect(t.button(/^Start /)).toBeDisabled();
      await t.button(/^Same as last time/).click();
      for (const { question } of sheet.tellApart)
        await expect(
          t.page.getByRole('radiogroup', { name: question }).getByRole('radio', { checked: true }),
        ).toHaveCount(1);
      await expect(t.button(/^Start /)).toBeEnabled();
    },
  );
}

test(
  'two hands on the bar: several at once, said so on the record, and “it was another one”',
  { tag: ['@phone', '@long'] },
  async ({ technician: t, house }) => {
    await t.signIn();
    await t.startHead();
    await t.more('Several at once');
    await t.page.getByRole('radio', { name: '4', exact: true }).click();
    await expect(t.page.getByText('Bolts bolt 1, bolt 2, bolt 3, bolt 4.')).toBeVisible();
    await t.choose('radio', 'Mei Sandoval');
    await t.pull('All 4: moved');
    await expect(t.page.getByText('5 of 10')).toBeVisible();
    await t.button('Report a problem').click();
    await t.button('I tightened a different bolt').click();
    await t.page.getByRole('radio', { name: 'bolt 7' }).click();
    // The one on the screen is asked next all the same.
    await expect(t.page.getByText('5 of 10')).toBeVisible();
    await t.pull('Moved');
    await t.pull('Moved');
    await expect(t.page.getByText('8 of 10')).toBeVisible();
    await t.expectSaved();
    const events = await house.events();
    const together = events.find((e) => e.type === 'passConfirmed');
    expect(together?.payload).toMatchObject({
      fasteners: ['1/1', '2/1', '3/1', '4/1'],
      outcome: 'turned',
      puller: expect.stringMatching(/^5e/),
    });
    expect(together?.payload.puller).not.toBe(together?.person);
    await t.page.goto(`${house.url}/runs/${events[0]?.run}/record`);
    await expect(t.page.getByText('confirmed together').first()).toBeVisible();
  },
);

test(
  '“did I do this one?”: what happened to it, corrected, pulled once more, eased as well, left out by the lead',
  { tag: ['@phone', '@long'] },
  async ({ technician: t, house }) => {
    await t.signIn();
    await t.startHead();
    await t.pulls('Moved', 4);
    await t.more('Check one bolt');
    await t.page.getByRole('radio', { name: 'bolt 2' }).click();
    await expect(t.page.getByRole('heading', { name: 'What happened to bolt 2' })).toBeVisible();
    await expect(t.page.getByText('Done in this pass.')).toBeVisible();
    await t.button('Change last entry').click();
    await t.pull('Not turned: do it again');
    await expect(t.page.getByText('2 of 10')).toBeVisible();
    await t.pull('Moved');
    await t.more('Check one bolt');
    await t.page.getByRole('radio', { name: 'bolt 3' }).click();
    await t.button('I did something that isn’t on the sheet').click();
    await t.pull('Loosened');
    await expect(t.page.getByText('3 of 10')).toBeVisible();
    await t.pull('Moved');
    await t.more('Check one bolt');
    await t.page.getByRole('radio', { name: 'bolt 9' }).click();
    await t.button('Leave it out: ask the lead').click();
    await t.field('Reason', 'Its thread waits for an insert.');
    await t.field('Ines Corte’s PIN', '2580');
    await t.pull('Approve');
    await t.pulls('Moved', 5);
    await expect(t.page.getByText('pass 2', { exact: false })).toBeVisible();
    // A round of their own, with the value they used: one entry for all that are in.
    await t.more('An extra pass over all of them');
    await t.pull('Tightened to a torque');
    await t.page.getByRole('textbox').fill('31,5');
    await t.pull('Record');
    await expect(t.page.getByText('pass 2', { exact: false })).toBeVisible();
    await t.expectSaved();
    const events = await house.events();
    expect(events.filter((e) => e.type === 'corrected')).toHaveLength(1);
    expect(
      events.flatMap((e) =>
        e.type === 'added'
          ? [[e.payload.action, e.payload.fasteners.length, e.payload.value?.value]]
          : [],
      ),
    ).toEqual([
      ['loosen', 1, undefined],
      ['torque', 9, 31.5],
    ]);
    expect(events.flatMap((e) => (e.type === 'used' ? [e.payload.statement.kind] : []))).toEqual([
      'leaveOut',
    ]);
  },
);
