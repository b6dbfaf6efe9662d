import { connected } from './db/connection';
import { saveShopCode } from './db/shops';
import { hashOf } from './http/session';
import { makeCode, spokenCode } from './http/spokenCode';

// `./stennet new-shop`: a code for one more shop. node newShop.js, with OWNER_DATABASE_URL. Prints
// the code.
const DAY_MS = 86_400_000;
const VALID_DAYS = 7;

async function main(): Promise<void> {
  const url = process.env.OWNER_DATABASE_URL;
  if (!url) throw new Error('OWNER_DATABASE_URL is not set');
  const code = makeCode();
  const until = new Date(Date.now() + VALID_DAYS * DAY_MS);
  await connected(url, (client) => saveShopCode(client, hashOf(spokenCode(code)), until));
  console.log(code);
}

main().catch((error: unknown) => {
  console.error(error instanceof Error ? error.message : error);
  process.exit(2);
});
