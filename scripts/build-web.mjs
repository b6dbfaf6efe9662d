// The web app: icons, Expo export, service worker, precompressed files. Skipped when nothing it
// reads has changed.
import fs from 'node:fs';
import { buildSync } from 'esbuild';
import path from 'node:path';
import { quietly, Refusal, root, sourcesHash } from './install.mjs';

export function buildWeb() {
  const dist = path.join(root, 'app/dist');
  const mark = path.join(root, 'app/dist/.built-from');
  const hash = sourcesHash(
    'app',
    'core/src',
    'package-lock.json',
    'scripts/build-web.mjs',
    'scripts/build-sw.mjs',
    'scripts/minify.mjs',
    'scripts/generate-assets.mjs',
  );
  if (fs.existsSync(mark) && fs.readFileSync(mark, 'utf8') === hash) return dist;
  console.log('Building the web app; the first time takes a minute or two …');
  fs.rmSync(dist, { recursive: true, force: true });
  shakeValibot();
  exportWeb('app', dist);
  buildWorkers(path.join(dist, 'workers'));
  quietly(process.execPath, [path.join(root, 'scripts/build-sw.mjs'), dist]);
  fs.writeFileSync(mark, hash);
  return dist;
}

/** What the page itself names: it is here before anything is shown. */
export const firstScripts = (dist) =>
  [
    ...fs
      .readFileSync(path.join(dist, 'index.html'), 'utf8')
      .matchAll(/<script src="\/([^"]+\.js)"/g),
  ].map(([, file]) => path.join(dist, file));

/** What Expo makes of a folder for the web, as small as it can be. */
export function exportWeb(folder, dist) {
  const expo = path.join(root, 'node_modules/expo/bin/cli');
  const args = ['--platform', 'web', '--max-workers', '2', '--no-minify', '--output-dir', dist];
  quietly(process.execPath, [expo, 'export', ...args], {
    cwd: path.join(root, folder),
    env: {
      CI: '1',
      EXPO_NO_TELEMETRY: '1',
      EXPO_OFFLINE: '1',
      EXPO_UNSTABLE_METRO_OPTIMIZE_GRAPH: '1',
      EXPO_UNSTABLE_TREE_SHAKING: '1',
      NODE_ENV: 'production',
    },
  });
  // Another build that ran at the same time has taken it away.
  if (firstScripts(dist).length === 0)
    throw new Refusal('The web app was not built whole. Start again.');
  const built = path.join(dist, '_expo/static/js');
  const scripts = fs
    .readdirSync(built, { recursive: true })
    .filter((file) => file.endsWith('.js'))
    .map((file) => path.join(built, file));
  quietly(process.execPath, [path.join(root, 'scripts/minify.mjs'), ...scripts]);
}

/** Metro drops workers where it shakes trees: each is bundled by itself. */
function buildWorkers(outdir) {
  const folder = path.join(root, 'app/src/workers');
  buildSync({
    entryPoints: fs
      .readdirSync(folder)
      .filter((file) => file.endsWith('.worker.ts'))
      .map((file) => ({ in: path.join(folder, file), out: file.replace('.worker.ts', '') })),
    outdir,
    bundle: true,
    minify: true,
    format: 'iife',
    target: 'es2020',
    platform: 'browser',
    alias: { '@': path.join(root, 'app/src') },
  });
  fs.copyFileSync(
    path.join(root, 'node_modules/zxing-wasm/dist/reader/zxing_reader.wasm'),
    path.join(outdir, 'zxing_reader.wasm'),
  );
  // What reads a photographed page: its own worker, its engine and its English.
  const reading = path.join(outdir, 'reading');
  fs.mkdirSync(reading, { recursive: true });
  for (const file of [
    'tesseract.js/dist/worker.min.js',
    'tesseract.js-core/tesseract-core-simd-lstm.wasm.js',
    '@tesseract.js-data/eng/4.0.0_best_int/eng.traineddata.gz',
  ])
    fs.copyFileSync(path.join(root, 'node_modules', file), path.join(reading, path.basename(file)));
  // The fonts that a PDF may name without bringing them along.
  fs.cpSync(path.join(root, 'node_modules/pdfjs-dist/standard_fonts'), path.join(outdir, 'fonts'), {
    recursive: true,
  });
}

/**
 * Metro keeps a package whole where it is imported as a namespace; of Valibot a tenth is used. What
 * the sources name of it is bundled here, and Metro is pointed there (app/metro.config.js).
 */
function shakeValibot() {
  // What the forms' resolver calls.
  const names = new Set(['getDotPath', 'safeParseAsync']);
  const read = (folder) => {
    for (const entry of fs.readdirSync(folder, { withFileTypes: true })) {
      const full = path.join(folder, entry.name);
      if (entry.isDirectory()) read(full);
      else if (/(?<!\.test)\.tsx?$/.test(entry.name))
        for (const [, name] of fs.readFileSync(full, 'utf8').matchAll(/\bv\.(\w+)/g))
          names.add(name);
    }
  };
  for (const folder of ['core/src', 'app/src']) read(path.join(root, folder));
  const known = buildSync({
    stdin: { contents: `export * from 'valibot'`, resolveDir: root },
    bundle: true,
    format: 'esm',
    write: false,
    metafile: true,
  });
  const exported = new Set(Object.values(known.metafile.outputs)[0].exports);
  const used = [...names].filter((name) => exported.has(name));
  buildSync({
    stdin: { contents: `export { ${used.join(', ')} } from 'valibot';`, resolveDir: root },
    bundle: true,
    format: 'esm',
    outfile: path.join(root, 'app/.shaken/valibot.js'),
  });
}

if (process.argv[1] === new URL(import.meta.url).pathname) buildWeb();
