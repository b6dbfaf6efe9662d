import { expect, test } from './house';

test(
  'where the browser stores nothing, everything can be looked at and nothing is begun',
  { tag: ['@phone', '@long'] },
  async ({ technician: t }) => {
    await t.page.addInitScript(() => {
      IDBFactory.prototype.open = () => {
        throw new DOMException('not in a private window', 'SecurityError');
      };
    });
    await t.signIn();
    await expect(t.page.getByText('This browser keeps nothing on this device')).toBeVisible();
    await t.openOrder('2417');
    await t.button('Tighten cylinder head').click();
    await t.choose('radio', 'hexagon head, M10');
    await t.button('Start tightening').click();
    await expect(
      t.page.getByText('This device could not keep the last entry, so it was not taken.'),
    ).toBeVisible();
  },
);
test(
  'a device that is full takes nothing, says so, and goes on when there is room',
  { tag: ['@phone', '@long'] },
  async ({ technician: t, house }) => {
    await t.signIn();
    await t.startHead();
    await t.page.evaluate(() => {
      const { add } = IDBObjectStore.prototype;
      IDBObjectStore.prototype.add = () => {
        throw new DOMException('no room', 'QuotaExceededError');
      };
      Object.assign(window, { makeRoom: () => (IDBObjectStore.prototype.add = add) });
    });
    await t.tap('It turned');
    await expect(
      t.page.getByText('This device could not keep the last entry, so it was not taken.'),
    ).toBeVisible();
    await expect(t.page.getByText(/1st of 10/)).toBeVisible();
    await t.page.evaluate(() => (window as unknown as { makeRoom: () => void }).makeRoom());
    await t.pull('It turned');
    await t.expectSaved();
    expect((await house.events()).filter((e) => e.type === 'pulled')).toHaveLength(1);
  },
);
test(
  'a browser that clears its storage under an open run loses nothing of it, and says what happened',
  { tag: '@phone' },
  async ({ technician: t, house }) => {
    await t.signIn();
    await t.startHead();
    await t.expectSaved();
    await t.page.context().setOffline(true);
    await t.pull('It turned');
    await t.pull('It turned');
    // Counted behind the confirmation: what had been counted is what the next start can say.
    await expect(t.page.getByRole('status', { name: 'off-line, 2 to send' })).toBeVisible();
    await t.page.evaluate(
      () =>
        new Promise<void>((resolve, reject) => {
          const gone = indexedDB.deleteDatabase('stennet');
          gone.onsuccess = () => resolve();
          gone.onerror = () => reject(new Error('not cleared'));
        }),
    );
    await t.pull('It turned');
    await expect(
      t.page.getByText('The browser has cleared this device; 2 entries had not been sent'),
    ).toBeVisible();
    await t.button('I have seen it').click();
    await expect(t.page.getByText('The browser has cleared this device')).toHaveCount(0);
    await t.page.context().setOffline(false);
    await t.expectSaved();
    await expect
      .poll(async () => {
        await t.page.clock.fastForward(3000);
        return (await house.events()).flatMap((e) =>
          e.type === 'pulled' ? [e.payload.fastener] : [],
        );
      })
      .toEqual(['1/1', '2/1', '3/1']);
    await t.page.reload();
    await expect(t.page.getByText(/4th of 10/)).toBeVisible();
  },
);
