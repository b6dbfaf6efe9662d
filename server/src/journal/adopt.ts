import type { Connection } from '../db/connection';
import { listShops } from '../db/shops';
import { lastOfJournal } from '../db/journal';
import type { Keys } from '../keys/keys';
import { keyFile } from '../keys/keys';
import { GUARDED, keyText, sealedText, type Guarded } from './guarded';
import {
  checkpointOf,
  insertLine,
  keepOutside,
  linesOf,
  outsideOf,
  shortenOutside,
  type Change,
  type Checkpoint,
  type Line,
} from './journal';

/**
 * Before anybody serves: a shop from before there were journals gets one that begins with all that
 * it has; of every other shop the key that it is sealed with has to be there.
 * @param owner a connection of the owner of the tables
 */
export async function readyJournals(owner: Connection, keys: Keys, now: () => Date): Promise<void> {
  const shops = (await listShops(owner)).map((r) => r.shop);
  for (const shop of shops) {
    await owner.query('begin');
    await owner.query("select set_config('stennet.shop', $1, true)", [shop]);
    const [last] = await lastOfJournal(owner);
    if (last) assertKey(shop, (JSON.parse(last.body) as Line).key, keys);
    const sealed = last ? [] : await adopt(owner, shop, keys, now());
    await owner.query('commit');
    if (last) shortenOutside(keys.folder, shop);
    for (const checkpoint of sealed) keepOutside(keys.folder, checkpoint);
  }
}

function assertKey(shop: string, publicKey: string, keys: Keys): void {
  const file = keyFile(keys.folder, shop);
  let isTheSame = false;
  try {
    isTheSame = keys.of(shop).publicKey === publicKey;
  } catch {
    throw new Error(
      `Can’t read a shop’s signing key: ${file}. Restore it from a backup, readable by the server’s user. Nothing can be recorded without it.`,
    );
  }
  if (!isTheSame)
    throw new Error(
      `${file} isn’t the key this shop’s records are sealed with. Restore the right one from a backup.`,
    );
}

async function adopt(
  owner: Connection,
  shop: string,
  keys: Keys,
  now: Date,
): Promise<Checkpoint[]> {
  const known = outsideOf(keys.folder, shop).at(-1);
  if (known)
    throw new Error(
      `A shop’s audit trail is empty in the database, but ${known.place} lines of it are known in ${keys.folder}/${shop}.journal: it was removed, or this database doesn’t belong to these keys. Restore a backup.`,
    );
  const changes: Change[] = [];
  for (const guarded of GUARDED) changes.push(...(await rowsOf(owner, guarded)));
  const lines = linesOf(keys, { shop, now, changes, last: null });
  for (const line of lines) await insertLine(owner, line);
  return lines.map((line) => checkpointOf(shop, line));
}

async function rowsOf(owner: Connection, guarded: Guarded): Promise<Change[]> {
  const label = guarded.label ? `r."${guarded.label}"::text` : 'null';
  const of = guarded.of ? `r."${guarded.of[0]}"::text` : 'null';
  const { rows } = await owner.query<Omit<Change, 'table'>>(
    `select ${keyText(guarded)} as key, ${label} as label, ${of} as of, encode(sha256(convert_to(${sealedText(guarded)}, 'UTF8')), 'hex') as digest from "${guarded.table}" r where r.shop = current_shop()`,
  );
  return rows.map((r) => ({ table: guarded.table, ...r }));
}
