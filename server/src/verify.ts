import fs from 'node:fs';
import pg from 'pg';
import { faultText } from '@stennet/core/record';
import { faultOf, readForeign } from './record/foreign';
import { keysIn } from './record/keys';
import { faultIn, keptRecord } from './record/readRecord';

// `./stennet verify FILE|RO`: checks records from their first entry to their last signature, and names the first thing that does not fit.
// node verify.js FILE, or node verify.js --order NUMBER with OWNER_DATABASE_URL and KEY_DIR.
interface Checked {
  name: string;
  entries: number;
  signed: number;
  key: string;
  fault: string | null;
}

function checkFile(file: string): Checked[] {
  return readForeign(fs.readFileSync(file)).map((f) => ({
    name: `RO ${f.order.number}, ${f.joint}, from ${f.shop.name}`,
    entries: f.chain.length,
    signed: f.signatures.length,
    key: f.shop.fingerprint,
    fault: faultOf(f),
  }));
}

async function checkOrder(number: string): Promise<Checked[]> {
  const keys = keysIn(env('KEY_DIR'));
  const client = new pg.Client({ connectionString: env('OWNER_DATABASE_URL') });
  await client.connect();
  try {
    const shops = (await client.query<{ shop: string }>('select shop from shop_ids()')).rows;
    const all: Checked[] = [];
    for (const { shop } of shops) {
      await client.query("select set_config('stennet.shop', $1, false)", [shop]);
      const { rows } = await client.query<{ run: string }>('select run from run_line where shop = current_shop() and number = $1 order by last_at', [number]);
      for (const { run } of rows) {
        const kept = await keptRecord(client as unknown as pg.PoolClient, run);
        const fault = faultIn(kept, keys.of(shop));
        all.push({ name: `RO ${number}, ${kept.name}`, entries: kept.chain.length, signed: kept.words.length, key: keys.of(shop).fingerprint, fault: fault && faultText(fault) });
      }
    }
    return all;
  } finally {
    await client.end();
  }
}

const env = (name: string): string => {
  const value = process.env[name];
  if (!value) throw new Error(`${name} is not set`);
  return value;
};

async function main(): Promise<void> {
  const [first, second] = process.argv.slice(2);
  if (!first) throw new Error('Name a file, or a repair order’s number.');
  const checked = first === '--order' ? await checkOrder(second ?? '') : checkFile(first);
  if (checked.length === 0) throw new Error(`There is no record of RO ${second ?? ''}.`);
  for (const c of checked)
    console.log(`${c.fault ? 'BROKEN' : 'holds '}  ${c.name}: ${c.entries} entries, ${c.signed} signed words, key ${c.key}${c.fault ? `\n        ${c.fault}` : ''}`);
  if (checked.some((c) => c.fault)) process.exit(1);
}

main().catch((error: unknown) => {
  console.error(error instanceof Error ? error.message : error);
  process.exit(2);
});
