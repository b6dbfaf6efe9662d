import pg from 'pg';
import { AppError } from '@stennet/core/errors';
import { GatheringClient, PooledClient } from './connection';
import * as v from 'valibot';
import { rowsOf, time } from './statement';
import {
  atOnce,
  inTurn,
  Moved,
  onConnection,
  transactionsOn,
  type AtOnce,
  type Client,
  type InShop,
  type Journal,
} from './transaction';
import listServersSql from './queries/listServers.sql';
import readStanding from './queries/readStanding.sql';
import replicaLag from './queries/replicaLag.sql';
import roleDangers from './queries/roleDangers.sql';

export { Moved, READ_ONLY, type Client, type Journal } from './transaction';

export interface Database {
  /** `topic`: what the shop's browsers hear of once it is kept. */
  inShop: InShop;
  /** What only looks: nothing can be written there, so nothing is sealed. */
  lookInShop: InShop;
  inShopAtOnce: AtOnce;
  /**
   * The same for views that only read and may be a moment old: on the replica where there is one,
   * else here.
   */
  readInShop: InShop;
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

const listServers = rowsOf(listServersSql, v.object({ name: v.string(), startedAt: time }));
/** By it servers are told from whatever else is connected. */
export const applicationOf = (server: string): string => `stennet ${server}`;

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
    Client: isPooled ? PooledClient : GatheringClient,
  };
  const pool = new pg.Pool({
    connectionString,
    max: 10,
    connectionTimeoutMillis: 5000,
    ...driver,
  });
  const inTransaction = transactionsOn(pool, journal, isCell);
  const inShop = inTurn(inTransaction);
  const lookInShop = inTurn(transactionsOn(pool, null, isCell));
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
    lookInShop,
    inShopAtOnce: atOnce(inTransaction),
    isCell,
    alone: (work) => onConnection(pool, work),
    readInShop: copy
      ? withFallback(inTurn(transactionsOn(copy, null, isCell)), lookInShop)
      : lookInShop,
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

/** Someone else has a row that was asked for at once. */
export const isTaken = (error: unknown): boolean =>
  error instanceof pg.DatabaseError && error.code === '55P03';

/** The first row, or a refusal. */
export function onlyRow<T>(rows: T[], missing: AppError): T {
  const row = rows[0];
  if (!row) throw missing;
  return row;
}
