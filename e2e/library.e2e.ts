import fs from 'node:fs';
import { expect, test, type Technician } from './house';

async function openLibrary(t: Technician): Promise<void> {
  await t.section('Find');
  await t.button('Sheet library').click();
  await expect(t.page.getByRole('heading', { name: 'Sheet library' })).toBeVisible();
}

async function choose(t: Technician, name: string, text: string): Promise<void> {
  const [chooser] = await Promise.all([
    t.page.waitForEvent('filechooser'),
    t.button('Choose a file to import').click(),
  ]);
  await chooser.setFiles({ name, mimeType: 'application/json', buffer: Buffer.from(text) });
}

test(
  'the library goes out as a file, a broken file is refused in words, a good one is looked at first and then brought in',
  { tag: '@phone' },
  async ({ technician: t }) => {
    await t.signIn('Ines Corte');
    await openLibrary(t);
    const [download] = await Promise.all([
      t.page.waitForEvent('download'),
      t.button('Export library (JSON)').click(),
    ]);
    const file = fs.readFileSync((await download.path()) ?? '', 'utf8');
    const { sheets } = JSON.parse(file) as {
      sheets: { id: string; title: string; tellApart: unknown[]; conflicts: unknown[] }[];
    };
    expect(sheets.length).toBeGreaterThan(20);

    await choose(t, 'cut-off.json', file.slice(0, 5000));
    await expect(t.page.getByRole('alert')).toContainText('the file is cut off');
    await expect(t.page.getByRole('alert')).toContainText('Nothing was imported');

    await choose(t, 'same.json', file);
    await expect(t.page.getByText(`${sheets.length} unchanged`)).toBeVisible();
    await expect(
      t.page.getByText('Nothing to import: every sheet in this file is already here.'),
    ).toBeVisible();
    await t.button('Cancel').click();

    const fresh = sheets.slice(0, 3).map((s, i) => ({
      ...s,
      id: `fresh-${i}`,
      title: `Fresh ${s.title}`,
      tellApart: [],
      conflicts: [],
      status: 'approved',
      supersededBy: undefined,
    }));
    await choose(
      t,
      'fresh.json',
      JSON.stringify([...fresh, { ...fresh[0], id: 'broken', stages: [] }]),
    );
    await expect(t.page.getByText('3 new')).toBeVisible();
    await expect(t.page.getByText('sheet 4, Fresh', { exact: false })).toBeVisible();
    await t.button('Import 3, skip 1').click();
    await expect(t.page.getByText('3 sheets imported')).toBeVisible();
    await expect(t.page.getByRole('link', { name: /^Open draft Fresh/ })).toHaveCount(3);
    await t.button('Approve all 3 imported sheets').click();
    await expect(t.page.getByText('No drafts.')).toBeVisible();
  },
);

test('offline the whole library is searched on the device, also sheets that were never opened', async ({
  technician: t,
  context,
}) => {
  await t.signIn();
  await t.page.clock.fastForward(5000);
  // The worker catches up by itself; what it has is on the device.
  await expect
    .poll(
      () =>
        t.page.evaluate(
          () =>
            new Promise<number>(
              (done) =>
                (indexedDB.open('stennet').onsuccess = (e) =>
                  ((e.target as IDBOpenDBRequest).result
                    .transaction('library')
                    .objectStore('library')
                    .count().onsuccess = (c) => done((c.target as IDBRequest<number>).result))),
            ),
        ),
      { timeout: 60_000 },
    )
    .toBeGreaterThan(20);
  // The screens too.
  await t.screensKept();
  await t.section('Find');
  await context.setOffline(true);
  await t.page.getByRole('searchbox').fill('sprial exhast qn47');
  await expect(
    t.page.getByText(/^Offline: searching the \d+ sheets on this device\.$/),
  ).toBeVisible();
  await t.page
    .getByRole('link', { name: /^Open Exhaust manifold/ })
    .first()
    .click();
  await expect(t.page.getByRole('heading', { name: 'Stages' })).toBeVisible();
});

test(
  'by the vehicle’s number: too short and wrong letters are refused, a vehicle that was here narrows the list',
  { tag: ['@phone', '@long'] },
  async ({ technician: t }) => {
    await t.signIn();
    await t.section('Find');
    const box = t.page.getByRole('searchbox');
    await box.fill('ZZ9BREN20H000241');
    await expect(t.page.getByText('A VIN has 17 characters; this has 16')).toBeVisible();
    await box.fill('ZZ9BREN20H000O417');
    await expect(t.page.getByText('A VIN has no I, O or Q')).toBeVisible();
    await box.fill('zz9bren20h0002417');
    await expect(t.page.getByText(/^Ostrel Brenna 2.0, OB20/)).toBeVisible();
    await expect(t.page.getByText(/The check digit doesn’t match/)).toBeVisible();
    await t.button('Show sheets for OB20').click();
    await expect(
      t.page.getByRole('link', { name: 'Open Cylinder head, Brenna 2.0, rev C' }),
    ).toBeVisible();
  },
);

test(
  'a look-alike is told apart before the start: the other sheet is taken, and what was seen stands in the record',
  { tag: ['@phone', '@long'] },
  async ({ technician: t, house }) => {
    await t.signIn();
    await t.openOrder('2417');
    await t.button('Tighten cylinder head').click();
    await expect(t.button('Start tightening')).toBeDisabled();
    await t.choose('radio', '12-point head, M11');
    await expect(t.page.getByRole('alert')).toContainText('That’s “Cylinder head, Brenna 2.0');
    await expect(t.button('Start tightening')).toBeDisabled();
    await t.button('Use that sheet for this joint').click();
    await expect(
      t.page.getByText('This vehicle’s build date is outside the sheet’s range'),
    ).toBeVisible();
    await t.button('Start tightening').click();
    await expect
      .poll(async () => (await house.events()).map((e) => e.type))
      .toEqual(['started', 'variantAnswered']);
    const [started, answered] = await house.events();
    expect(started?.payload).toMatchObject({ sheet: 'brenna-2-0-head-early' });
    expect(answered?.payload).toEqual({
      question: 'Which bolt do you have?',
      answer: '12-point head, M11',
    });
  },
);
