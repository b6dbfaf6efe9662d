import path from 'node:path';
import { readyDirectory } from './db/directory';
import { connected } from './db/connection';
import { readyJournals } from './journal/adopt';
import { guardTables } from './journal/guarded';
import { migrate } from './db/migrate';
import { keysIn } from './keys/keys';
import { seedDemo } from './demo/seedDemo';

// Before the server starts: migrations as the owner of the tables; where asked, the demo world;
// then the journals and their keys are looked at. node prepareDatabase.js MIGRATIONS [DEMO]
async function main(): Promise<void> {
  const url = process.env.OWNER_DATABASE_URL;
  const [migrations, demo] = process.argv.slice(2);
  if (!url || !migrations)
    throw new Error('OWNER_DATABASE_URL and the folder of the migrations are needed');
  const ran = await migrate(url, migrations);
  await connected(url, guardTables);
  if (ran.length > 0) console.log(`migrations run: ${ran.join(', ')}`);
  const now = process.env.STENNET_NOW ? new Date(process.env.STENNET_NOW) : new Date();
  const keys = process.env.KEY_DIR;
  if (!keys) throw new Error('KEY_DIR is needed: what the shops have is sealed');
  if (demo && (await seedDemo(url, demo, now, keysIn(keys)))) console.log('demo data written');
  await connected(url, async (owner) => {
    await readyJournals(owner, keysIn(keys), () => new Date());
    const cell = process.env.CELL;
    const directory = process.env.OWNER_DIRECTORY_URL;
    if (cell && directory)
      await readyDirectory(directory, {
        owner,
        cell,
        folder: path.join(migrations, '../directory'),
      });
  });
}

main().catch((error: unknown) => {
  console.error(error instanceof Error ? error.message : error);
  process.exit(1);
});
