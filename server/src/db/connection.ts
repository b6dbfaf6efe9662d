import pg from 'pg';

/** What statements run on: a pool's client or a connection of its own. */
export type Connection = pg.ClientBase;
/** What PostgreSQL refused, with its code. */
export { DatabaseError } from 'pg';

/**
 * Behind a pooler, the next transaction may meet another server process, which has not prepared
 * what this one has: statements go without their names.
 */
export class PooledClient extends pg.Client {
  // The driver has this many forms of it; here only an object's name matters.
  override query = ((first: unknown, ...rest: unknown[]): unknown => {
    const statement = isNamed(first) ? { ...first, name: undefined } : first;
    return (pg.Client.prototype.query as (...all: unknown[]) => unknown).apply(this, [
      statement,
      ...rest,
    ]);
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
