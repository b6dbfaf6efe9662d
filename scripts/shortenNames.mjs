// Names in what is loaded first, chosen over a whole file instead of module by module: what repeats
// then repeats to the letter, and packs a twentieth smaller. node scripts/shortenNames.mjs FILE…
import fs from 'node:fs';
import { fileURLToPath } from 'node:url';
import { Worker, isMainThread, workerData } from 'node:worker_threads';
import { minify } from 'terser';

if (isMainThread) {
  for (const file of process.argv.slice(2))
    new Worker(fileURLToPath(import.meta.url), { workerData: file }).on('error', (error) => {
      console.error(error);
      process.exitCode = 1;
    });
} else {
  const { code } = await minify(fs.readFileSync(workerData, 'utf8'), {
    compress: false,
    mangle: true,
    ecma: 2020,
    format: { comments: false },
  });
  fs.writeFileSync(workerData, code);
}
