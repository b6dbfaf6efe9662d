import fs from 'node:fs';
import { prepareZXingModule, writeBarcode } from 'zxing-wasm/writer';
import { expect, test, type Technician } from './house';

prepareZXingModule({
  overrides: {
    wasmBinary: fs.readFileSync(require.resolve('zxing-wasm/writer/zxing_writer.wasm'))
      .buffer as ArrayBuffer,
  },
});

test(
  'an advisor opens a repair order, and a job comes with the sheets for its engine',
  { tag: '@phone' },
  async ({ technician: t }) => {
    await t.signIn('Petra Voll');
    await t.section('Orders');
    await t.button('New repair order').click();
    // As people type it: a VIN with blanks, an odometer with a point.
    await t.field('VIN', 'ZZ9 TRDG2 5F000 24O9');
    await t.field('Plate', 'hq 5 tr');
    await t.field('Maker', 'tarr');
    await t.choose('radio', 'Tarrow');
    await t.field('Model', 'Ridge');
    await t.field('Engine', 'tf25');
    await t.field('Build date', '08/05/2017');
    await t.field('Odometer', '-5');
    await t.field('Concern', 'Clutch slips uphill.');
    await t.field('Customer', 'Ash');
    await t.button('Save').click();
    await expect(t.page.getByText('A VIN has no I, O or Q')).toBeVisible();
    await expect(t.page.getByText('Enter a whole number')).toBeVisible();
    await expect(t.page.getByRole('textbox', { name: 'VIN', exact: true })).toBeFocused();
    // What is wrong is mended, what was typed is still there, also after the page was closed.
    await t.page.reload();
    await expect(t.page.getByText('Your earlier entries are still here.')).toBeVisible();
    await t.field('VIN', 'ZZ9 TRDG2 5F000 2409');
    await t.field('Odometer', '84.300 km');
    await t.button('Save').click();
    await expect(t.page.getByRole('heading', { name: 'RO 2442' })).toBeVisible();
    await t.button('Vehicle and customer').click();
    await expect(t.page.getByText('84,300 km')).toBeVisible();
    await expect(t.page.getByText('8 May 2017')).toBeVisible();
    await t.button('More on this order').click();
    await t.button('Add a job').click();
    await t.choose('radio', 'Replace clutch');
    await expect(t.page.getByText('Flywheel: no sheet for TF25 in the library.')).toBeVisible();
    await expect(t.page.getByRole('radio', { name: /^Pressure plate.*rev B$/ })).toBeChecked();
    await t.button('Add this job').click();
    await expect(t.page.getByText('Pressure plate, TF25, rev B')).toBeVisible();
    await expect(t.page.getByText('not started', { exact: true })).toBeVisible();
    // Of look-alikes none is taken for granted.
    await t.page.goto(`${t.house.url}/orders/5e000000-0000-4000-8000-000000000206`);
    await t.button('More on this order').click();
    await t.button('Add a job').click();
    await t.choose('radio', 'Replace flywheel');
    await expect(
      t.page.getByRole('radiogroup', { name: 'Flywheel' }).getByRole('radio', { checked: true }),
    ).toHaveCount(0);
    await expect(t.button('Add this job')).toBeDisabled();
    await t.page.getByRole('radio', { name: 'Flywheel, OB20, rev B' }).click();
    await expect(t.button('Add this job')).toBeEnabled();
  },
);

test(
  'a vehicle that was here fills in its order; a VIN’s barcode is read from a photo; who is called, and when, is kept',
  { tag: ['@phone', '@long'] },
  async ({ technician: t }) => {
    await t.signIn('Petra Voll');
    await t.page.goto(`${t.house.url}/orders/new`);
    // A piece of the plate without its blanks is enough.
    await t.field('Plate', 'hq77');
    await t.button(/^HQ 77 KB/).click();
    await expect(t.page.getByRole('textbox', { name: 'VIN', exact: true })).toHaveValue(
      'ZZ9BREN20H0002438',
    );
    await expect(t.page.getByRole('textbox', { name: 'Customer', exact: true })).toHaveValue(
      'Sailer',
    );
    await scan(t, 'ZZ9BREN20H0009438');
    await expect(t.page.getByRole('textbox', { name: 'VIN', exact: true })).toHaveValue(
      'ZZ9BREN20H0009438',
    );
    await scan(t, 'NOT A VIN');
    await expect(t.page.getByText('No VIN found in this picture.')).toBeVisible();
    await t.field('Phone', '555 0199');
    await t.choose('radio', 'text message');
    await t.field('Concern', 'Ticks when cold.');
    await t.button('Save').click();
    await expect(t.page.getByRole('heading', { name: 'RO 2442' })).toBeVisible();
    await t.button('Vehicle and customer').click();
    await expect(t.page.getByText('555 0199')).toBeVisible();
    await expect(t.page.getByText('text message')).toBeVisible();
    await t.button('More on this order').click();
    await t.button('Add a reminder').click();
    await t.button('Save').last().click();
    await expect(t.page.getByText('Enter what it is about.')).toBeVisible();
    await t.field('Remind me to …', 'Call about the quote');
    const soon = new Date(Date.now() + 2 * 3_600_000).toLocaleDateString('en-GB', {
      timeZone: 'Europe/Berlin',
      day: '2-digit',
      month: '2-digit',
      year: 'numeric',
    });
    await t.field('When', soon);
    await t.button('Save').last().click();
    await expect(t.page.getByText('Call about the quote')).toBeVisible();
    await t.section('Orders');
    await t.page.getByRole('searchbox').or(t.page.getByRole('textbox')).first().fill('5550199');
    await expect(t.page.getByRole('link', { name: /RO 2442/ })).toBeVisible();
  },
);

/** A photo of a label with a barcode, as a phone's camera would give it. */
async function scan(t: Technician, words: string): Promise<void> {
  const { image } = await writeBarcode(words, { format: 'Code128', scale: 3 });
  if (!image) throw new Error('no picture');
  const [chooser] = await Promise.all([
    t.page.waitForEvent('filechooser'),
    t.button('Scan the VIN’s barcode').click(),
  ]);
  const buffer = Buffer.from(await image.arrayBuffer());
  await chooser.setFiles({ name: 'label.png', mimeType: 'image/png', buffer });
}

test(
  'looked at first, notes, people, a part out of the house, something put in: and what blocks the order says so',
  { tag: ['@phone', '@long'] },
  async ({ technician: t }) => {
    await t.signIn();
    await t.openOrder('2430');
    await t.station('Diagnosis');
    await t.button('Add findings').click();
    await t.choose('radio', 'Clutch slips');
    await t.choose('radio', 'Oil on the clutch points to the rear main seal or input seal');
    await t.field('Findings', 'Dry, both seals.');
    await t.button('Save').click();
    await expect(t.button(/^Diagnosis, done: Dry, both seals\./)).toBeVisible();
    await t.station('Parts');
    await t.button('Send a part out').click();
    await t.field('Part', 'Flywheel');
    await t.field('Sent to', 'Quay Machine Shop');
    await t.field('Work requested', 'Grind the face.');
    await t.button('Save').click();
    await t.button('Mark as sent').click();
    await expect(t.button(/^Parts, blocked: .*Flywheel: at Quay Machine Shop/)).toBeVisible();
    await t.button('Left in').click();
    await t.field('What did you put in, and where?', 'Rag in the bell housing');
    await t.button('Save').click();
    await t.station('Hand over');
    await t.button('Resume work').click();
    await expect(t.page.getByRole('region', { name: 'Status: in progress' })).toBeVisible();
    await t.button('Ready for check').click();
    await expect(
      t.page.getByRole('alert').filter({ hasText: 'Rag in the bell housing: still in' }),
    ).toBeVisible();
    await expect(t.button('Mark as received')).toBeDisabled();
    await t.field('What came back', 'Ground, 0.2 mm off.');
    await t.button('Mark as received').click();
    await t.field('How you checked it', 'Straight-edge.');
    await t.button('Mark as checked').click();
    await expect(t.page.getByText('Flywheel: checked')).toBeVisible();
    await t.button('Rag in the bell housing is out').click();
    await expect(t.page.getByText('Rag in the bell housing')).toHaveCount(0);
  },
);

test(
  'two who write at the same time: nothing is written over silently',
  { tag: ['@phone', '@long'] },
  async ({ technician: t, house, browser }) => {
    await t.signIn();
    await t.openOrder('2417');
    const other = await browser.newPage();
    const petra = t.on(other);
    await petra.signIn('Petra Voll');
    await other.goto(`${house.url}/orders/5e000000-0000-4000-8000-000000000201/edit`);
    await petra.field('Bay', 'bay 9');
    await t.page.goto(`${house.url}/orders/5e000000-0000-4000-8000-000000000201/edit`);
    await t.field('Customer', 'Dorn, by phone');
    await petra.button('Save').click();
    await expect(other.getByRole('heading', { name: 'RO 2417' })).toBeVisible();
    await t.button('Save').click();
    await expect(
      t.page.getByRole('heading', { name: 'Someone else changed this order' }),
    ).toBeVisible();
    await expect(t.page.getByText('Petra Voll changed this meanwhile')).toBeVisible();
    await expect(t.page.getByText('bay 9')).toBeVisible();
    await expect(t.page.getByRole('textbox', { name: 'Customer' })).toHaveValue('Dorn, by phone');
    await other.close();
  },
);

test(
  'what is written without a network stays on the device and goes out afterwards, a photo too',
  { tag: ['@phone', '@long'] },
  async ({ technician: t, house, context }) => {
    await t.signIn();
    await t.openOrder('2417');
    await expect(t.page.getByText('Two studs at the turbo heat shield')).toBeVisible();
    await context.setOffline(true);
    await t.button('Note').click();
    await t.field('Note', 'Third stud bent.');
    await t.button('Save').click();
    await expect(t.page.getByText('Third stud bent.')).toBeVisible();
    await expect(t.page.getByText('on this device, not sent yet')).toBeVisible();
    await t.button('Photo').click();
    await t.field('Caption', 'Bent stud');
    const chooser = t.page.waitForEvent('filechooser');
    await t.button('Add a photo').click();
    // A picture of one dot.
    const dot = Buffer.from(
      'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
      'base64',
    );
    await (await chooser).setFiles({ name: 'stud.png', mimeType: 'image/png', buffer: dot });
    await expect(t.page.getByRole('img', { name: 'Photo: Bent stud' })).toBeVisible();
    await context.setOffline(false);
    const stored = async (): Promise<number> =>
      (
        await house.admin.query(
          "select 1 from order_entry where body like '%Third stud bent%' or body like '%Bent stud%'",
        )
      ).rows.length;
    await expect
      .poll(async () => {
        await t.page.clock.fastForward(5000);
        return stored();
      })
      .toBe(2);
    await expect
      .poll(() => house.admin.query('select 1 from photo').then((r) => r.rows.length))
      .toBe(1);
    await t.page.reload();
    await expect(
      t.page.getByRole('img', { name: 'Photo: Bent stud, by Jonah Pike' }),
    ).toBeVisible();
    expect(await stored()).toBe(2);
  },
);

test('the list is narrowed by what is typed and by state; on a wide screen the chosen one stands beside', async ({
  technician: t,
}, info) => {
  await t.signIn('Petra Voll');
  await t.section('Orders');
  const search = t.page.getByRole('searchbox', { name: /^Number, plate, VIN/ });
  await search.fill('77 kb');
  await expect(t.page.getByRole('link', { name: 'Open RO 2438' })).toBeVisible();
  await expect(t.page.getByRole('link', { name: 'Open RO 2417' })).toHaveCount(0);
  await search.fill('');
  await t.page.getByRole('radio', { name: /^Blocked \d/ }).click();
  await expect(t.page.getByRole('link', { name: 'Open RO 2430' })).toHaveCount(0);
  await expect(
    t.page.getByText(/Cylinder head: at Quay Machine Shop|Head bolts: ordered/).first(),
  ).toBeVisible();
  await t.page.getByRole('link', { name: 'Open RO 2425' }).click();
  await expect(t.button(/^Parts, blocked/)).toBeVisible();
  expect(await t.page.getByRole('link', { name: 'Open RO 2425' }).count()).toBe(
    info.project.name === 'wide' ? 1 : 0,
  );
});

test(
  'at the desk the chosen one begins at its top, and the list stays where it was selected',
  // On a phone it is a screen of its own.
  { tag: ['@wide', '@long'] },
  async ({ technician: t }) => {
    await t.signIn('Petra Voll');
    await t.section('Orders');
    const last = t.page.getByRole('link', { name: /^Open RO/ }).last();
    await last.click();
    const chosen = t.page.getByRole('region', { name: 'Selected repair order' });
    await expect(chosen.getByRole('heading', { name: 'Concern' })).toBeInViewport();
    await expect(last).toBeInViewport();
    // Read to its end, then another one is chosen: it too begins at its top.
    await chosen.getByRole('heading').last().scrollIntoViewIfNeeded();
    await expect(last).toBeInViewport();
    await t.page
      .getByRole('link', { name: /^Open RO/ })
      .nth(-2)
      .click();
    await expect(chosen.getByRole('heading', { name: 'Concern' })).toBeInViewport();
  },
);
