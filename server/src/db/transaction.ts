import type pg from 'pg';
import * as v from 'valibot';
import { AppError } from '@stennet/core/errors';
import type { Connection } from './connection';
import { rowsOf } from './statement';
import enterShopSql from './queries/enterShop.sql';
import notifyHint from './queries/notifyHint.sql';

export type Client = pg.PoolClient;

/** Where what a transaction has changed is sealed before it is committed; server/src/journal. */
export interface Journal {
  /**
   * The last thing before it is committed.
   * @returns the last of what it writes, on its way: the commit may be sent after it; and what is
   * left to do once that is done
   */
  seal: (client: Connection) => Promise<{ written: Promise<unknown>; committed: () => void }>;
}

/** The shop is in another cell now. */
export class Moved extends Error {
  constructor(readonly cell: string) {
    super(`the shop has moved to cell ${cell}`);
  }
}

/** As it was at one moment: a shop that is checked goes on working. */
export const READ_ONLY = 'begin isolation level repeatable read read only';

const enterShop = rowsOf(enterShopSql, v.object({ cell: v.nullable(v.string()) }));

/** From here on only this shop's rows exist. @throws Moved */
async function enter(client: Client, shop: string, isCell: boolean): Promise<void> {
  if (!isCell || shop === '')
    return void (await client.query("select set_config('stennet.shop', $1, true)", [shop]));
  const [entered] = await enterShop(client, shop);
  if (entered?.cell) throw new Moved(entered.cell);
}

/** A connection of the pool while the work lasts. @throws AppError OFFLINE where there is none */
export async function onConnection<T>(
  pool: pg.Pool,
  work: (client: Client, giveUp: () => void) => Promise<T>,
): Promise<T> {
  const client = await pool.connect().catch(outOfReach);
  let [broken, gone] = [false, false];
  // A connection that dies while it is used fails its query; said a second time as an event it
  // must not end the process.
  const lost = (): void => void (gone = true);
  client.on('error', lost);
  try {
    return await work(client, () => (broken = true));
  } catch (error) {
    if (gone) outOfReach(error);
    throw error;
  } finally {
    client.off('error', lost);
    client.release(broken || gone);
  }
}

/** What a transaction does; `sent`: what is still on its way, and has to hold. */
type Work<T> = (client: Client) => Promise<{ result: T; sent?: readonly Promise<unknown>[] }>;
type InTransaction = <T>(
  shop: string,
  work: Work<T>,
  topics?: () => readonly string[],
) => Promise<T>;

/** @param journal what is changed is sealed there; null: nothing may be written */
export function transactionsOn(
  pool: pg.Pool,
  journal: Journal | null,
  isCell: boolean,
): InTransaction {
  // A connection that dies while idle is replaced at its next use
  pool.on('error', () => undefined);
  return (shop, work, topics) =>
    onConnection(pool, async (client, giveUp) => {
      try {
        // Said one after the other, waited for together: each wait is a way there and back.
        const begun = client.query(journal ? 'begin' : READ_ONLY);
        const entered = Promise.all([begun, enter(client, shop, isCell)]);
        entered.catch(() => undefined);
        // Only in a cell does it matter what the answer is: the shop may have moved.
        if (isCell) await entered;
        const { result, sent = [] } = await work(client);
        if (!journal) {
          for (const each of [entered, ...sent]) await each;
          // All has been read: the answer does not wait for its end. Who has the connection next
          // comes after it.
          client.query('commit').catch(() => undefined);
          return result;
        }
        const heard = told(client, shop, topics?.() ?? []);
        const sealing = journal.seal(client);
        // What it writes goes before a rollback, never after it: there it would stay.
        await sealing.catch(() => undefined);
        for (const each of [entered, ...sent]) await each;
        const sealed = await sealing;
        const [done] = await Promise.all([client.query('commit'), sealed.written, heard]);
        // Something before it had failed, and nobody said so: nothing of it was kept.
        if (done.command !== 'COMMIT') throw new AppError('INTERNAL');
        sealed.committed();
        return result;
      } catch (error) {
        await client.query('rollback').catch(giveUp);
        throw error;
      }
    });
}

/** One transaction in which only this shop's rows exist. Rolled back when the work throws. */
export type InShop = <T>(
  shop: string,
  work: (client: Client) => Promise<T>,
  topic?: () => string | null,
) => Promise<T>;

export const inTurn =
  (inTransaction: InTransaction): InShop =>
  (shop, work, topic) =>
    inTransaction(
      shop,
      async (client) => ({ result: await work(client) }),
      () => [topic?.() ?? []].flat(),
    );

/**
 * All of it sent before anything is answered: one way there and back instead of one for each. Kept
 * only where every promise holds; the first one that does not is thrown.
 */
export type AtOnce = (
  shop: string,
  send: (client: Client) => readonly Promise<unknown>[],
  topics: readonly string[],
) => Promise<void>;

export const atOnce =
  (inTransaction: InTransaction): AtOnce =>
  (shop, send, topics) => {
    const work = (client: Client): ReturnType<Work<void>> => {
      const sent = send(client);
      // Waited for in turn: what fails later is said only where all before it held.
      for (const each of sent) each.catch(() => undefined);
      return Promise.resolve({ result: undefined, sent });
    };
    return inTransaction(shop, work, () => topics);
  };

/** What others are told when this is committed, on its way. */
function told(client: Client, shop: string, topics: readonly string[]): Promise<unknown> {
  const heard =
    topics.length > 0
      ? client.query(notifyHint, [topics.map((what) => `${shop} ${what}`)])
      : Promise.resolve();
  // Waited for with the commit; what fails before that is told there.
  heard.catch(() => undefined);
  return heard;
}

/**
 * The driver says without a code that a connection broke off, or that none became free in time.
 * @throws AppError OFFLINE, or what it was
 */
function outOfReach(error: unknown): never {
  if (error instanceof AppError || error instanceof Moved || (error as { code?: string }).code)
    throw error;
  throw new AppError('OFFLINE');
}
