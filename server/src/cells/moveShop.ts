import { connected, type Connection } from '../db/connection';
import { READ_ONLY, type Client } from '../db/database';
import {
  AHEAD,
  asReplica,
  copyPeople,
  copyRows,
  dropPeople,
  dropRows,
  endOfJournal,
  holdShop,
  isThere,
  journalAfter,
  markMoved,
  migrationsOf,
  movedTo,
  moveNames,
  peopleOf,
  shopTables,
  sumOf,
  unmarkMoved,
  type ShopTable,
} from '../db/shopRows';
import type { Files } from '../files/files';
import { checkShop } from '../journal/checkShop';
import { outsideOf, type Line } from '../journal/journal';
import type { Keys } from '../keys/keys';

/** Two clusters by superuser, and who is where. */
export interface Move {
  shops: readonly string[];
  from: string;
  to: string;
  /** Name of the cell they go to. */
  cell: string;
  directory: string;
  /** Both cells seal with the same keys and find the same files. */
  keys: Keys;
  files: Files | null;
  tell: (what: string) => void;
}

export class NotMoved extends Error {}

/**
 * Shops from one cell to another while they work. What only grows is copied ahead. Then the shop's
 * transactions wait for the rest: what came since, everything that changes, and sums of all rows on
 * both sides. Every record and the audit trail are checked before it begins, and again where they
 * are then, before anything is taken away where they were. Stopped anywhere, it is started again:
 * until the mark is set the shop is where it was, after it where it went.
 * @throws NotMoved
 */
export async function moveShops(move: Move): Promise<void> {
  await connected(move.from, (from) =>
    connected(move.to, (to) =>
      connected(move.directory, async (directory) => {
        const { people, alsoIn } = await peopleOf(from, move.shops);
        if (alsoIn.length > 0)
          throw new NotMoved(
            `People of these shops also work in ${alsoIn.join(', ')}. Move those shops together: name all of them.`,
          );
        if ((await migrationsOf(from)) !== (await migrationsOf(to)))
          throw new NotMoved('The two cells run different versions. Update both, then move.');
        await asReplica(from);
        await asReplica(to);
        const tables = await shopTables(from);
        for (const shop of move.shops) await moveOne(move, shop, tables, from, to);
        await moveNames(directory, from, people, move.cell);
        for (const shop of move.shops) await assertHolds(move, to, shop, 'in the other cell');
        await tidy(move, from, tables, people);
      }),
    ),
  );
}

async function moveOne(
  move: Move,
  shop: string,
  tables: readonly ShopTable[],
  from: Connection,
  to: Connection,
): Promise<void> {
  if ((await movedTo(from, shop)) === move.cell) return;
  if (!(await isThere(from, shop))) throw new NotMoved(`There is no shop ${shop} in that cell.`);
  await assertHolds(move, from, shop, 'where it is, and stays there');
  // What an earlier try left.
  for (const table of tables) await dropRows(to, table, shop);
  const ahead = await copyAhead(shop, tables, from, to);
  const since = Date.now();
  await inTransaction(from, async () => {
    await holdShop(from, shop);
    await inTransaction(to, async () => {
      await copyRest(shop, tables, ahead, from, to);
      await copyPeople(from, to, (await peopleOf(from, [shop])).people);
      await assertAlike(shop, tables, from, to);
      await unmarkMoved(to, shop);
    });
    await markMoved(from, shop, move.cell);
  });
  move.tell(
    `Shop ${shop} is in cell ${move.cell}. Its people waited ${Date.now() - since} ms at most.`,
  );
}

/** @returns up to which line of the audit trail */
async function copyAhead(
  shop: string,
  tables: readonly ShopTable[],
  from: Connection,
  to: Connection,
): Promise<number> {
  const place = await endOfJournal(from, shop);
  for (const table of tables.filter((t) => AHEAD.includes(t.name)))
    await inTransaction(from, () =>
      copyRows(
        from,
        to,
        table,
        shop,
        table.name === 'journal' ? { where: 'place <= $2', among: place } : {},
      ),
    );
  return place;
}

/** What the audit trail says has changed since, of what was copied ahead; and everything else. */
async function copyRest(
  shop: string,
  tables: readonly ShopTable[],
  ahead: number,
  from: Connection,
  to: Connection,
): Promise<void> {
  const changes = (await journalAfter(from, shop, ahead)).flatMap(
    (body) => (JSON.parse(body) as Line).changes,
  );
  const keys = (table: string): string[] => [
    ...new Set(changes.flatMap((c) => (c.table === table ? [c.key] : []))),
  ];
  const since: Record<string, { where: string; among: unknown }> = {
    journal: { where: 'place > $2', among: ahead },
    run_event: { where: 'run = any ($2)', among: keys('run') },
    trace: { where: 'trace = any ($2)', among: keys('trace') },
    photo: { where: 'photo = any ($2)', among: keys('photo') },
  };
  for (const table of tables) await copyRows(from, to, table, shop, since[table.name]);
}

async function assertAlike(
  shop: string,
  tables: readonly ShopTable[],
  from: Connection,
  to: Connection,
): Promise<void> {
  for (const table of tables)
    if ((await sumOf(from, table, shop)) !== (await sumOf(to, table, shop)))
      throw new NotMoved(
        `The rows of ${table.name} did not arrive as they were. Nothing was moved.`,
      );
}

async function assertHolds(move: Move, on: Connection, shop: string, where: string): Promise<void> {
  const [fault] = await faultsIn(move, on, shop);
  if (fault) throw new NotMoved(`The records of shop ${shop} do not hold ${where}: ${fault}`);
}

/** What is wrong with a shop's records and its audit trail there. */
async function faultsIn(
  { keys, files }: Pick<Move, 'keys' | 'files'>,
  on: Connection,
  shop: string,
): Promise<string[]> {
  // Before the tables are looked at: none of these lines can be missing there.
  const outside = outsideOf(keys.folder, shop);
  await on.query(READ_ONLY);
  try {
    await on.query("select set_config('stennet.shop', $1, true)", [shop]);
    const asked = { shop, key: keys.of(shop), number: null, outside, files };
    const { faults, records } = await checkShop(on as Client, asked);
    return [
      ...faults,
      ...records.flatMap((r) => (r.fault && !r.changed ? [`${r.name}: ${r.fault}`] : [])),
    ];
  } finally {
    await on.query('rollback');
  }
}

/** Where they were nothing of them is left but the mark. */
async function tidy(
  { shops, tell }: Move,
  from: Connection,
  tables: readonly ShopTable[],
  people: readonly string[],
): Promise<void> {
  for (const shop of shops) for (const table of tables) await dropRows(from, table, shop);
  await dropPeople(from, people);
  tell('Nothing of them is left where they were but where they have gone.');
}

async function inTransaction<T>(on: Connection, work: () => Promise<T>): Promise<T> {
  await on.query('begin');
  try {
    const result = await work();
    await on.query('commit');
    return result;
  } catch (error) {
    await on.query('rollback');
    throw error;
  }
}
