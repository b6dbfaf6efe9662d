import { gunzipSync } from 'node:zlib';
import * as v from 'valibot';
import type { ChainRow } from '@stennet/core/record';
import type { Client } from '../db/database';
import { findAway, listChain } from '../db/records';
import { recordFile, type Shelf } from '../files/files';

/** An entry of a run's list as it was hashed and sealed. */
export interface ListedEntry extends ChainRow {
  /** How long it had lain on the device; null: not said. */
  lateMs: number | null;
}

const AwayFile = v.object({
  chain: v.array(v.object({ body: v.string(), hash: v.string(), seal: v.string() })),
});

/**
 * A run's list: from the table, or from the record file it was put away in. A file that is not
 * there or cannot be read gives no list: then the head of the run says that entries are missing.
 */
export async function chainOf(
  client: Client,
  shelf: Shelf | null,
  run: string,
): Promise<ListedEntry[]> {
  const rows = await listChain(client, run);
  if (rows.length > 0) return rows;
  const [away] = await findAway(client, run);
  if (!away || !shelf) return [];
  const chain = chainIn(await shelf.get(recordFile(run)));
  return chain.map((row, at) => ({ ...row, lateMs: away.late[at] ?? null }));
}

export function chainIn(file: Buffer | null): ChainRow[] {
  if (!file) return [];
  try {
    return v.parse(AwayFile, JSON.parse(gunzipSync(file).toString('utf8'))).chain;
  } catch {
    return [];
  }
}
