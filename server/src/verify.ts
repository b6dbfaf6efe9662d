import fs from 'node:fs';
import { faultText } from '@stennet/core/record';
import { openDatabase, type Client } from './db/database';
import listRunsByNumber from './db/queries/listRunsByNumber.sql';
import listShops from './db/queries/listShops.sql';
import { faultOf, readForeign } from './record/readForeign';
import { keysIn, type ShopKey } from './record/keys';
import { faultIn, keptRecord } from './record/readRecord';

// `./stennet verify FILE|RO`: checks records from their first entry to their last signature, and names the first thing that does not fit.
// node verify.js FILE, or node verify.js --order NUMBER or --all with OWNER_DATABASE_URL and KEY_DIR.
interface Checked {
  name: string;
  entries: number;
  signed: number;
  key: string;
  fault: string | null;
  /** Holds, but the repair order was changed after it was signed. */
  changed?: boolean;
}

function checkFile(file: string): Checked[] {
  return readForeign(fs.readFileSync(file)).files.map((f) => ({
    name: `RO ${f.order.number}, ${f.joint}, from ${f.shop.name}`,
    entries: f.chain.length,
    signed: f.signatures.length,
    key: f.shop.fingerprint,
    fault: faultOf(f),
  }));
}

/** @param number of a repair order; null: everything that there is */
async function checkOrder(number: string | null): Promise<Checked[]> {
  const keys = keysIn(env('KEY_DIR'));
  const db = openDatabase(env('OWNER_DATABASE_URL'));
  try {
    const shops = await db.atDoor(async (c) => (await c.query<{ shop: string }>(listShops)).rows);
    const all: Checked[] = [];
    for (const { shop } of shops) all.push(...(await db.inShop(shop, (client) => checkIn(client, number, keys.of(shop)))));
    return all;
  } finally {
    await db.close();
  }
}

async function checkIn(client: Client, number: string | null, key: ShopKey): Promise<Checked[]> {
  const checked: Checked[] = [];
  for (const { run } of (await client.query<{ run: string }>(listRunsByNumber, [number])).rows) {
    const kept = await keptRecord(client, run);
    const fault = faultIn(kept, key);
    const name = `RO ${kept.row.number}, ${kept.name}`;
    checked.push({ name, entries: kept.chain.length, signed: kept.words.length, key: key.fingerprint, fault: fault && faultText(fault), changed: fault?.where === 'order' });
  }
  return checked;
}

const env = (name: string): string => {
  const value = process.env[name];
  if (!value) throw new Error(`${name} is not set`);
  return value;
};

async function main(): Promise<void> {
  const [first, second] = process.argv.slice(2);
  if (!first) throw new Error('Name a file, or a repair order’s number.');
  const checked = first === '--all' ? await checkOrder(null) : first === '--order' ? await checkOrder(second ?? '') : checkFile(first);
  const broken = checked.filter((c) => c.fault && !c.changed);
  if (first === '--all') console.log(`${checked.length} records, ${broken.length} of them broken`);
  else if (checked.length === 0) throw new Error(`There is no record of RO ${second ?? ''}.`);
  for (const c of checked.filter((one) => first !== '--all' || one.fault))
    console.log(
      `${!c.fault ? 'holds ' : c.changed ? 'LOOK  ' : 'BROKEN'}  ${c.name}: ${c.entries} entries, ${c.signed} signed words, key ${c.key}${c.fault ? `\n        ${c.fault}` : ''}`,
    );
  if (broken.length > 0) process.exit(1);
}

main().catch((error: unknown) => {
  console.error(error instanceof Error ? error.message : error);
  process.exit(2);
});
