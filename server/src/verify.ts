import fs from 'node:fs';
import { AppError } from '@stennet/core/errors';
import { openDatabase } from './db/database';
import { listShops } from './db/shops';
import { faultOf, readForeign } from './record/readForeign';
import { checkShop, type Checked, type ShopChecked } from './journal/checkShop';
import { checkpointsIn, outsideOf, type Checkpoint } from './journal/journal';
import { openFiles } from './files/openFiles';
import { keysIn, type Keys, type ShopKey } from './keys/keys';

// `./stennet verify FILE|RO`: checks records from their first entry to their last signature, and
// names the first thing that does not fit. node verify.js FILE, or node verify.js --order NUMBER or
// --all [WITNESS] with OWNER_DATABASE_URL and KEY_DIR. A database is checked against its journal
// too, and that against the checkpoints outside: those in KEY_DIR, and a witness, a file of
// checkpoints that was taken elsewhere.
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
async function checkDatabase(
  number: string | null,
  witness: readonly Checkpoint[],
): Promise<ShopChecked> {
  const keys = keysIn(env('KEY_DIR'));
  const db = openDatabase(env('OWNER_DATABASE_URL'), null);
  try {
    const shops = await db.atDoor(async (c) => await listShops(c));
    const all: ShopChecked = { records: [], faults: [] };
    for (const { shop } of shops) {
      const key = keyOf(keys, shop);
      if (!key) {
        all.faults.push(`The signing key of shop ${shop} is missing, so nothing can be verified.`);
        continue;
      }
      // Before the tables are looked at: none of these lines can be missing there.
      const outside = [...outsideOf(keys.folder, shop), ...witness];
      const found = await db.inShop(shop, (client) =>
        checkShop(client, {
          shop,
          key,
          number,
          outside,
          files: openFiles(process.env),
        }),
      );
      all.records.push(...found.records);
      all.faults.push(...found.faults);
    }
    return all;
  } finally {
    await db.close();
  }
}

function keyOf(keys: Keys, shop: string): ShopKey | null {
  try {
    return keys.of(shop);
  } catch (error) {
    if (error instanceof AppError) return null;
    throw error;
  }
}

const env = (name: string): string => {
  const value = process.env[name];
  if (!value) throw new Error(`${name} is not set`);
  return value;
};

/** So many sentences of one database are said; the first is what counts. */
const MOST_SAID = 20;

async function main(): Promise<void> {
  const [first, second] = process.argv.slice(2);
  if (!first) throw new Error('Give a file or a repair order number.');
  const number = first === '--order' ? (second ?? '') : null;
  const witness = first === '--all' && second ? checkpointsIn(fs.readFileSync(second, 'utf8')) : [];
  const { records, faults } = first.startsWith('--')
    ? await checkDatabase(number, witness)
    : { records: checkFile(first), faults: [] };
  const broken = records.filter((c) => c.fault && !c.changed);
  if (first === '--all') console.log(`${records.length} records, ${broken.length} broken`);
  else if (records.length === 0) console.error(`No record of RO ${second ?? ''}.`);
  for (const c of records.filter((one) => first !== '--all' || one.fault))
    console.log(
      `${!c.fault ? 'OK    ' : c.changed ? 'CHECK ' : 'BROKEN'}  ${c.name}: ${c.entries} entries, ${c.signed} signatures, key ${c.key}${c.fault ? `\n        ${c.fault}` : ''}`,
    );
  for (const fault of faults.slice(0, MOST_SAID)) console.log(`BROKEN  ${fault}`);
  if (faults.length > MOST_SAID) console.log(`BROKEN  … and ${faults.length - MOST_SAID} more`);
  if (broken.length + faults.length > 0) process.exit(1);
  if (records.length === 0 && first !== '--all') process.exit(2);
}

main().catch((error: unknown) => {
  console.error(error instanceof Error ? error.message : error);
  process.exit(2);
});
