import { expect, test, type Technician } from './house';

const SCREENS = [
  '/',
  '/orders',
  '/find',
  '/bench',
  '/shop',
  '/library',
  '/tools',
  '/follow-ups',
  '/history',
  '/people',
  '/account',
];

/** What is too small to be hit by a thumb in a glove. */
const tooSmall = (t: Technician, px: number): Promise<string[]> =>
  t.page.evaluate((least) => {
    const all = document.querySelectorAll<HTMLElement>(
      'a[href],button,input,textarea,[role=button],[role=radio],[role=checkbox],[role=tab],[role=link]',
    );
    return [...all].flatMap((e) => {
      const { width, height } = e.getBoundingClientRect();
      const isSeen = width > 1 && height > 1 && !e.closest('[aria-hidden=true]');
      // The frame of a text field is pressed, not only the line that is typed on.
      const around = e.closest('[data-field]')?.getBoundingClientRect();
      const is = Math.max(height, around?.height ?? 0);
      return isSeen && (is < least - 0.5 || width < least - 0.5)
        ? [`${e.getAttribute('aria-label') ?? e.innerText} ${Math.round(width)}x${Math.round(is)}`]
        : [];
    });
  }, px);

test(
  'every target is at least 48 px; nothing runs off the side on a small phone, at twice the size, or with the phone turned',
  { tag: '@phone' },
  async ({ technician: t, house }) => {
    await t.signIn('Ines Corte');
    const phone = t.page.viewportSize() ?? { width: 390, height: 844 };
    for (const screen of SCREENS) {
      await t.page.goto(`${house.url}${screen}`);
      await expect(t.page.getByRole('heading', { level: 1 })).toBeVisible();
      await expect(t.page.getByRole('progressbar')).toHaveCount(0);
      expect(await tooSmall(t, 48), screen).toEqual([]);
      for (const [width, height] of [
        [320, 640],
        [640, 400],
        [844, 390],
      ] as const) {
        await t.page.setViewportSize({ width, height });
        const wide = await t.page.evaluate(() => document.documentElement.scrollWidth);
        expect(wide, `${screen} at ${width}`).toBeLessThanOrEqual(width);
      }
      await t.page.setViewportSize(phone);
    }
    await t.page.goto(house.url);
    await t.startHead();
    expect(await tooSmall(t, 64), 'tighten').toEqual([]);
    // With the phone on its side the pull and its answer are both in sight.
    await t.page.setViewportSize({ width: 844, height: 390 });
    await expect(t.button('Moved')).toBeInViewport();
    await expect(t.page.getByText('27 N·m').first()).toBeInViewport();
  },
);

test('the browser’s back finds a list where it was left, and focus is on the new heading', async ({
  technician: t,
  house,
}) => {
  await t.signIn('Ines Corte');
  await t.page.goto(`${house.url}/orders`);
  const last = t.page.getByRole('link', { name: /^Open RO / }).last();
  const arrived = t.page.evaluate(
    () =>
      new Promise<void>((done) =>
        addEventListener('scroll', () => done(), { capture: true, once: true }),
      ),
  );
  await last.scrollIntoViewIfNeeded();
  await arrived;
  // A thumb takes longer than this from scrolling to tapping.
  await t.page.clock.runFor(300);
  await last.click();
  await expect(t.page.getByRole('heading', { name: /^RO / })).toBeFocused();
  await t.page.goBack();
  await expect(last).toBeInViewport();
});

test(
  'an order from the first call to hand-over by touch on a phone',
  { tag: '@phone' },
  async ({ technician: t }) => {
    const { page } = t;
    const tap = (name: string | RegExp): Promise<void> => t.button(name).first().tap();
    await t.signIn('Petra Voll');
    await page.getByRole('link', { name: 'Orders' }).tap();
    await tap('New repair order');
    for (const [field, words] of [
      ['Plate', 'hq 600 a'],
      ['Maker', 'Ostrel'],
      ['Model', 'Brenna 2.0'],
      ['Engine', 'ob20'],
      ['Concern', 'Rattles at idle.'],
      ['Customer', 'Moss'],
    ] as const)
      await t.field(field, words);
    await tap('Save');
    await expect(page.getByRole('heading', { name: 'RO 2442' })).toBeVisible();
    await tap('Add findings');
    // What is missing is said beside its field, and the rest stays as it was typed.
    await page.getByRole('radio', { name: 'Something else' }).tap();
    await t.field('Symptom', 'Rattle');
    await t.field('Findings', 'Loose clamp, tightened by hand');
    await tap('Save');
    await expect(page.getByText('Checked is missing.')).toBeVisible();
    await t.field('Checked', 'Heat shield');
    await tap('Save');
    await expect(t.button(/^Diagnosis, done: Loose clamp, tightened by hand/)).toBeVisible();
    await t.station('Hand over,');
    for (const step of ['Resume work', 'Ready for check', 'Checked and done', 'Hand over'])
      await page.getByRole('button', { name: step, exact: true }).tap();
    await expect(page.getByRole('region', { name: 'Status: handed over' })).toBeVisible();
  },
);
