import { faultText } from '@stennet/core/record';
import type { Client } from '../db/database';
import { listRunsByNumber } from '../db/runs';
import { shelfOf, type Files, type Shelf } from '../files/files';
import type { ShopKey } from '../keys/keys';
import { faultIn, keptRecord } from '../record/readRecord';
import type { Checkpoint } from './journal';
import { journalFaults } from './verifyJournal';

/** One record, from its first entry to its last signature. */
export interface Checked {
  name: string;
  entries: number;
  signed: number;
  key: string;
  fault: string | null;
  /** Holds, but the repair order was changed after it was signed. */
  changed?: boolean;
}

export interface ShopChecked {
  records: Checked[];
  /** What is wrong with the journal, or was done past it. */
  faults: string[];
}

/**
 * @param asked number: of a repair order, null: all that there is; outside: checkpoints from
 * outside of the database
 */
export async function checkShop(
  client: Client,
  asked: {
    shop: string;
    key: ShopKey;
    number: string | null;
    outside: readonly Checkpoint[];
    files: Files | null;
  },
): Promise<ShopChecked> {
  return {
    faults: await journalFaults(client, asked),
    records: await checkRecords(client, asked, shelfOf(asked.files, asked.shop)),
  };
}

async function checkRecords(
  client: Client,
  { number, key }: { number: string | null; key: ShopKey },
  shelf: Shelf | null,
): Promise<Checked[]> {
  const checked: Checked[] = [];
  for (const { run } of await listRunsByNumber(client, number)) {
    checked.push(await checkRecord(client, shelf, run, key));
  }
  return checked;
}

async function checkRecord(
  client: Client,
  shelf: Shelf | null,
  run: string,
  key: ShopKey,
): Promise<Checked> {
  const kept = await keptRecord(client, shelf, run).catch((error: unknown) => {
    // What is no JSON any more.
    if (error instanceof SyntaxError) return null;
    throw error;
  });
  if (!kept)
    return {
      name: `run ${run}`,
      entries: 0,
      signed: 0,
      key: key.fingerprint,
      fault: 'Its entries or its sheet can’t be read.',
    };
  const fault = faultIn(kept, key);
  const name = `RO ${kept.row.number}, ${kept.name}`;
  return {
    name,
    entries: kept.chain.length,
    signed: kept.words.length,
    key: key.fingerprint,
    fault: fault && faultText(fault),
    changed: fault?.where === 'order',
  };
}
