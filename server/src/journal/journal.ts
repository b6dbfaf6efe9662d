import fs from 'node:fs';
import path from 'node:path';
import type { Connection } from '../db/connection';
import type { Journal } from '../db/database';
import { AppError } from '@stennet/core/errors';
import { canonicalJson, GENESIS_HASH, sha256Hex } from '@stennet/core/record';
import { insertJournal, lastOfJournal, lockJournal, takeUnsealed } from '../db/journal';
import type { Keys } from '../keys/keys';

/** What became of one row. digest null: it was taken away. */
export interface Change {
  table: string;
  key: string;
  label: string | null;
  of: string | null;
  digest: string | null;
}

/** One line of a shop's journal: all that one transaction changed. */
export interface Line {
  format: 'stennet-journal';
  v: 1;
  shop: string;
  place: number;
  at: string;
  /** Hash of the line before it. */
  before: string;
  /** Public key that this line and all others of this shop are sealed with. */
  key: string;
  changes: Change[];
}

/**
 * How far a journal has come, signed: kept outside of the database, and wherever else it is taken.
 */
export interface Checkpoint {
  format: 'stennet-checkpoint';
  v: 1;
  shop: string;
  place: number;
  hash: string;
  seal: string;
}

export const checkpointOf = (
  shop: string,
  { place, hash, seal }: { place: number | string; hash: string; seal: string },
): Checkpoint => ({
  format: 'stennet-checkpoint',
  v: 1,
  shop,
  place: Number(place),
  hash,
  seal,
});

export function journalOf(keys: Keys, now: () => Date): Journal {
  return {
    seal: async (client) => {
      const sealed = await sealChanges(client, keys, now());
      return () => sealed.forEach((c) => keepOutside(keys.folder, c));
    },
  };
}

/** More rows than that go into several lines. */
const ROWS_IN_LINE = 5000;

async function sealChanges(client: Connection, keys: Keys, now: Date): Promise<Checkpoint[]> {
  const rows = await takeUnsealed(client);
  const byShop = new Map<string, Map<string, Change>>();
  for (const { shop, ...change } of rows) {
    const own = byShop.get(shop) ?? new Map<string, Change>();
    byShop.set(shop, own.set(`${change.table} ${change.key}`, change));
  }
  const sealed: Checkpoint[] = [];
  for (const [shop, changes] of byShop)
    sealed.push(...(await writeLines(client, keys, { shop, now, changes: [...changes.values()] })));
  return sealed;
}

/**
 * Only one at a time writes in a shop's journal; it has it until its transaction ends.
 * @throws AppError KEY_MISSING, KEY_CHANGED
 */
export async function writeLines(
  client: Connection,
  keys: Keys,
  { shop, now, changes }: { shop: string; now: Date; changes: readonly Change[] },
): Promise<Checkpoint[]> {
  await lockJournal(client, shop);
  const [last] = await lastOfJournal(client);
  const key = last ? keys.of(shop) : keys.make(shop);
  if (last && (JSON.parse(last.body) as Line).key !== key.publicKey)
    throw new AppError('KEY_CHANGED');
  let [place, before] = [Number(last?.place ?? 0), last?.hash ?? GENESIS_HASH];
  const sealed: Checkpoint[] = [];
  for (let from = 0; from < changes.length; from += ROWS_IN_LINE) {
    place += 1;
    const line: Line = {
      format: 'stennet-journal',
      v: 1,
      shop,
      place,
      at: now.toISOString(),
      before,
      key: key.publicKey,
      changes: changes.slice(from, from + ROWS_IN_LINE),
    };
    const body = canonicalJson(line);
    const hash = sha256Hex(body);
    const seal = key.sign(hash);
    await insertJournal(client, shop, place, body, hash, seal);
    sealed.push(checkpointOf(shop, { place, hash, seal }));
    before = hash;
  }
  return sealed;
}

const fileOf = (folder: string, shop: string): string => path.join(folder, `${shop}.journal`);

/** Made by root for a server that is not: it belongs to the folder's owner. */
function giveAway(file: string): void {
  const { uid, gid } = fs.statSync(path.dirname(file));
  if (process.getuid?.() === 0) fs.chownSync(file, uid, gid);
}

/**
 * A line more. What cannot be written (no room) is made up for by the next one: each covers all
 * before it.
 */
export function keepOutside(folder: string, checkpoint: Checkpoint): void {
  const file = fileOf(folder, checkpoint.shop);
  try {
    fs.appendFileSync(file, `${JSON.stringify(checkpoint)}\n`, { mode: 0o600 });
    giveAway(file);
  } catch (error) {
    console.error(
      `The journal’s checkpoint could not be written outside of the database: ${(error as Error).message}`,
    );
  }
}

/**
 * Checkpoints that are kept outside of the database; one that was cut off in the middle is none.
 */
export function checkpointsIn(text: string): Checkpoint[] {
  return text.split('\n').flatMap((line) => {
    try {
      const read = JSON.parse(line) as Checkpoint;
      return read.format === 'stennet-checkpoint' ? [read] : [];
    } catch {
      return [];
    }
  });
}

export function outsideOf(folder: string, shop: string): Checkpoint[] {
  const file = fileOf(folder, shop);
  return fs.existsSync(file) ? checkpointsIn(fs.readFileSync(file, 'utf8')) : [];
}

/** Before anybody serves: the last one alone says as much as all of them. */
export function shortenOutside(folder: string, shop: string): void {
  const last = outsideOf(folder, shop).at(-1);
  if (!last) return;
  const [file, half] = [fileOf(folder, shop), `${fileOf(folder, shop)}.making`];
  fs.writeFileSync(half, `${JSON.stringify(last)}\n`, { mode: 0o600 });
  giveAway(half);
  fs.renameSync(half, file);
}

/** Data that are begun again: what is known of earlier ones says nothing about them. */
export const forgetOutside = (folder: string, shop: string): void =>
  fs.rmSync(fileOf(folder, shop), { force: true });
