// Service worker over the built shell, and brotli/gzip beside every text file. node
// scripts/build-sw.mjs DIST
import fs from 'node:fs';
import path from 'node:path';
import { promisify } from 'node:util';
import zlib from 'node:zlib';
import { generateSW } from 'workbox-build';

const dist = process.argv[2];
// Only the shell is kept here. Data go through the query cache and the outbox, per person and shop.
// A new version waits until the app says that no run is open: code is never swapped under
// someone's hands.
await generateSW({
  globDirectory: dist,
  globPatterns: [
    'index.html',
    '_expo/static/**/*.{js,css}',
    'assets/**/*.{ttf,woff2,png}',
    '*.{svg,webmanifest,png}',
    'fonts/*.woff2',
    'workers/*.{js,wasm}',
  ],
  // What reads a page is for a lead at the desk, with the server at hand.
  globIgnores: ['workers/pages.js', 'workers/reading.js'],
  maximumFileSizeToCacheInBytes: 6 * 1024 * 1024,
  dontCacheBustURLsMatching: /^(_expo\/static|assets)\//,
  swDest: path.join(dist, 'sw.js'),
  inlineWorkboxRuntime: true,
  sourcemap: false,
  mode: 'production',
  navigateFallback: '/index.html',
  navigateFallbackDenylist: [/^\/api\//],
  skipWaiting: false, // the app posts SKIP_WAITING when the person takes the new version
  clientsClaim: true,
  cleanupOutdatedCaches: true,
});

const brotli = promisify(zlib.brotliCompress);
const gzip = promisify(zlib.gzip);
const best = { params: { [zlib.constants.BROTLI_PARAM_QUALITY]: 11 } };

async function compress(name) {
  const file = path.join(dist, name);
  const bytes = fs.readFileSync(file);
  if (bytes.length <= 1024) return;
  fs.writeFileSync(`${file}.br`, await brotli(bytes, best));
  fs.writeFileSync(`${file}.gz`, await gzip(bytes, { level: 9 }));
}
await Promise.all(
  fs
    .readdirSync(dist, { recursive: true })
    .filter((name) => /\.(js|css|html|svg|json|webmanifest)$/.test(name))
    .map(compress),
);
