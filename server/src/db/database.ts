import pg from 'pg';
import { AppError } from '@stennet/core/errors';
import roleDangers from './queries/roleDangers.sql';

export type Client = pg.PoolClient;
export interface Database {
  /** One transaction in which only this shop's rows exist. Rolled back when the work throws. */
  inShop<T>(shop: string, work: (client: Client) => Promise<T>): Promise<T>;
  /** Before signing in: no shop, only the functions of the door. */
  atDoor<T>(work: (client: Client) => Promise<T>): Promise<T>;
  isUp(): Promise<boolean>;
  close(): Promise<void>;
}

// A date stays the day it is, whatever the server's own zone.
pg.types.setTypeParser(pg.types.builtins.DATE, (text) => text);

const ignore = (): void => undefined;

export function openDatabase(connectionString: string): Database {
  const pool = new pg.Pool({ connectionString, max: 10, connectionTimeoutMillis: 5000 });
  pool.on('error', () => undefined); // a connection that dies while idle is replaced at its next use

  async function transaction<T>(shop: string, work: (client: Client) => Promise<T>): Promise<T> {
    const client = await pool.connect();
    // A connection that dies while it is used fails its query; said a second time as an event it must not end the process.
    client.on('error', ignore);
    let broken = false;
    try {
      await client.query('begin');
      await client.query("select set_config('stennet.shop', $1, true)", [shop]);
      const result = await work(client);
      await client.query('commit');
      return result;
    } catch (error) {
      await client.query('rollback').catch(() => (broken = true));
      throw error;
    } finally {
      client.off('error', ignore);
      client.release(broken);
    }
  }

  return {
    inShop: transaction,
    atDoor: (work) => transaction('', work),
    isUp: () =>
      pool.query('select 1').then(
        () => true,
        () => false,
      ),
    close: () => pool.end(),
  };
}

/** The server does not start on a role that could see past row-level security. */
export async function assertHarmlessRole(connectionString: string): Promise<void> {
  const client = new pg.Client({ connectionString });
  await client.connect();
  try {
    const { rows } = await client.query<{ superuser: boolean; bypasses: boolean; owns: boolean }>(roleDangers);
    const found = rows[0];
    if (!found || found.superuser || found.bypasses || found.owns) {
      throw new Error(
        'The database role of DATABASE_URL is a superuser, bypasses row-level security or owns tables. ' +
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
