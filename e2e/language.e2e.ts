import { expect, test } from './house';

const id = (n: number): string => `5e000000-0000-4000-8000-${String(n).padStart(12, '0')}`;

/** Texts of buttons and links that do not fit; what scrolls sideways may be wider. */
const cutOff = `[...document.querySelectorAll('[role=button],[role=link],[role=radio],[role=tab],a')]
  .filter((e) => { for (let p = e.parentElement; p; p = p.parentElement)
    if (/auto|scroll/.test(getComputedStyle(p).overflowX) && p.scrollWidth > p.clientWidth + 1) return false;
    return true; })
  .filter((e) => e.getBoundingClientRect().right > innerWidth + 1 ||
    [e, ...e.querySelectorAll('*')].some((c) => c.scrollWidth > c.clientWidth + 1 &&
      getComputedStyle(c).overflowX === 'hidden' && c.textContent.trim()))
  .map((e) => e.textContent)`;

const SIZES = {
  'a phone': { tag: '@phone', size: null },
  'a wide screen': { tag: ['@phone', '@long'], size: { width: 1280, height: 800 } },
};

for (const [language, locale] of [
  ['English', 'en-US'],
  ['Spanish', 'es-US'],
] as const)
  for (const [where, { tag, size }] of Object.entries(SIZES))
    test.describe(`${language}, ${where}`, () => {
      test.use({ locale, ...(size ? { viewport: size, isMobile: false, hasTouch: false } : {}) });
      test(
        `every screen of a lead’s day fits ${where} in ${language}`,
        // The short run looks at the longer words.
        { tag: language === 'English' ? ['@phone', '@long'] : tag },
        async ({ technician: t, house }) => {
          await t.page.goto(house.url);
          const { rows } = await house.admin.query<{ id: string }>(
            "select id from run where state = 'open' order by id limit 1",
          );
          const open = rows[0]?.id;
          expect(open).toBeTruthy();
          const isSpanish = language === 'Spanish';
          await t.page.getByRole('textbox').nth(0).fill('Ines Corte');
          await t.page.locator('input[type=password]').fill('witness-mark');
          await t.page.getByRole('button').first().click();
          await expect(
            t.page.getByRole('heading', { name: isSpanish ? 'Hoy' : 'Today', level: 1 }),
          ).toBeVisible();
          // A new revision of a sheet that stands is a draft; the editor opens on it.
          await t.page.goto(`${house.url}/sheets/brenna-2-0-head/C`);
          await t.page
            .getByRole('button', {
              name: isSpanish ? 'Escribir la siguiente revisión' : 'Write next revision',
            })
            .click();
          await expect(t.page.getByRole('tablist')).toBeVisible();
          const draft = new URL(t.page.url()).pathname;
          for (const path of [
            ...['/', '/account', '/people', '/orders', '/orders/new', '/find', '/library'],
            ...['/tools', '/history', '/follow-ups', '/shop', '/bench'],
            ...['/sheets/brenna-2-0-head/C', draft],
            ...[`/orders/${id(201)}`, `/orders/${id(201)}/edit`],
            ...[`/orders/${id(201)}/measure`, `/orders/${id(201)}/parts`, `/joints/${id(401)}`],
            ...[`/runs/${id(824)}/record`, `/runs/${open}`],
          ]) {
            await t.page.goto(house.url + path);
            await expect(t.page.getByRole('heading').first()).toBeVisible();
            await expect(t.page.getByRole('progressbar')).toHaveCount(0);
            expect([path, await t.page.evaluate(cutOff)]).toEqual([path, []]);
            expect(await t.page.evaluate('document.documentElement.lang')).toBe(locale.slice(0, 2));
          }
        },
      );
    });

for (const [language, locale, tools] of [
  ['English', 'en-US', 'Tools'],
  ['Spanish', 'es-US', 'Herramientas'],
] as const)
  test.describe(`preparing in ${language}`, () => {
    test.use({ locale });
    test(
      `preparing a ten-bolt head takes three phone screens at most in ${language}`,
      { tag: '@phone' },
      async ({ technician: t, house }) => {
        await t.page.goto(house.url);
        await t.page.getByRole('textbox').nth(0).fill('Jonah Pike');
        await t.page.locator('input[type=password]').fill('witness-mark');
        await t.page.getByRole('button').first().click();
        await expect(t.page.getByRole('heading', { level: 1 })).toBeVisible();
        await expect(t.page.locator('input[type=password]')).toHaveCount(0);
        await t.page.goto(`${house.url}/joints/${id(401)}`);
        // With all that comes later: the tools are planned by what the shop has.
        await expect(t.page.getByRole('heading', { name: tools, exact: true })).toBeVisible();
        const screens = await t.page.evaluate(() => {
          const [page] = [...document.querySelectorAll('*')]
            .filter((e) => e.clientHeight > 500 && e.scrollHeight > e.clientHeight + 50)
            .sort((a, b) => b.scrollHeight - a.scrollHeight);
          return page ? page.scrollHeight / page.clientHeight : 1;
        });
        expect(screens).toBeLessThanOrEqual(3);
      },
    );
  });

test(
  'a language is chosen on the account page, and papers and refusals follow',
  { tag: '@phone' },
  async ({ technician: t, house }) => {
    await t.signIn();
    await t.page.goto(`${house.url}/account`);
    await t.page.getByRole('button', { name: 'Español' }).click();
    await expect(t.page.getByRole('heading', { name: 'Idioma' })).toBeVisible();
    const refused = await t.page.evaluate(async () => {
      const reply = await fetch('/api/nothing');
      return ((await reply.json()) as { error: { message: string } }).error.message;
    });
    expect(refused).toBe('No hay nada en esta dirección.');
    await t.page.goto(`${house.url}/tools`);
    await expect(t.page.getByRole('heading', { name: 'Torquímetros' })).toBeVisible();
    await t.page.goto(`${house.url}/account`);
    await t.page.getByRole('button', { name: 'English' }).click();
    await expect(t.page.getByRole('heading', { name: 'Language' })).toBeVisible();
  },
);
