import { dropRoot } from './dropRoot';
import { listShops } from './db/shops';
import { openDatabase } from './db/database';
import { openFiles } from './files/openFiles';
import { shelfOf } from './files/files';
import { journalOf } from './journal/journal';
import { keysIn } from './keys/keys';
import { putAway } from './record/putAway';

// `./stennet put-away`: signed runs go into record files. node putAway.js DAYS, with
// OWNER_DATABASE_URL, KEY_DIR and a place for files (FILES_DIR or FILES_URL).
const DAY_MS = 86_400_000;

const env = (name: string): string => {
  const value = process.env[name];
  if (!value) throw new Error(`${name} is not set`);
  return value;
};

async function main(): Promise<void> {
  const days = Number(process.argv[2]);
  const files = openFiles(process.env);
  if (!files) throw new Error('FILES_DIR or FILES_URL is needed');
  // What it writes the server has to read.
  dropRoot();
  const now = new Date();
  const keys = keysIn(env('KEY_DIR'));
  const db = openDatabase(
    env('OWNER_DATABASE_URL'),
    journalOf(keys, () => now),
  );
  let isBroken = false;
  try {
    for (const { shop } of await db.atDoor((c) => listShops(c))) {
      const shelf = shelfOf(files, shop);
      if (!shelf) continue;
      const before = new Date(now.getTime() - days * DAY_MS);
      const done = await putAway(db, shop, { shelf, keys, before, now });
      console.log(`Shop ${shop}: ${done.runs} runs put away, ${done.entries} entries.`);
      for (const run of done.broken) {
        isBroken = true;
        console.error(
          `Run ${run} stays: its record does not hold. Look at it: ./stennet verify --all`,
        );
      }
    }
  } finally {
    await db.close();
  }
  if (isBroken) process.exit(1);
}

main().catch((error: unknown) => {
  console.error(error instanceof Error ? error.message : error);
  process.exit(2);
});
