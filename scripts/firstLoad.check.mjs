// What the web app loads before Today is shown, compressed. A way from Today into core's runs,
// drawings or charts would bring all of them along: screens that need them import `@/ui/work` and
// stand in app/src/workScreens.ts.
import fs from 'node:fs';
import path from 'node:path';
import { firstScripts } from './build-web.mjs';
import { root } from './install.mjs';

// 14 of them are the message library: nothing can be said before it is here.
const MOST_KB = 330;

const dist = path.join(root, 'app/dist');
const scripts = firstScripts(dist);
if (scripts.length === 0) throw new Error('index.html names no script.');
const sizes = scripts.map((file) => [
  file,
  fs.statSync(fs.existsSync(`${file}.br`) ? `${file}.br` : file).size / 1000,
]);
const sum = sizes.reduce((all, [, kb]) => all + kb, 0);
console.log(`${sum.toFixed(0)} kB in ${scripts.length} scripts before Today`);
if (sum > MOST_KB) {
  for (const [file, kb] of sizes) console.log(`${kb.toFixed(1).padStart(8)} kB ${file}`);
  console.error(
    `More than ${MOST_KB} kB: something that only runs, sheets or records need is loaded first.`,
  );
  process.exit(1);
}
