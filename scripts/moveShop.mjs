// ./stennet move-shop SHOP --from CELL --to CELL: from one cluster to another while it works.
import { spawnSync } from 'node:child_process';
import fs from 'node:fs';
import { buildServer } from './asOwner.mjs';
import { Refusal, root } from './install.mjs';

export async function moveShop([shops], { from, to }) {
  if (!shops || !from || !to)
    throw new Refusal(
      'Say which shop goes where: ./stennet move-shop SHOP[,SHOP…] --from CELL --to CELL',
    );
  if (!process.env.CELLS_FILE || !fs.existsSync(process.env.CELLS_FILE))
    throw new Refusal(
      'Name a file with the cells’ databases in CELLS_FILE: {"a": "postgres://…", "b": "postgres://…", "directory": "postgres://…"}. docs/SCALING.md says more.',
    );
  if (!process.env.KEY_DIR) throw new Refusal('Name the folder of signing keys in KEY_DIR.');
  buildServer();
  const done = spawnSync(process.execPath, ['server/dist/move.js', shops, from, to], {
    cwd: root,
    stdio: ['ignore', 'inherit', 'inherit'],
  });
  process.exitCode = done.status ?? 1;
}
