// Bundles the server's programs and the simulated wrench; the server's packages from npm stay
// outside.
import { build } from 'esbuild';
import fs from 'node:fs';
import path from 'node:path';
import { root, sourcesHash } from './install.mjs';
import { sqlStatements } from './sqlStatement.cjs';

// Nothing is written where nothing has changed: other programs may be starting from what is there.
const mark = path.join(root, 'server/dist/.built-from');
const hash = sourcesHash(
  'server/src',
  'core/src',
  'device/src',
  'scripts/build-server.mjs',
  'scripts/sqlStatement.cjs',
  'docs/openapi.json',
  'package-lock.json',
);
if (fs.existsSync(mark) && fs.readFileSync(mark, 'utf8') === hash) process.exit(0);
fs.rmSync(mark, { force: true });

await build({
  absWorkingDir: root,
  entryPoints: [
    'server/src/main.ts',
    'server/src/prepareDatabase.ts',
    'server/src/verify.ts',
    'server/src/putAway.ts',
    'server/src/newShop.ts',
    'server/src/move.ts',
    'server/src/record/foreignWorker.ts',
  ],
  outdir: 'server/dist',
  // Beside each other, whatever folder they come from.
  entryNames: '[name]',
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  plugins: [sqlStatements],
  external: [
    '@node-rs/argon2',
    'aws4fetch',
    'cookie',
    'express',
    'fflate',
    'ics',
    'lru-cache',
    'qrcode',
    'express-static-gzip',
    'compression',
    'helmet',
    'papaparse',
    'pdfkit',
    'pg',
    'pino',
    'pino-http',
    'prom-client',
    'sharp',
  ],
  logLevel: 'warning',
});
await build({
  absWorkingDir: root,
  entryPoints: {
    wrench: 'device/src/main.ts',
    check: 'device/src/checkMain.ts',
    judge: 'device/src/judge.ts',
  },
  outdir: 'device/dist',
  outExtension: { '.js': '.mjs' },
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  logLevel: 'warning',
});

// The contract as a document, served beside the API.
fs.copyFileSync(path.join(root, 'docs/openapi.json'), path.join(root, 'server/dist/openapi.json'));

// What goes on paper is set in the product's own fonts.
const fonts = path.join(root, 'server/dist/fonts');
fs.mkdirSync(fonts, { recursive: true });
for (const [name, from] of [
  ['next-regular', 'atkinson-hyperlegible-next/400Regular/AtkinsonHyperlegibleNext_400Regular'],
  ['next-bold', 'atkinson-hyperlegible-next/700Bold/AtkinsonHyperlegibleNext_700Bold'],
  ['mono-bold', 'atkinson-hyperlegible-mono/700Bold/AtkinsonHyperlegibleMono_700Bold'],
])
  fs.copyFileSync(
    path.join(root, `node_modules/@expo-google-fonts/${from}.ttf`),
    path.join(fonts, `${name}.ttf`),
  );

fs.writeFileSync(mark, hash);
