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
  'a pull asks the server at once for nothing but to be kept; who looks on follows after some seconds, for all of them',
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
    // A hand takes its time: six pulls are ten seconds and more, each was one request before.
    const order = 'GET /api/orders/*';
    expect(hand.filter((a) => a === order).length).toBeLessThan(6);
    expect(new Set(hand.filter((a) => a !== order))).toEqual(new Set(['POST /api/runs/*/events']));
    await desk.page.clock.fastForward(11_000);
    await expect(shown).toContainText('6 of 10');
    expect(looking.filter((a) => a === 'GET /api/today').length).toBeLessThan(6);
    // Back on the repair order, it is as far as the hand has come.
    await t.page.goBack();
    await expect(t.page.getByRole('main')).toContainText('6 of 10');
    expect(hand).toContain(order);
    await desk.page.context().close();
  },
);
