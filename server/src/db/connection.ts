import type { Writable } from 'node:stream';
import pg from 'pg';

/** What statements run on: a pool's client or a connection of its own. */
export type Connection = pg.ClientBase;
/** What PostgreSQL refused, with its code. */
export { DatabaseError } from 'pg';

type Query = (...all: unknown[]) => unknown;

/**
 * What is asked without waiting in between leaves in one piece: each write to a socket is a call of
 * the system, and those were half of what a confirmation cost here.
 */
export class GatheringClient extends pg.Client {
  private isGathering = false;
  // The driver has many forms of it.
  override query = ((...asked: unknown[]): unknown => {
    this.gather();
    return (pg.Client.prototype.query as Query).apply(this, asked);
  }) as pg.Client['query'];

  protected gather(): void {
    if (this.isGathering) return;
    const { stream } = (this as unknown as { connection: { stream: Writable } }).connection;
    this.isGathering = true;
    stream.cork();
    process.nextTick(() => {
      this.isGathering = false;
      stream.uncork();
    });
  }
}

/**
 * Behind a pooler, the next transaction may meet another server process, which has not prepared
 * what this one has: statements go without their names.
 */
export class PooledClient extends GatheringClient {
  override query = ((first: unknown, ...rest: unknown[]): unknown => {
    this.gather();
    const statement = isNamed(first) ? { ...first, name: undefined } : first;
    return (pg.Client.prototype.query as Query).apply(this, [statement, ...rest]);
  }) as pg.Client['query'];
}

/** A plain object; a query that brings its own `submit` is the driver's. */
const isNamed = (statement: unknown): statement is { name?: string; text: string } =>
  typeof statement === 'object' && statement !== null && !('submit' in statement);

/** A connection of its own while the work lasts: the commands' way, not the server's. */
export async function connected<T>(
  url: string,
  work: (client: Connection) => Promise<T>,
): Promise<T> {
  const client = new pg.Client({ connectionString: url, pipeline: true });
  await client.connect();
  try {
    return await work(client);
  } finally {
    await client.end();
  }
}
