import fs from 'node:fs';
import path from 'node:path';
import type { Connection } from '../db/connection';
import type { Journal } from '../db/database';
import { AppError } from '@stennet/core/errors';
import { canonicalJson, GENESIS_HASH, sha256Hex } from '@stennet/core/record';
import { insertJournal, takeUnsealed, type Change } from '../db/journal';
import type { Keys } from '../keys/keys';

export type { Change } from '../db/journal';

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
      const sealed: Checkpoint[] = [];
      const written: Promise<unknown>[] = [];
      for (const { shop, changes, place, hash, key } of await takeUnsealed(client)) {
        const last = place && hash && key ? { place: Number(place), hash, key } : null;
        const lines = linesOf(keys, { shop, now: now(), changes: latest(changes), last });
        for (const line of lines) written.push(insertLine(client, line));
        sealed.push(
          ...lines.map(({ place: at, ...line }) => checkpointOf(shop, { place: at, ...line })),
        );
      }
      const all = Promise.all(written);
      // Waited for with the commit.
      all.catch(() => undefined);
      return {
        written: all,
        committed: () => sealed.forEach((c) => keepOutside(keys.folder, c)),
      };
    },
  };
}

/** Of a row that was changed several times, what it came to. */
const latest = (changes: readonly Change[]): Change[] => [
  ...new Map(changes.map((c) => [`${c.table} ${c.key}`, c])).values(),
];

/** Where a journal ends. */
interface End {
  place: number;
  hash: string;
  key: string;
}

interface SealedLine {
  shop: string;
  place: number;
  body: string;
  hash: string;
  seal: string;
}

/** More rows than that go into several lines. */
const ROWS_IN_LINE = 5000;

/** @throws AppError KEY_MISSING, KEY_CHANGED */
export function linesOf(
  keys: Keys,
  {
    shop,
    now,
    changes,
    last,
  }: { shop: string; now: Date; changes: readonly Change[]; last: End | null },
): SealedLine[] {
  const key = last ? keys.of(shop) : keys.make(shop);
  if (last && last.key !== key.publicKey) throw new AppError('KEY_CHANGED');
  let [place, before] = [last?.place ?? 0, last?.hash ?? GENESIS_HASH];
  const lines: SealedLine[] = [];
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
    lines.push({ shop, place, body, hash, seal: key.sign(hash) });
    before = hash;
  }
  return lines;
}

export const insertLine = (
  client: Connection,
  { shop, place, body, hash, seal }: SealedLine,
): Promise<void> => insertJournal(client, shop, place, body, hash, seal);

const fileOf = (folder: string, shop: string): string => path.join(folder, `${shop}.journal`);

/** Made by root for a server that is not: it belongs to the folder's owner. */
function giveAway(file: string): void {
  if (process.getuid?.() !== 0) return;
  const { uid, gid } = fs.statSync(path.dirname(file));
  fs.chownSync(file, uid, gid);
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
