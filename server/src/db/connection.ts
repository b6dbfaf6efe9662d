import pg from 'pg';

/** What statements run on: a pool's client or a connection of its own. */
export type Connection = pg.ClientBase;
/** What PostgreSQL refused, with its code. */
export { DatabaseError } from 'pg';

/** A connection of its own while the work lasts: the commands' way, not the server's. */
export async function connected<T>(
  url: string,
  work: (client: Connection) => Promise<T>,
): Promise<T> {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  try {
    return await work(client);
  } finally {
    await client.end();
  }
}
