// ./stennet start, stop, status: a real shop. The keeper (keep.mjs) runs in the background and
// holds PostgreSQL and the server.
import { spawn } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import fs from 'node:fs';
import path from 'node:path';
import { archiveState } from './archive.mjs';
import { buildWeb } from './build-web.mjs';
import { clusterIn, dataHome } from './cluster.mjs';
import { ensurePostgres, Refusal, root } from './install.mjs';
import {
  assertHome,
  assertPortFree,
  ended,
  healthy,
  isHealthy,
  isOver,
  node,
  portOf,
  publish,
} from './serving.mjs';

export const DATABASE = 'stennet';
const fileIn = (home) => path.join(home, 'shop.json');

/** What runs, as the last start wrote it; null when nothing does. */
export function runningShop(home = dataHome()) {
  try {
    const shop = JSON.parse(fs.readFileSync(fileIn(home), 'utf8'));
    return isProcess(shop.pid, 'keep.mjs') ? shop : null;
  } catch {
    return null;
  }
}

/** A number that a killed one left may belong to another program by now. */
function isProcess(pid, program) {
  try {
    return fs.readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes(program);
  } catch {
    return false;
  }
}

/** Only one start at a time in a folder. @returns what lets the next one in */
function onlyStart(home) {
  const file = path.join(home, 'starting');
  if (fs.existsSync(file) && !isProcess(fs.readFileSync(file, 'utf8'), 'stennet.mjs'))
    fs.rmSync(file, { force: true });
  try {
    fs.writeFileSync(file, String(process.pid), { flag: 'wx', mode: 0o600 });
  } catch (error) {
    if (error.code === 'EEXIST') throw new Refusal('Stennet is already starting. Wait for it.');
    throw error;
  }
  return () => fs.rmSync(file, { force: true });
}

export async function start(options) {
  const home = dataHome();
  assertHome(home);
  const done = onlyStart(home);
  try {
    await startAlone(home, options);
  } finally {
    done();
  }
}

async function startAlone(home, options) {
  const already = runningShop(home);
  if (already)
    throw new Refusal(
      `Stennet is already running at ${already.url}. Stop it first: ./stennet stop`,
    );
  const plan = await planOf(home, options);
  const { host, port, cert } = plan;
  const url = `${cert ? 'https' : 'http'}://${host === '0.0.0.0' ? 'localhost' : host}:${port}`;
  const log = path.join(home, 'shop.log');
  const isInFront = options.foreground === true;
  const out = isInFront ? 'inherit' : fs.openSync(log, 'a', 0o600);
  const keeper = spawn(
    process.execPath,
    [path.join(root, 'scripts/keep.mjs'), JSON.stringify(plan)],
    { cwd: root, detached: !isInFront, stdio: ['ignore', out, out] },
  );
  fs.writeFileSync(
    fileIn(home),
    JSON.stringify({ pid: keeper.pid, url, log, startedAt: new Date().toISOString() }),
    { mode: 0o600 },
  );
  try {
    await healthy(url, () => isOver(keeper));
  } catch {
    // Nothing of a start that failed goes on by itself.
    keeper.kill('SIGTERM');
    await ended(keeper);
    fs.rmSync(fileIn(home), { force: true });
    throw new Refusal(
      isInFront
        ? 'Stennet did not start; see above.'
        : `Stennet did not start. Last lines of ${log}:\n${fs.readFileSync(log, 'utf8').slice(-1500)}`,
    );
  }
  console.log(
    `Stennet is running at ${url}\nSetup code for the first visit: ${setupCode(home)}\nStop it: ./stennet stop. Back it up: ./stennet backup FILE`,
  );
  if (isInFront) await inFront(keeper, home);
  else keeper.unref();
}

/** What the keeper is told; nothing secret, since a list of processes shows it. */
async function planOf(home, options) {
  const port = portOf(options, 4200);
  const {
    host = '127.0.0.1',
    hosts = '',
    'tls-cert': cert,
    'tls-key': key,
    'behind-proxy': isBehindProxy = false,
  } = options;
  if (Boolean(cert) !== Boolean(key)) throw new Refusal('Use --tls-cert and --tls-key together.');
  for (const file of [cert, key])
    if (file && !fs.existsSync(file)) throw new Refusal(`No such file: ${file}`);
  if (host !== '127.0.0.1' && host !== 'localhost' && !cert && !isBehindProxy) {
    console.log(
      'This address is open to the network without encryption. Phones then cannot keep the screen on or start offline. Add --tls-cert and --tls-key, or use a proxy with --behind-proxy.',
    );
  }
  await assertPortFree(port, './stennet start', host);
  if (!process.env.DATABASE_URL) ensurePostgres();
  const web = publish(buildWeb(), home, 'web-shop');
  node(['scripts/build-server.mjs']);
  return {
    home,
    port,
    host,
    hosts,
    web,
    cert: cert && path.resolve(cert),
    key: key && path.resolve(key),
    isBehindProxy,
  };
}

/**
 * For a supervisor of the system, such as systemd: this one ends when the keeper does, and takes it
 * along.
 */
async function inFront(keeper, home) {
  for (const signal of ['SIGTERM', 'SIGINT']) process.on(signal, () => keeper.kill('SIGTERM'));
  await ended(keeper);
  fs.rmSync(fileIn(home), { force: true });
  process.exitCode = keeper.exitCode ?? 1;
}

/** Kept, so that a start again does not make another one. */
export function setupCode(home) {
  const file = path.join(home, 'setup-code');
  if (!fs.existsSync(file))
    fs.writeFileSync(file, randomBytes(6).toString('hex').match(/.{4}/g).join('-'), {
      mode: 0o600,
    });
  return fs.readFileSync(file, 'utf8').trim();
}

/** Its keeper killed, the server ends by itself, and its PostgreSQL is left. */
const leftCluster = (home) => {
  const cluster = clusterIn(home);
  return cluster.running() ? cluster : null;
};

export async function stop() {
  const home = dataHome();
  const shop = runningShop(home);
  if (!shop) {
    const left = leftCluster(home);
    left?.stop();
    fs.rmSync(fileIn(home), { force: true });
    return console.log(
      left
        ? 'Stennet was not running. Its PostgreSQL was, and is now stopped.'
        : 'Stennet is not running.',
    );
  }
  process.kill(shop.pid, 'SIGTERM');
  for (let i = 0; i < 600 && runningShop(home); i += 1)
    await new Promise((resolve) => setTimeout(resolve, 100));
  if (runningShop(home)) throw new Refusal(`Stennet did not stop. See ${shop.log}.`);
  fs.rmSync(fileIn(home), { force: true });
  console.log('Stopped.');
}

export async function status() {
  const home = dataHome();
  const shop = runningShop(home);
  if (!shop) {
    const left = leftCluster(home)
      ? ' Its PostgreSQL still is: ./stennet start reuses it, ./stennet stop stops it.'
      : '';
    console.log(`Stennet is not running.${left} Data: ${home}`);
    process.exitCode = 3;
    return;
  }
  const answers = await isHealthy(shop.url);
  const kept = process.env.DATABASE_URL ? null : archiveState(clusterIn(home));
  console.log(
    `Stennet is running at ${shop.url} since ${shop.startedAt}, process ${shop.pid}.${answers ? '' : ' It is not responding: see the log.'}\nData: ${home}\nLog: ${shop.log}\nCode for the first visit: ${setupCode(home)}${kept ? `\n${kept}` : ''}`,
  );
  if (!answers) process.exitCode = 4;
}
