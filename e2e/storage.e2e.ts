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
    await expect(t.page.getByText('This browser can’t store anything')).toBeVisible();
    await t.openOrder('2417');
    await t.button('Tighten cylinder head').click();
    await t.choose('radio', 'hex head, M10');
    await t.button('Start tightening').click();
    await expect(t.page.getByText('This device couldn’t save the last entry.')).toBeVisible();
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
    await t.tap('Moved');
    await expect(t.page.getByText('This device couldn’t save the last entry.')).toBeVisible();
    await expect(t.page.getByText(/1 of 10/)).toBeVisible();
    await t.page.evaluate(() => (window as unknown as { makeRoom: () => void }).makeRoom());
    await t.pull('Moved');
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
    await t.pull('Moved');
    await t.pull('Moved');
    // Counted behind the confirmation: what had been counted is what the next start can say.
    await expect(t.page.getByRole('status', { name: 'offline, 2 to send' })).toBeVisible();
    await t.page.evaluate(
      () =>
        new Promise<void>((resolve, reject) => {
          const gone = indexedDB.deleteDatabase('stennet');
          gone.onsuccess = () => resolve();
          gone.onerror = () => reject(new Error('not cleared'));
        }),
    );
    await t.pull('Moved');
    await expect(
      t.page.getByText('The browser cleared this device; 2 entries weren’t sent'),
    ).toBeVisible();
    await t.button('Got it').click();
    await expect(t.page.getByText('The browser cleared this device')).toHaveCount(0);
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
    await expect(t.page.getByText(/4 of 10/)).toBeVisible();
  },
);
