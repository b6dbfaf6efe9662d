import { aSecondDevice, expect, test, type Page } from './house';

/** What a page asks of the server from here on, without ids. */
function askedBy(page: Page): string[] {
  const asked: string[] = [];
  page.on('request', (r) => {
    const { pathname } = new URL(r.url());
    if (pathname.startsWith('/api/'))
      asked.push(`${r.method()} ${pathname.replace(/[0-9a-f-]{36}/g, '*')}`);
  });
  return asked;
}

test(
  'a pull asks the server for nothing but to be kept; who looks on is told for all of some seconds at once',
  { tag: '@phone' },
  async ({ technician: t, house, context }) => {
    const desk = await aSecondDevice(context, house);
    await desk.signIn('Petra Voll');
    await t.signIn();
    await t.startHead();
    const shown = desk.page.getByRole('main');
    await expect(shown).toContainText('0 of 10');
    // What the start of the run has set off is through.
    await t.page.waitForTimeout(2000);
    const [hand, looking] = [askedBy(t.page), askedBy(desk.page)];
    await t.pulls('Moved', 6);
    await t.expectSaved();
    expect(new Set(hand)).toEqual(new Set(['POST /api/runs/*/events']));
    // All six came within a few seconds.
    expect(looking.filter((a) => a === 'GET /api/today').length).toBeLessThan(2);
    await desk.page.clock.fastForward(11_000);
    await expect(shown).toContainText('6 of 10');
    expect(looking.filter((a) => a === 'GET /api/today').length).toBeLessThan(3);
    // Back on the repair order, it is as far as the hand has come.
    await t.page.goBack();
    await expect(t.page.getByRole('main')).toContainText('6 of 10');
    expect(hand).toContain('GET /api/orders/*');
    await desk.page.context().close();
  },
);
