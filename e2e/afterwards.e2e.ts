import fs from 'node:fs';
import { expect, test } from './house';

test(
  'the technician’s and the lead’s day: finished, signed by two, a later word, and out as a document that holds',
  { tag: '@phone' },
  async ({ technician: t, house }) => {
    await t.signIn();
    await t.page.goto(`${house.url}/runs/5e000000-0000-4000-8000-000000000824/record`);
    // Someone else's work: nothing to sign here.
    await expect(t.page.getByText('The technician who did the work signs first.')).toBeVisible();
    await t.signOut();
    await t.signInAgain('Mei Sandoval');
    await t.page.goto(`${house.url}/runs/5e000000-0000-4000-8000-000000000824/record`);
    await expect(t.page.getByText(/are sealed by this shop\. Not signed yet\./)).toBeVisible();
    await t.button('Sign: I did this work').click();
    await expect(t.page.getByText('Technician: Mei Sandoval')).toBeVisible();
    await t.signOut();
    await t.signInAgain('Ines Corte');
    await t.page.goto(`${house.url}/runs/5e000000-0000-4000-8000-000000000824/record`);
    await t.button('Sign: I checked this work').click();
    await expect(t.page.getByText('Second signature: Ines Corte')).toBeVisible();
    await t.button('Add a note').click();
    await t.field('Note', 'Owner came back for the first look: dry.');
    await t.button('Sign and add note').click();
    await expect(t.page.getByText('Addendum: Ines Corte')).toBeVisible();
    await expect(t.page.getByText(/Owner came back for the first look: dry\./)).toBeVisible();
    await expect(
      t.page.getByText(/Verified just now: all \d+ entries match what was signed\./),
    ).toBeVisible();
    const [file] = await Promise.all([
      t.page.waitForEvent('download'),
      t.button('Record file').click(),
    ]);
    const record = JSON.parse(fs.readFileSync(await file.path(), 'utf8')) as {
      signatures: unknown[];
      record: { complete: boolean };
    };
    expect(record.signatures).toHaveLength(3);
    expect(record.record.complete).toBe(true);
    // The order names another vehicle than it was signed for: said, and a later word puts it right.
    const vin = (to: string) =>
      house.admin.query(
        "update repair_order set vehicle = jsonb_set(vehicle, '{vin}', to_jsonb($1::text)) where number = '2410'",
        [to],
      );
    await vin('ZZ9BREN20H0002411');
    await t.page.reload();
    await expect(
      t.page.getByText('Signed for details that differ from the repair order'),
    ).toBeVisible();
    await t.button('Add a note').click();
    await t.field('Note', 'Number read off the body anew.');
    await t.button('Sign and add note').click();
    await expect(t.page.getByText(/Number read off the body anew\./)).toBeVisible();
    await expect(
      t.page.getByText('Signed for details that differ from the repair order'),
    ).toHaveCount(0);
    // Someone with the database changes one value: seen at the next look.
    const { rows } = await house.admin.query<{ position: number }>(
      `update run_event set body = replace(body, '"pass":1', '"pass":2') where run = '5e000000-0000-4000-8000-000000000824'
       and position = (select max(position) - 3 from run_event where run = '5e000000-0000-4000-8000-000000000824') returning position`,
    );
    await t.page.reload();
    await expect(t.page.getByText('This record fails verification')).toBeVisible();
    await expect(
      t.page.getByText(`Entry ${rows[0]?.position} is the first that fails: its text was changed.`),
    ).toBeVisible();
  },
);

test(
  'the advisor’s day: what is overdue, done with the odometer, declined with a reason, and exported',
  { tag: '@phone' },
  async ({ technician: t, isMobile }) => {
    await t.signIn('Petra Voll');
    await t.inShop('Follow-ups');
    const overdue = isMobile
      ? t.page.getByRole('heading', { name: /^Overdue \(\d+\)$/ })
      : t.page.getByRole('row', { name: /^▲ / }).first();
    await expect(overdue).toBeVisible();
    await t.button('Done: Check the nuts after 500 km.').click();
    await t.page.getByRole('textbox', { name: /^Odometer now/ }).fill('148.730');
    await t.button('Mark as done').click();
    await expect(t.button('Done: Check the nuts after 500 km.')).toHaveCount(0);
    await t.button('Declined: Oil change with the first check.').click();
    await expect(t.button('Mark as declined')).toBeDisabled();
    await t.field('Owner’s reason', 'Does it himself.');
    await t.button('Mark as declined').click();
    await t.tab('Done and declined').click();
    await expect(t.page.getByText('Does it himself.')).toBeVisible();
    await expect(t.page.getByText(/declined, Petra Voll/)).toBeVisible();
    await t.tab('Month').click();
    // Late in a month nothing may be left in it, and in the next one nothing yet.
    const days = t.button(/: \d follow-ups?$/);
    await expect(t.button('Next month')).toBeVisible();
    while ((await days.count()) === 0) await t.button('Next month').click();
    await days.first().click();
    await expect(t.page.getByRole('heading', { name: /^On / })).toBeVisible();
    const [calendar] = await Promise.all([
      t.page.waitForEvent('download'),
      t.button('Calendar file').click(),
    ]);
    expect(fs.readFileSync(await calendar.path(), 'utf8')).toContain('BEGIN:VEVENT');
    await t.button('Create private address').click();
    await expect(t.page.getByText(/\/api\/feed\/[\w-]{43}\.ics/)).toBeVisible();
    await t.page.getByRole('link', { name: /^Open RO 2402/ }).click();
    await t.station('Hand over');
    const [archive] = await Promise.all([
      t.page.waitForEvent('download'),
      t.button('Export everything (archive)').click(),
    ]);
    await t.button('Earlier visits of this vehicle').click();
    await expect(t.page.getByRole('link', { name: /^Record of RO 2402/ })).toBeVisible();
    // The same archive, brought back in: checked, and known.
    const [chooser] = await Promise.all([
      t.page.waitForEvent('filechooser'),
      t.button('Import a record or an archive').click(),
    ]);
    await chooser.setFiles(await archive.path());
    await expect(t.page.getByText('1 record verified and imported:')).toBeVisible();
  },
);

test(
  'the lead’s day: a wrench found out of calibration, everything tightened with it, whom to call',
  { tag: '@phone' },
  async ({ technician: t }) => {
    await t.signIn('Ines Corte');
    await t.inShop('Tools');
    await t.jobsWith('Wrench 4, digital');
    await expect(t.page.getByRole('link', { name: 'Record of RO 2410, Flywheel' })).toBeVisible();
    const [list] = await Promise.all([
      t.page.waitForEvent('download'),
      t.button('Recall list').click(),
    ]);
    expect(fs.readFileSync(await list.path(), 'utf8')).toContain('2410,Oduya');
    await t.field(
      'From',
      new Date(Date.now() - 60 * 86_400_000).toLocaleDateString('en-GB', {
        day: '2-digit',
        month: '2-digit',
        year: 'numeric',
      }),
    );
    await t.button('Search').click();
    await expect(t.page.getByRole('heading', { name: '1 found' })).toBeVisible();
    await t.page.getByRole('link', { name: 'Record of RO 2410, Flywheel' }).click();
    await expect(t.page.getByRole('heading', { name: 'Spread' })).toBeVisible();
  },
);

test(
  'a record from another shop: read as it was made, whether it holds, and one that was changed is not taken',
  { tag: '@long' },
  async ({ technician: t, house }) => {
    await t.signIn('Ines Corte');
    const [archive] = await Promise.all([
      t.page.waitForEvent('download'),
      t.page
        .goto(`${house.url}/runs/5e000000-0000-4000-8000-000000000824/record`)
        .then(() => t.button('Whole repair order').click()),
    ]);
    await t.page.goto(`${house.url}/account`);
    await t.button('Switch to Tern Street').click();
    await expect(t.page.getByText('Tern Street', { exact: true })).toBeVisible();
    await t.page.goto(`${house.url}/history`);
    const bringIn = async (
      file: string | { name: string; mimeType: string; buffer: Buffer },
    ): Promise<void> => {
      const [chooser] = await Promise.all([
        t.page.waitForEvent('filechooser'),
        t.button('Import a record or an archive').click(),
      ]);
      await chooser.setFiles(file);
    };
    const path = await archive.path();
    await bringIn(path);
    await t.button('Open record: RO 2410, Flywheel').click();
    await expect(
      t.page.getByRole('heading', { name: 'Made by Halden Quay Motor Works' }),
    ).toBeVisible();
    await expect(
      t.page.getByText(/^Verified just now: all \d+ entries match that shop’s seal/),
    ).toBeVisible();
    await expect(t.page.getByRole('heading', { name: 'Tightened values' })).toBeVisible();
    // Its curves came along.
    await expect(t.page.getByRole('img', { name: /^Torque over angle/ }).first()).toBeVisible();
    await t.page.getByRole('link', { name: 'Back to history' }).click();
    await expect(t.page.getByText('RO 2410, Flywheel').first()).toBeVisible();
    await bringIn(path);
    await expect(t.page.getByText(/already here/)).toBeVisible();
    const [file] = await Promise.all([
      t.page.waitForEvent('download'),
      t
        .button('Open record: RO 2410, Flywheel')
        .first()
        .click()
        .then(() => t.button('Record file').click()),
    ]);
    const text = fs.readFileSync(await file.path(), 'utf8');
    await t.page.goBack();
    await bringIn({
      name: 'r.json',
      mimeType: 'application/json',
      buffer: Buffer.from(text.replaceAll('"plate":"', '"plate":"X')),
    });
    await expect(t.page.getByText(/Something other than the entries was changed/)).toBeVisible();
  },
);

test(
  'tightened again after heat: a run of its own, and it is done by itself',
  { tag: ['@phone', '@long'] },
  async ({ technician: t }) => {
    await t.signIn('Mei Sandoval');
    await t.inShop('Follow-ups');
    await t.button('Re-torque').first().click();
    await expect(t.page.getByRole('heading', { name: 'Prepare to re-torque' })).toBeVisible();
    await t.button('Start tightening').click();
    await expect(t.page.getByText(/Cylinder head, again/).first()).toBeVisible();
  },
);
