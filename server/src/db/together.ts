import { AppError } from '@stennet/core/errors';

/** One that waits to be kept. */
interface Waiting<T> {
  one: T;
  kept: () => void;
  failed: (error: unknown) => void;
  givesUp?: NodeJS.Timeout;
}

/** So many go in one transaction: what fails in it is done once more, each by itself. */
const MOST = 32;
/** As long as for a connection: a database that hangs is said, and the device tries again. */
const LONGEST_WAIT_MS = 5000;

/**
 * A shop's audit trail is one chain, so one transaction after the other seals it. What comes in
 * while one is under way goes together in the next one: one seal and one commit for all of it.
 * @param keep in one transaction, all or nothing
 * @throws AppError OFFLINE where its turn does not come in time
 */
export function together<T>(
  keep: (shop: string, all: readonly T[]) => Promise<void>,
): (shop: string, one: T) => Promise<void> {
  const shops = new Map<string, Waiting<T>[]>();

  async function keepOrSay(shop: string, all: readonly Waiting<T>[]): Promise<void> {
    try {
      await keep(
        shop,
        all.map(({ one }) => one),
      );
      for (const { kept } of all) kept();
    } catch (error) {
      // Nothing of it was kept: who is to blame shows when each goes by itself.
      if (all.length > 1) for (const one of all) await keepOrSay(shop, [one]);
      else all[0]?.failed(error);
    }
  }

  async function go(shop: string, waiting: Waiting<T>[]): Promise<void> {
    while (waiting.length > 0) {
      const all = waiting.splice(0, MOST);
      for (const { givesUp } of all) clearTimeout(givesUp);
      await keepOrSay(shop, all);
    }
    shops.delete(shop);
  }

  return (shop, one) =>
    new Promise((kept, failed) => {
      const more: Waiting<T> = { one, kept, failed };
      const waiting = shops.get(shop);
      if (!waiting) {
        const first = [more];
        shops.set(shop, first);
        return void go(shop, first);
      }
      waiting.push(more);
      more.givesUp = setTimeout(() => {
        waiting.splice(waiting.indexOf(more), 1);
        failed(new AppError('OFFLINE'));
      }, LONGEST_WAIT_MS);
    });
}
