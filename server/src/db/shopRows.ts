import { nameLook } from '@stennet/core/contract';
import type { Connection } from './connection';

/** A table with a shop in its key. */
export interface ShopTable {
  name: string;
  /** Its own columns; what is computed from them is left out. */
  columns: string[];
}

/** What a shop does not take along: what is under way, and where others have gone. */
const STAY = ['unsealed', 'moved_shop', 'moved_feed'];
/** What grows with every pull and is never changed: copied ahead, while the shop goes on. */
export const AHEAD = ['journal', 'run_event', 'trace', 'photo'];

const AT_ONCE = 500;
const quoted = (columns: readonly string[]): string => columns.map((c) => `"${c}"`).join(', ');

/** All tables that have rows of shops, by name. */
export async function shopTables(admin: Connection): Promise<ShopTable[]> {
  const { rows } = await admin.query<ShopTable>(
    `select c.relname as name, (select json_agg(a.attname order by a.attnum) from pg_attribute a
       where a.attrelid = c.oid and a.attnum > 0 and not a.attisdropped and a.attgenerated = '') as columns
     from pg_class c where c.relnamespace = 'public'::regnamespace and c.relkind in ('r', 'p') and c.relname <> all ($1)
       and exists (select 1 from pg_attribute a where a.attrelid = c.oid and a.attname = 'shop')
     order by c.relname`,
    [STAY],
  );
  return rows;
}

/**
 * Rows of one shop from one cluster into another, as they are: no triggers, for they were sealed
 * where they come from. Both connections are a superuser's; `from` is in a transaction.
 * @param where which of the shop's rows, as SQL over them, with $2 for `among`
 * @returns how many
 */
export async function copyRows(
  from: Connection,
  to: Connection,
  { name, columns }: ShopTable,
  shop: string,
  { where = 'true', among }: { where?: string; among?: unknown } = {},
): Promise<number> {
  await from.query(
    `declare moving no scroll cursor for select row_to_json(r)::text as row
     from (select ${quoted(columns)} from "${name}" where shop = $1 and (${where})) r`,
    among === undefined ? [shop] : [shop, among],
  );
  let count = 0;
  for (;;) {
    const { rows } = await from.query<{ row: string }>(`fetch ${AT_ONCE} from moving`);
    if (rows.length === 0) break;
    await to.query(
      `insert into "${name}" (${quoted(columns)}) overriding system value
       select ${quoted(columns)} from json_populate_recordset(null::"${name}", $1::json) on conflict do nothing`,
      [`[${rows.map((r) => r.row).join(',')}]`],
    );
    count += rows.length;
  }
  await from.query('close moving');
  return count;
}

/** How many rows of a shop there are and what they come to: alike on both sides, or not copied. */
export async function sumOf(on: Connection, { name }: ShopTable, shop: string): Promise<string> {
  const { rows } = await on.query<{ sum: string }>(
    `select count(*) || ' ' || coalesce(sum(hashtextextended(r::text, 0)), 0) as sum from "${name}" r where shop = $1`,
    [shop],
  );
  return rows[0]?.sum ?? '';
}

export const dropRows = (on: Connection, { name }: ShopTable, shop: string): Promise<unknown> =>
  on.query(`delete from "${name}" where shop = $1`, [shop]);

/** Statements below run without triggers and without the order that keys ask for. */
export const asReplica = (on: Connection): Promise<unknown> =>
  on.query("set session_replication_role = 'replica'");

/** Transactions of this shop wait until this one ends; those under way are waited for. */
export const holdShop = (on: Connection, shop: string): Promise<unknown> =>
  on.query("select pg_advisory_xact_lock(hashtextextended('shop ' || $1::text, 0))", [shop]);

/** What people sign in with, without which no one of the shop gets in. */
const OF_PEOPLE = ['account', 'known_device', 'reset_code'];
const keyOf = (table: string): string => (table === 'account' ? 'id' : 'account');

export async function copyPeople(
  from: Connection,
  to: Connection,
  people: readonly string[],
): Promise<void> {
  for (const table of OF_PEOPLE) {
    const { rows } = await from.query<{ rows: string }>(
      `select coalesce(json_agg(r), '[]')::text as rows from "${table}" r where ${keyOf(table)} = any ($1)`,
      [people],
    );
    await to.query(`delete from "${table}" where ${keyOf(table)} = any ($1)`, [people]);
    await to.query(
      `insert into "${table}" select * from json_populate_recordset(null::"${table}", $1)`,
      [rows[0]?.rows ?? '[]'],
    );
  }
}

export async function dropPeople(on: Connection, people: readonly string[]): Promise<void> {
  for (const table of [...OF_PEOPLE].reverse())
    await on.query(`delete from "${table}" where ${keyOf(table)} = any ($1)`, [people]);
}

/** Who works in these shops, and whether any of them works in another one too. */
export async function peopleOf(
  on: Connection,
  shops: readonly string[],
): Promise<{ people: string[]; alsoIn: string[] }> {
  const { rows } = await on.query<{ account: string; stays: string | null }>(
    `select m.account, max(o.shop::text) as stays from membership m
     left join membership o on o.account = m.account and o.shop <> all ($1)
     where m.shop = any ($1) group by m.account`,
    [shops],
  );
  return {
    people: rows.map((r) => r.account),
    alsoIn: [...new Set(rows.flatMap((r) => r.stays ?? []))],
  };
}

export async function movedTo(on: Connection, shop: string): Promise<string | null> {
  const { rows } = await on.query<{ cell: string }>('select cell from moved_shop where shop = $1', [
    shop,
  ]);
  return rows[0]?.cell ?? null;
}

/** From when this is committed, whoever comes for the shop is sent on. */
export async function markMoved(on: Connection, shop: string, cell: string): Promise<void> {
  await on.query(
    'insert into moved_shop values ($1, $2, now()) on conflict (shop) do update set cell = $2, at = now()',
    [shop, cell],
  );
  await on.query(
    'insert into moved_feed select token_hash, shop from feed where shop = $1 on conflict do nothing',
    [shop],
  );
  await on.query("select pg_notify('stennet_hint', $1 || ' all')", [shop]);
}

export async function unmarkMoved(on: Connection, shop: string): Promise<void> {
  await on.query('delete from moved_shop where shop = $1', [shop]);
  await on.query('delete from moved_feed where shop = $1', [shop]);
}

/** How far a shop's audit trail goes. */
export async function endOfJournal(on: Connection, shop: string): Promise<number> {
  const { rows } = await on.query<{ place: string | null }>(
    'select max(place) as place from journal where shop = $1',
    [shop],
  );
  return Number(rows[0]?.place ?? 0);
}

/** Lines of a shop's audit trail after one of them. */
export async function journalAfter(on: Connection, shop: string, place: number): Promise<string[]> {
  const { rows } = await on.query<{ body: string }>(
    'select body from journal where shop = $1 and place > $2 order by place',
    [shop, place],
  );
  return rows.map((r) => r.body);
}

export const migrationsOf = async (on: Connection): Promise<string> => {
  const { rows } = await on.query<{ all: string }>(
    "select string_agg(name || ' ' || hash, ',' order by name) as all from migration",
  );
  return rows[0]?.all ?? '';
};

export const isThere = async (on: Connection, shop: string): Promise<boolean> =>
  ((await on.query('select 1 from shop where shop = $1', [shop])).rowCount ?? 0) > 0;

/** Names of these people are looked up in another cell from now on. */
export async function moveNames(
  directory: Connection,
  on: Connection,
  people: readonly string[],
  cell: string,
): Promise<void> {
  const { rows } = await on.query<{ key: string; name: string }>(
    'select name_key as key, name from account where id = any ($1)',
    [people],
  );
  for (const { key, name } of rows)
    await directory.query(
      'insert into account_cell values ($1, $2, $3) on conflict (name_key) do update set cell = $3',
      [key, nameLook(name), cell],
    );
}
