import { gzipSync } from 'node:zlib';
import type { Client, Database } from '../db/database';
import { deleteChain, listDueAway, noteAway } from '../db/records';
import { lockRun } from '../db/runs';
import { findOwnShop } from '../db/shops';
import { recordFile, type Shelf } from '../files/files';
import type { Keys } from '../keys/keys';
import { chainIn } from './chain';
import { faultIn, keptRecord, recordFileOf } from './readRecord';

const AT_ONCE = 100;

export interface PutAway {
  runs: number;
  entries: number;
  /** Runs that stay where they are: their record does not hold. */
  broken: string[];
}

/**
 * Signed runs that were last written before a moment go into record files: the same document that a
 * shop hands out, which verifies on its own. Their list leaves the table; head, signatures, notes
 * and everything that finds them stay. Each run is one transaction; the file is read back before.
 * @param db as the owner of the tables
 */
export async function putAway(
  db: Database,
  shop: string,
  { shelf, keys, before, now }: { shelf: Shelf; keys: Keys; before: Date; now: Date },
): Promise<PutAway> {
  const done: PutAway = { runs: 0, entries: 0, broken: [] };
  for (let from = '00000000-0000-0000-0000-000000000000'; ;) {
    const due = await db.inShop(shop, (client) => listDueAway(client, before, from, AT_ONCE));
    for (const { run } of due) {
      const entries = await db.inShop(shop, (client) =>
        putOneAway(client, { shop, run, shelf, keys, now }),
      );
      if (entries === null) done.broken.push(run);
      else {
        done.runs += 1;
        done.entries += entries;
      }
    }
    const last = due.at(-1);
    if (!last) return done;
    from = last.run;
  }
}

async function putOneAway(
  client: Client,
  {
    shop,
    run,
    shelf,
    keys,
    now,
  }: { shop: string; run: string; shelf: Shelf; keys: Keys; now: Date },
): Promise<number | null> {
  await lockRun(client, run, null);
  const kept = await keptRecord(client, shelf, run);
  const key = keys.of(shop);
  if (faultIn(kept, key)) return null;
  const [named] = await findOwnShop(client);
  const file = recordFileOf(kept, { id: shop, name: named?.name ?? '' }, key);
  const name = recordFile(run);
  await shelf.put(name, gzipSync(JSON.stringify(file)));
  const there = chainIn(await shelf.get(name));
  if (JSON.stringify(there) !== JSON.stringify(file.chain))
    throw new Error(`the record file of run ${run} is not what was written`);
  const hands = kept.events.flatMap((e) =>
    ['pulled', 'passConfirmed', 'roundDone'].includes(e.type) ? [e.person] : [],
  );
  await noteAway(
    client,
    run,
    now,
    kept.chain.map((c) => c.lateMs),
    [...new Set(hands)],
  );
  return deleteChain(client, run);
}
