import pg from 'pg';
import { AppError } from '@stennet/core/errors';
import { PooledClient, type Connection } from './connection';
import * as v from 'valibot';
import { rowsOf, time } from './statement';
import listServersSql from './queries/listServers.sql';
import enterShopSql from './queries/enterShop.sql';
import notifyHint from './queries/notifyHint.sql';
import readStanding from './queries/readStanding.sql';
import replicaLag from './queries/replicaLag.sql';
import roleDangers from './queries/roleDangers.sql';

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

export interface Database {
  /**
   * One transaction in which only this shop's rows exist. Rolled back when the work throws.
   * @param topic what the shop's browsers hear of once it is kept
   */
  inShop<T>(
    shop: string,
    work: (client: Client) => Promise<T>,
    topic?: () => string | null,
  ): Promise<T>;
  /**
   * The same for views that only read and may be a moment old: on the replica where there is one,
   * else here.
   */
  readInShop<T>(shop: string, work: (client: Client) => Promise<T>): Promise<T>;
  /** A single statement that says itself which shop it is in. */
  alone<T>(work: (client: Client) => Promise<T>): Promise<T>;
  /** One of several cells. */
  isCell: boolean;
  /** Before signing in: no shop, only the functions of the door. */
  atDoor<T>(work: (client: Client) => Promise<T>): Promise<T>;
  isUp(): Promise<boolean>;
  /** How it stands, for who looks after it. @throws where the database is away */
  standing(): Promise<Standing>;
  close(): Promise<void>;
}

/** Seconds; null where there is no replica, or nothing is archived. */
export interface Standing {
  connections: number;
  waiting: number;
  replicaLagS: number | null;
  archiveAgeS: number | null;
  archiveFails: boolean;
  /** That are connected to this database, by name. */
  servers: { name: string; startedAt: string }[];
}

// A date stays the day it is, whatever the server's own zone.
pg.types.setTypeParser(pg.types.builtins.DATE, (text) => text);

type InShop = Database['inShop'];

/** @param journal what is changed is sealed there; null: nothing may be written */
/** The shop is in another cell now. */
export class Moved extends Error {
  constructor(readonly cell: string) {
    super(`the shop has moved to cell ${cell}`);
  }
}

/** As it was at one moment: a shop that is checked goes on working. */
export const READ_ONLY = 'begin isolation level repeatable read read only';

const listServers = rowsOf(listServersSql, v.object({ name: v.string(), startedAt: time }));
/** By it servers are told from whatever else is connected. */
export const applicationOf = (server: string): string => `stennet ${server}`;

const enterShop = rowsOf(enterShopSql, v.object({ cell: v.nullable(v.string()) }));

/** From here on only this shop's rows exist. @throws Moved */
async function enter(client: Client, shop: string, isCell: boolean): Promise<void> {
  if (!isCell || shop === '')
    return void (await client.query("select set_config('stennet.shop', $1, true)", [shop]));
  const [entered] = await enterShop(client, shop);
  if (entered?.cell) throw new Moved(entered.cell);
}

/** A connection of the pool while the work lasts. @throws AppError OFFLINE where there is none */
async function onConnection<T>(
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

function transactionsOn(pool: pg.Pool, journal: Journal | null, isCell: boolean): InShop {
  // A connection that dies while idle is replaced at its next use
  pool.on('error', () => undefined);
  return (shop, work, topic) =>
    onConnection(pool, async (client, giveUp) => {
      try {
        // Said one after the other, waited for together: each wait is a way there and back.
        const begun = client.query(journal ? 'begin' : READ_ONLY);
        const entered = Promise.all([begun, enter(client, shop, isCell)]);
        entered.catch(() => undefined);
        // Only in a cell does it matter what the answer is: the shop may have moved.
        if (isCell) await entered;
        const result = await work(client);
        await entered;
        const heard = told(client, shop, topic);
        const sealed = await journal?.seal(client);
        const [done] = await Promise.all([client.query('commit'), sealed?.written, heard]);
        // Something before it had failed, and nobody said so: nothing of it was kept.
        if (done.command !== 'COMMIT') throw new AppError('INTERNAL');
        sealed?.committed();
        return result;
      } catch (error) {
        await client.query('rollback').catch(giveUp);
        throw error;
      }
    });
}

/** What others are told when this is committed, on its way. */
function told(client: Client, shop: string, topic?: () => string | null): Promise<unknown> | null {
  const what = topic?.();
  if (!what) return null;
  const heard = client.query(notifyHint, [`${shop} ${what}`]);
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

interface Options {
  /** Of a streaming replica, where there is one: history and calendars are read there. */
  replica?: string | undefined;
  /** Behind a pooler in transaction mode that keeps no prepared statements. */
  isPooled?: boolean;
  /** What this server is called among those of its database. */
  server?: string;
  /** One of several: shops move between them. */
  isCell?: boolean;
}

export function openDatabase(
  connectionString: string,
  journal: Journal | null,
  { replica, isPooled = false, isCell = false, server = 'alone' }: Options = {},
): Database {
  const driver = {
    pipeline: true,
    application_name: applicationOf(server),
    ...(isPooled ? { Client: PooledClient } : {}),
  };
  const pool = new pg.Pool({
    connectionString,
    max: 10,
    connectionTimeoutMillis: 5000,
    ...driver,
  });
  const inShop = transactionsOn(pool, journal, isCell);
  const copy = replica
    ? new pg.Pool({
        connectionString: replica,
        max: 10,
        connectionTimeoutMillis: 1000,
        ...driver,
      })
    : null;
  return {
    inShop,
    isCell,
    alone: (work) => onConnection(pool, work),
    readInShop: copy ? withFallback(transactionsOn(copy, null, isCell), inShop) : inShop,
    atDoor: (work) => inShop('', work),
    isUp: () =>
      pool.query('select 1').then(
        () => true,
        () => false,
      ),
    standing: async () => {
      const [archive, lag, servers] = await Promise.all([
        pool.query<{ archive_age_s: number | null; archive_fails: number | null }>(readStanding),
        copy?.query<{ lag_s: number }>(replicaLag).catch(() => null),
        onConnection(pool, (client) => listServers(client)),
      ]);
      return {
        connections: pool.totalCount,
        waiting: pool.waitingCount,
        replicaLagS: lag?.rows[0]?.lag_s ?? null,
        archiveAgeS: archive.rows[0]?.archive_age_s ?? null,
        archiveFails: archive.rows[0]?.archive_fails === 1,
        servers,
      };
    },
    close: () => Promise.all([pool.end(), copy?.end()]).then(() => undefined),
  };
}

/** How long a replica that failed is left alone. */
const LEFT_ALONE_MS = 10_000;

/**
 * Reads from the replica; where it is away, still starting or broke off (a statement it had to give
 * up for what the primary sent counts too), the same work is done on the primary. What the work
 * itself refuses is an answer and stays one.
 */
function withFallback(replica: InShop, primary: InShop): InShop {
  let awayUntil = 0;
  return async (shop, work) => {
    if (performance.now() < awayUntil) return primary(shop, work);
    try {
      return await replica(shop, work);
    } catch (error) {
      if (error instanceof Moved) throw error;
      if (error instanceof AppError && error.code !== 'OFFLINE') throw error;
      awayUntil = performance.now() + LEFT_ALONE_MS;
      return primary(shop, work);
    }
  };
}

export class HarmfulRole extends Error {}

/** The server does not start on a role that could see past row-level security. */
export async function assertHarmlessRole(connectionString: string): Promise<void> {
  const client = new pg.Client({ connectionString });
  await client.connect();
  try {
    const { rows } = await client.query<{ superuser: boolean; bypasses: boolean; owns: boolean }>(
      roleDangers,
    );
    const found = rows[0];
    if (!found || found.superuser || found.bypasses || found.owns) {
      throw new HarmfulRole(
        'The database role that the server is given is a superuser, bypasses row-level security or owns tables. ' +
          'Give the server a role that only has what the migrations grant to stennet_app.',
      );
    }
  } finally {
    await client.end();
  }
}

/** What a unique index refused, by its name. */
export function brokenConstraint(error: unknown): string | undefined {
  return error instanceof pg.DatabaseError && error.code === '23505' ? error.constraint : undefined;
}

/** The first row, or a refusal. */
export function onlyRow<T>(rows: T[], missing: AppError): T {
  const row = rows[0];
  if (!row) throw missing;
  return row;
}
