import fs from 'node:fs';
import * as v from 'valibot';
import { UuidSchema } from '@stennet/core/contract';
import { moveShops } from './cells/moveShop';
import { openFiles } from './files/openFiles';
import { keysIn } from './keys/keys';

// `./stennet move-shop`: node move.js SHOP,SHOP… FROM TO, with CELLS_FILE and KEY_DIR. The file has
// each cell’s database by a superuser's address, and that of the directory.
const CellsFile = v.intersect([
  v.object({ directory: v.string() }),
  v.record(v.string(), v.string()),
]);

const env = (name: string): string => {
  const value = process.env[name];
  if (!value) throw new Error(`${name} is not set`);
  return value;
};

async function main(): Promise<void> {
  const [named = '', from = '', to = ''] = process.argv.slice(2);
  const shops = named.split(',');
  const wrong = shops.find((shop) => !v.is(UuidSchema, shop));
  if (wrong !== undefined) throw new Error(`“${wrong}” is no shop’s id.`);
  const cells = v.parse(CellsFile, JSON.parse(fs.readFileSync(env('CELLS_FILE'), 'utf8')));
  const addressOf = (cell: string): string => {
    const address = cells[cell];
    if (!address || cell === 'directory')
      throw new Error(
        `CELLS_FILE knows no cell “${cell}”. It has: ${Object.keys(cells)
          .filter((name) => name !== 'directory')
          .join(', ')}`,
      );
    return address;
  };
  if (from === to) throw new Error('The shop is to go to another cell than it is in.');
  await moveShops({
    shops,
    from: addressOf(from),
    to: addressOf(to),
    cell: to,
    directory: cells.directory,
    keys: keysIn(env('KEY_DIR')),
    files: openFiles(process.env),
    tell: (what) => console.log(what),
  });
}

main().catch((error: unknown) => {
  console.error(error instanceof Error ? error.message : error);
  process.exit(1);
});
