import { createHash } from 'node:crypto';
import fs from 'node:fs';
import path from 'node:path';
import pg from 'pg';

/**
 * Runs the plain SQL files of a folder in order, each in a transaction of its own, and records name
 * and hash. A file that has run is never changed: if it was, nothing runs and the file is named.
 */
export async function migrate(ownerUrl: string, folder: string): Promise<string[]> {
  const client = new pg.Client({ connectionString: ownerUrl });
  await client.connect();
  const ran: string[] = [];
  try {
    await client.query('select pg_advisory_lock(7366535)');
    await client.query(
      'create table if not exists migration (name text primary key, hash text not null, at timestamptz not null default now())',
    );
    const { rows } = await client.query<{ name: string; hash: string }>(
      'select name, hash from migration',
    );
    const known = new Map(rows.map((r) => [r.name, r.hash]));
    const names = fs
      .readdirSync(folder)
      .filter((f) => f.endsWith('.sql'))
      .sort();
    const newer = rows.find((r) => !names.includes(r.name));
    if (newer)
      throw new Error(
        `The database was made by a newer version (${newer.name}). Update Stennet; this version does not touch it.`,
      );
    for (const name of names) {
      const text = fs.readFileSync(path.join(folder, name), 'utf8');
      const hash = createHash('sha256').update(text).digest('hex');
      if (known.get(name) === hash) continue;
      if (known.has(name))
        throw new Error(
          `Migration ${name} was changed after it had run. Put it back and write a new one.`,
        );
      await client.query('begin');
      await client.query(text);
      await client.query('insert into migration (name, hash) values ($1, $2)', [name, hash]);
      await client.query('commit');
      ran.push(name);
    }
  } finally {
    await client.end();
  }
  return ran;
}
