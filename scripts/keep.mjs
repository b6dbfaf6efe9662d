// Runs for ./stennet start: PostgreSQL first, then migrations, then the server. Either is started
// again when it dies; when this one is killed the server ends by itself, since no one would start
// it again.
import { spawn, spawnSync } from 'node:child_process';
import fs from 'node:fs';
import path from 'node:path';
import { clusterIn, keyFolder } from './cluster.mjs';
import { root } from './install.mjs';
import { ended } from './serving.mjs';
import { setupCode } from './shop.mjs';

const { home, port, host, hosts, web, cert, key, isBehindProxy } = JSON.parse(
  process.argv[2] ?? '{}',
);
const LONGEST_WAIT_MS = 20_000;
const LOOK_EVERY_MS = 1000;
/** Several servers of one database share a folder of keys. */
const keys = process.env.KEY_DIR || keyFolder(home);
const cluster = process.env.DATABASE_URL ? null : clusterIn(home);
let server;
let isEnding = false;
let wait = 500;
/** One that has never served is given up after three tries: someone waits for the start. */
let hasServed = false;
let tries = 0;

async function main() {
  if (cluster) await cluster.start();
  const urls = cluster
    ? cluster.ensureDatabase('stennet')
    : { app: process.env.DATABASE_URL, owner: process.env.OWNER_DATABASE_URL };
  if (!urls.owner)
    throw new Error(
      'With DATABASE_URL also OWNER_DATABASE_URL is needed: migrations run as the owner of the tables.',
    );
  const prepared = spawnSync(
    process.execPath,
    ['server/dist/prepareDatabase.js', 'server/migrations'],
    {
      cwd: root,
      stdio: 'inherit',
      env: { ...process.env, OWNER_DATABASE_URL: urls.owner, KEY_DIR: keys },
    },
  );
  if (prepared.status !== 0) throw new Error('the database could not be prepared; see above');
  serve(urls.app);
  if (cluster) void watch(urls.app);
}

/**
 * PostgreSQL, for as long as this runs. Servers find it again where it was; only where that port is
 * taken by now they are begun again.
 */
async function watch(url) {
  let pause = LOOK_EVERY_MS;
  while (!isEnding) {
    await new Promise((resolve) => setTimeout(resolve, pause));
    if (isEnding || cluster.running()) continue;
    console.error('PostgreSQL stopped; restarting it');
    await cluster.start().catch((error) => console.error(error.message));
    // One that does not start (no room) is tried less and less often, so that the log does not fill
    // what is left.
    pause = cluster.running() ? LOOK_EVERY_MS : Math.min(pause * 2, LONGEST_WAIT_MS);
    if (cluster.running() && cluster.urls('stennet').app !== url) {
      url = cluster.urls('stennet').app;
      server.kill('SIGTERM');
    }
  }
}

function serve(url) {
  const from = Date.now();
  server = spawn(process.execPath, ['server/dist/main.js'], {
    cwd: root,
    stdio: ['pipe', 'inherit', 'inherit'],
    env: {
      ...process.env,
      // The owner of the tables is no one that serves.
      OWNER_DATABASE_URL: undefined,
      KEPT: '1',
      DATABASE_URL: url,
      KEY_DIR: keys,
      PORT: String(port),
      HOST: host,
      HOSTS: hosts,
      WEB_DIR: web,
      SETUP_CODE: setupCode(home),
      ...(cert ? { TLS_CERT: cert, TLS_KEY: key } : {}),
      ...(isBehindProxy ? { TRUST_PROXY: process.env.TRUST_PROXY || '1' } : {}),
      ...(cert || isBehindProxy ? { STENNET_SECURE: '1' } : {}),
    },
  });
  server.once('exit', (exit) => {
    if (isEnding) return;
    hasServed ||= Date.now() - from > 5000;
    tries += 1;
    if (!hasServed && tries >= 3) {
      console.error('the server did not start; see above');
      return void end(1);
    }
    if (Date.now() - from > 60_000) wait = 500;
    console.error(`the server stopped (${exit}); restarting in ${wait} ms`);
    setTimeout(() => isEnding || serve(cluster ? cluster.urls('stennet').app : url), wait);
    wait = Math.min(wait * 2, LONGEST_WAIT_MS);
  });
}

/** The log is cut before it fills the disk; the part before is kept beside it. */
const LONGEST_LOG = 20e6;
function cutLog() {
  const log = path.join(home, 'shop.log');
  if (!fs.existsSync(log) || fs.statSync(log).size < LONGEST_LOG) return;
  fs.copyFileSync(log, `${log}.1`);
  fs.chmodSync(`${log}.1`, 0o600);
  fs.truncateSync(log);
}
setInterval(cutLog, 600_000).unref();

async function end(code = 0) {
  if (isEnding) return;
  isEnding = true;
  if (server) {
    server.kill('SIGTERM');
    await ended(server);
  }
  cluster?.stop();
  process.exit(code);
}

process.on('SIGTERM', () => void end());
process.on('SIGINT', () => void end());
main().catch((error) => {
  console.error(error.message);
  cluster?.stop();
  process.exit(1);
});
