import { expect, test, type Page, type Technician } from './house';

/** From Today to a new draft in the editor. */
async function beginSheet(t: Technician): Promise<void> {
  await t.section('Find');
  await t.button('Sheet library').click();
  for (const [name, text] of Object.entries({
    Maker: 'Belmaro',
    Model: 'Tessera',
    'Engine code': 'BV48',
    'Kind of joint': 'Oil pan',
    Title: 'Oil pan, BV48',
  })) {
    await t.page.getByRole('textbox', { name, exact: true }).fill(text);
  }
  await t.button('Create draft').click();
  await expect(t.tab('Line')).toBeVisible();
}

const map = (page: Page): ReturnType<Page['getByRole']> =>
  page.getByRole('img', { name: /^Map of/ });
/**
 * Thirty-four places round a pan: two long sides of thirteen, two short ones of four, as shares of
 * the map.
 */
const ROUND: readonly [number, number][] = [
  ...Array.from({ length: 13 }, (_, i): [number, number] => [0.08 + i * 0.07, 0.22]),
  ...Array.from({ length: 4 }, (_, i): [number, number] => [0.94, 0.33 + i * 0.11]),
  ...Array.from({ length: 13 }, (_, i): [number, number] => [0.92 - i * 0.07, 0.78]),
  ...Array.from({ length: 4 }, (_, i): [number, number] => [0.06, 0.66 - i * 0.11]),
];

async function tapMap(page: Page, [x, y]: readonly [number, number]): Promise<void> {
  const box = await map(page).boundingBox();
  if (!box) throw new Error('no map');
  await page.mouse.click(box.x + x * box.width, box.y + y * box.height);
}

test(
  'a lead places thirty-four fasteners by pointer, numbers them, approves the sheet, and a technician runs it',
  { tag: '@long' },
  async ({ technician: t, house }) => {
    await t.signIn('Ines Corte');
    await beginSheet(t);
    await t.tab('Places').click();
    for (const at of ROUND) await tapMap(t.page, at);
    await expect(map(t.page)).toHaveAccessibleName(/^Map of 34 places/);
    await t.button('Undo').click();
    await expect(map(t.page)).toHaveAccessibleName(/^Map of 33 places/);
    await t.button('Redo').click();

    // Numbered the other way round, beginning at the last one.
    await t.choose('radio', 'Number');
    for (const at of [...ROUND].reverse()) await tapMap(t.page, at);
    await expect(t.page.getByText('34 of 34 tapped')).toBeVisible();
    await t.button('Use these numbers').click();

    await t.tab('Fasteners').click();
    await t.field('Thread', 'M6');
    await t.field('Pitch, mm', '1');
    await t.choose('radio', '8.8');
    await t.field('Socket or bit', 'hex 10 mm');
    await t.choose('radio', 'reuse');
    await t.choose('radio', 'clean and dry');
    await t.tab('Line').click();
    await t.field('Shorthand line', '34 × M6×1 8.8 reusable, dry, as listed: 7 N·m; 9 N·m');
    await t.button('Use this line').click();
    await t.tab('About').click();
    for (const [name, text] of Object.entries({
      Publisher: 'Belmaro (invented)',
      Page: '12-4',
      'Published for': 'clean and dry',
    }))
      await t.field(name, text);
    await t.page.getByRole('textbox', { name: 'Title', exact: true }).fill('BV48 pages');
    await t.page.getByRole('textbox', { name: 'Revision', exact: true }).fill('1');
    await t.choose('checkbox', 'invented for demo');
    await t.tab(/^Ready/).click();
    await t.button('Approve as revision A').click();
    await expect(t.page.getByRole('heading', { name: 'Oil pan, BV48' })).toBeVisible();
    await expect(t.page.getByText(/^Approved by Ines Corte/)).toBeVisible();

    await t.button('Add to Replace crank damper, RO 2433').click();
    await expect(t.page.getByRole('heading', { name: 'Prepare' })).toBeVisible();
    await t.signOut();
    await t.signInAgain('Jonah Pike');
    await t.openOrder('2433');
    await t.station('Tighten');
    await t.button('Tighten Oil pan').click();
    await t.button('Start tightening').click();
    await expect.poll(async () => (await house.events()).map((e) => e.type)).toEqual(['started']);
    await t.tap(/^All \d+ |^34 |^In, /);
    await t.tap(/^Wrench 3/);
    await t.tap('Wrench is set');
    await expect(t.page.getByRole('main')).toContainText('1 of 34');
    await t.pull('Clicked');
    await expect(t.page.getByRole('main')).toContainText('2 of 34');
  },
);

test('a draft survives a tab that crashes, goes back a step at a time, and is only on this device until the server has it', async ({
  technician: t,
  context,
}) => {
  await t.signIn('Ines Corte');
  await beginSheet(t);
  await t.field('Shorthand line', '8 × M8×1.25 8.8 reusable, dry, cross: 10 N·m; 24 N·m');
  await t.button('Use this line').click();
  await t.settled('saved');
  await t.screensKept();
  await context.setOffline(true);
  await t.tab('About').click();
  await t.field('Publisher', 'Belmaro, typed off-line');
  await t.settled('saved on this device');
  const address = t.page.url();
  await t.page.evaluate(() => undefined);
  await t.page.close({ runBeforeUnload: false });
  const again = t.on(await context.newPage());
  await again.page.clock.install();
  await again.page.goto(address);
  await again.tab('About').click();
  await expect(again.page.getByRole('textbox', { name: 'Publisher' })).toHaveValue(
    'Belmaro, typed off-line',
  );
  await context.setOffline(false);
  await again.settled('saved');
  await again.page.goto(`${again.house.url}/library`);
  await expect(again.page.getByRole('link', { name: 'Open draft Oil pan, BV48' })).toBeVisible();
  await expect(again.page.getByText('Only on this device')).toHaveCount(0);
});

test(
  'a fastener is dragged to its place, and by its numbers without a pointer',
  { tag: '@long' },
  async ({ technician: t }) => {
    await t.signIn('Ines Corte');
    await beginSheet(t);
    await t.tab('Places').click();
    await tapMap(t.page, [0.3, 0.4]);
    await tapMap(t.page, [0.7, 0.4]);
    await t.choose('radio', 'Move');
    const box = await map(t.page).boundingBox();
    if (!box) throw new Error('no map');
    await t.page.mouse.move(box.x + 0.7 * box.width, box.y + 0.4 * box.height);
    await t.page.mouse.down();
    for (let i = 1; i <= 8; i += 1)
      await t.page.mouse.move(box.x + 0.7 * box.width, box.y + (0.4 + i * 0.025) * box.height);
    await t.page.mouse.up();
    await t.choose('radio', 'Select');
    await t.choose('checkbox', '2');
    const y = t.page.getByRole('textbox', { name: 'y, mm up' });
    const dragged = Number(await y.inputValue());
    await t.choose('checkbox', '2');
    await t.choose('checkbox', '1');
    expect(dragged).toBeLessThan(Number(await y.inputValue()) - 30);
    await y.fill('12,5');
    await t.choose('checkbox', '1');
    await t.choose('checkbox', '1');
    await expect(y).toHaveValue('12.5');
    // One step back takes the whole drag, not its last inch.
    await t.button('Undo').click();
    await t.button('Undo').click();
    await t.choose('checkbox', '1');
    await t.choose('checkbox', '2');
    expect(Math.abs(Number(await y.inputValue()) - dragged)).toBeGreaterThan(30);
  },
);

test(
  'what a line cannot read is named by its place, and a value off by a unit is said beside its field',
  { tag: '@long' },
  async ({ technician: t }) => {
    await t.signIn('Ines Corte');
    await beginSheet(t);
    await t.field('Shorthand line', '10 × M10×1.5 10.9 new, oiled: 27 Nm; 50 somethings');
    await expect(t.page.getByText(/^▲ At \d+:/).first()).toBeVisible();
    await expect(t.button('Use this line')).toBeDisabled();
    await t.field('Shorthand line', '4 × M6×1 8.8 reusable, dry: 90 N·m');
    await t.button('Use this line').click();
    await t.tab('Stages').click();
    await expect(t.page.getByText(/^▲ .*(inch|lbf·in|unit|yield)/i).first()).toBeVisible();
  },
);

test('stages are put in order by keys and by a drag; the manual’s page stays beside them and is kept', async ({
  technician: t,
  house,
}) => {
  const { page } = t;
  await t.signIn('Ines Corte');
  await beginSheet(t);
  await t.field('Shorthand line', '8 × M8×1.25 8.8 reusable, dry, cross: 10 N·m; 24 N·m; +90°');
  await t.button('Use this line').click();
  await t.tab('Stages').click();
  const list = page.getByRole('list', { name: 'Order of stages' });
  const inOrder = async (): Promise<string[]> =>
    (await list.getByRole('listitem').allInnerTexts()).map((row) => row.replace(/^\d\s*/, ''));
  expect(await inOrder()).toEqual(['10 N·m', '24 N·m', '+90°']);
  await t.button('Move 10 N·m').focus();
  // What happens is told to someone who cannot see it, too.
  for (const [key, told] of [
    ['Space', '10 N·m at place 1 of 3.'],
    // The list is low on the screen: the next place is scrolled into sight on the way.
    ['ArrowDown', '10 N·m at place 2 of 3.'],
    ['Space', 'Dropped. 10 N·m at place 2 of 3.'],
  ] as const) {
    await page.keyboard.press(key);
    await expect(page.getByText(told, { exact: true })).toBeAttached();
  }
  await expect.poll(inOrder).toEqual(['24 N·m', '10 N·m', '+90°']);
  // Keys that come before the page can follow are not lost.
  await t.button('Move 24 N·m').evaluate((handle) => {
    for (const code of ['Space', 'ArrowDown', 'Space'])
      handle.dispatchEvent(new KeyboardEvent('keydown', { code, bubbles: true, cancelable: true }));
  });
  await expect.poll(inOrder).toEqual(['10 N·m', '24 N·m', '+90°']);
  const from = await t.button('Move +90°').boundingBox();
  const to = await t.button('Move 10 N·m').boundingBox();
  if (!from || !to) throw new Error('no handles');
  await page.mouse.move(from.x + 20, from.y + 20);
  await page.mouse.down();
  await page.mouse.move(from.x + 20, from.y - 10, { steps: 3 });
  await page.mouse.move(to.x + 20, to.y + 10, { steps: 6 });
  await page.mouse.up();
  await expect.poll(inOrder).toEqual(['+90°', '10 N·m', '24 N·m']);

  // A PDF of two pages and more: the wanted one is kept; a picture is taken as it is.
  await t.choose('checkbox', 'Page');
  const paper = await page.request.get(
    `${house.url}/api/runs/5e000000-0000-4000-8000-000000000824/record?form=pdf`,
  );
  const choose = async (file: {
    name: string;
    mimeType: string;
    buffer: Buffer;
  }): Promise<void> => {
    const chooser = page.waitForEvent('filechooser');
    await t.button('Add a page').click();
    await (await chooser).setFiles(file);
  };
  await choose({ name: 'page.pdf', mimeType: 'application/pdf', buffer: await paper.body() });
  await t.button('Next page').click();
  await expect(page.getByRole('img', { name: /^Page 2 of \d+ in the PDF/ })).toBeVisible();
  await t.button('Keep this page').click();
  await choose({ name: 'page.png', mimeType: 'image/png', buffer: await page.screenshot() });
  await expect(page.getByRole('radio', { name: 'Page 2' })).toBeVisible();
  await expect
    .poll(async () => {
      await page.clock.fastForward(2000);
      const { rows } = await house.admin.query<{ pages: number }>(
        "select json_array_length(body::json -> 'source' -> 'pages') as pages from sheet_draft",
      );
      return rows[0]?.pages;
    })
    .toBe(2);
  await page.reload();
  await expect(page.getByRole('img', { name: 'Page 1' })).toBeVisible();
});
