import { GENESIS_HASH, sha256Hex, traceName } from '@stennet/core/record';
import type { Trace } from '@stennet/core/trace';
import { createHash } from 'node:crypto';
import type { Client } from '../db/database';
import { listJournal } from '../db/journal';
import { photoFile, shelfOf, traceFile, type Files, type Shelf } from '../files/files';
import type { ShopKey } from '../keys/keys';
import { GUARDED, keyText, sealedText, type Guarded } from './guarded';
import type { Change, Checkpoint, Line } from './journal';

const LINES_AT_ONCE = 500;

/**
 * What stands in a shop's tables against what its journal says: lines that do not fit, an end that
 * was cut off, and rows that were changed, added or taken away past the server.
 * @param outside checkpoints from outside of the database: the server's own, and any that was taken
 * elsewhere
 * @param files where photos and curves lie that are not in the tables
 * @returns what is wrong in sentences, the first thing first; empty: nothing
 */
export async function journalFaults(
  client: Client,
  {
    shop,
    key,
    outside,
    files,
  }: { shop: string; key: ShopKey; outside: readonly Checkpoint[]; files: Files | null },
): Promise<string[]> {
  const read = await readJournal(client, shop, key);
  if (read.fault) return [read.fault];
  const end = outsideFault(read.hashes, shop, key, outside);
  if (end) return [end];
  const faults: string[] = [];
  for (const guarded of GUARDED) faults.push(...(await faultsOfTable(client, guarded, read.rows)));
  faults.push(...(await faultsOfContent(client, shelfOf(files, shop))));
  return faults;
}

type Known = Map<string, Change>;

interface Read {
  fault: string | null;
  /** By place, from 1. */
  hashes: string[];
  /** What became of each row in the end. */
  rows: Known;
}

async function readJournal(client: Client, shop: string, key: ShopKey): Promise<Read> {
  const read: Read = { fault: null, hashes: [], rows: new Map() };
  for (;;) {
    const rows = await listJournal(client, read.hashes.length, LINES_AT_ONCE);
    for (const row of rows) {
      const why = lineFault(row, {
        shop,
        key,
        before: read.hashes.at(-1) ?? GENESIS_HASH,
        place: read.hashes.length + 1,
      });
      if (why)
        return {
          ...read,
          fault: `Line ${read.hashes.length + 1} of the audit trail is the first that fails: ${why}.`,
        };
      read.hashes.push(row.hash);
      for (const change of (JSON.parse(row.body) as Line).changes)
        read.rows.set(`${change.table} ${change.key}`, change);
    }
    if (rows.length < LINES_AT_ONCE) return read;
  }
}

function lineFault(
  row: { place: string; body: string; hash: string; seal: string },
  due: { shop: string; key: ShopKey; before: string; place: number },
): string | null {
  if (Number(row.place) !== due.place) return 'a line before it is missing';
  if (sha256Hex(row.body) !== row.hash) return 'its text was changed';
  if (!due.key.fits(row.hash, row.seal)) return 'it lacks the shop’s seal';
  const line = JSON.parse(row.body) as Line;
  if (line.shop !== due.shop || line.place !== due.place) return 'it belongs somewhere else';
  return line.before === due.before ? null : 'it doesn’t follow the line before it';
}

function outsideFault(
  hashes: readonly string[],
  shop: string,
  key: ShopKey,
  outside: readonly Checkpoint[],
): string | null {
  for (const c of outside) {
    if (c.shop !== shop) continue;
    if (!key.fits(c.hash, c.seal))
      return `The checkpoint for line ${c.place} of the audit trail lacks the shop’s seal.`;
    if (c.place > hashes.length)
      return `The audit trail ends at line ${hashes.length}, but a checkpoint names line ${c.place}: the end was cut off, or an old database was restored.`;
    if (hashes[c.place - 1] !== c.hash)
      return `Line ${c.place} of the audit trail differs from its checkpoint.`;
  }
  return null;
}

async function faultsOfTable(client: Client, guarded: Guarded, known: Known): Promise<string[]> {
  const label = guarded.label ? `r."${guarded.label}"::text` : 'null';
  const of = guarded.of ? `r."${guarded.of[0]}"::text` : 'null';
  const { rows } = await client.query<{
    key: string;
    label: string | null;
    of: string | null;
    sealed: string;
  }>(
    `select ${keyText(guarded)} as key, ${label} as label, ${of} as of, ${sealedText(guarded)} as sealed from "${guarded.table}" r where r.shop = current_shop() order by 1`,
  );
  const there = new Set(rows.map((r) => r.key));
  const faults: string[] = [];
  for (const row of rows) {
    const change = known.get(`${guarded.table} ${row.key}`);
    if (!change?.digest)
      faults.push(
        sentence(
          { table: guarded.table, key: row.key, label: row.label, of: row.of, digest: '' },
          known,
          'was added outside the server',
        ),
      );
    else if (change.digest !== sha256Hex(row.sealed))
      faults.push(sentence(change, known, 'was changed outside the server'));
  }
  for (const change of known.values())
    if (change.table === guarded.table && change.digest && !there.has(change.key))
      faults.push(sentence(change, known, 'was removed outside the server'));
  return faults;
}

/** Where it belongs, what it is, and what became of it. */
function sentence(change: Change, known: Known, what: string): string {
  const places: string[] = [];
  for (let at = above(change, known); at; at = above(at, known))
    places.unshift(at.table === 'repair_order' ? `RO ${at.label}` : (at.label ?? at.key));
  const guarded = GUARDED.find((g) => g.table === change.table);
  const name =
    change.table === 'repair_order'
      ? `RO ${change.label}`
      : `${guarded?.what} ${change.label ? `“${change.label}”` : change.key}`;
  return `${[...places, name].join(', ')} ${what}.`;
}

function above({ table, of }: Change, known: Known): Change | undefined {
  const parent = GUARDED.find((g) => g.table === table)?.of?.[1];
  return parent && of ? known.get(`${parent} ${of}`) : undefined;
}

/** Photos and curves are named by the hash of what is in them. */
async function faultsOfContent(client: Client, shelf: Shelf | null): Promise<string[]> {
  const faults: string[] = [];
  for (const { photo } of (
    await client.query<{ photo: string }>(
      'select photo from photo where shop = current_shop() order by 1',
    )
  ).rows) {
    const [row] = (
      await client.query<{ bytes: Buffer | null }>(
        'select bytes from photo where shop = current_shop() and photo = $1',
        [photo],
      )
    ).rows;
    const bytes = row?.bytes ?? (await shelf?.get(photoFile(photo)));
    if (!bytes) faults.push(`photo ${photo} is missing from where files are kept.`);
    else if (createHash('sha256').update(bytes).digest('hex') !== photo)
      faults.push(`photo ${photo} was changed outside the server.`);
  }
  for (const { trace } of (
    await client.query<{ trace: string }>(
      'select trace from trace where shop = current_shop() order by 1',
    )
  ).rows) {
    const [row] = (
      await client.query<{ body: string | null }>(
        'select body from trace where shop = current_shop() and trace = $1',
        [trace],
      )
    ).rows;
    const body = row?.body ?? (await shelf?.get(traceFile(trace)))?.toString('utf8');
    if (body === undefined)
      faults.push(`torque-angle curve ${trace} is missing from where files are kept.`);
    else if (nameOfCurve(body) !== trace)
      faults.push(`torque-angle curve ${trace} was changed outside the server.`);
  }
  return faults;
}

function nameOfCurve(body: string): string | null {
  try {
    return traceName(JSON.parse(body) as Trace);
  } catch {
    return null;
  }
}
