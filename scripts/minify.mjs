// What the bundler leaves of the app, made small. Each file is minified as a whole: its names are
// then chosen for all modules in it at once, what repeats repeats to the letter and packs smaller,
// and no module is read, traversed and printed once more by itself. node scripts/minify.mjs FILE…
import fs from 'node:fs';
import { availableParallelism } from 'node:os';
import { fileURLToPath } from 'node:url';
import { Worker, isMainThread, workerData } from 'node:worker_threads';
import { minify } from 'terser';

if (isMainThread) {
  // The largest first, dealt out in turn.
  const files = process.argv.slice(2).sort((a, b) => fs.statSync(b).size - fs.statSync(a).size);
  const hands = Math.min(availableParallelism(), files.length);
  for (let hand = 0; hand < hands; hand += 1)
    new Worker(fileURLToPath(import.meta.url), {
      workerData: files.filter((_, i) => i % hands === hand),
    }).on('error', (error) => {
      console.error(error);
      process.exitCode = 1;
    });
} else {
  for (const file of workerData) {
    const { code } = await minify(fs.readFileSync(file, 'utf8'), {
      compress: { reduce_funcs: false },
      mangle: true,
      ecma: 2020,
      // A function in parentheses is compiled along with its file, beside the page; else it is read
      // twice, the second time while the page waits. Nearly every module of the start is needed.
      format: { comments: false, wrap_func_args: true },
    });
    fs.writeFileSync(file, code);
  }
}
