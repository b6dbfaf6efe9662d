// ./stennet start, stop, status: a real shop. The keeper (keep.mjs) runs in the background and
// holds PostgreSQL and the server.
import { spawn } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import fs from 'node:fs';
import path from 'node:path';
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
    if (error.code === 'EEXIST')
      throw new Refusal('Stennet is being started already. Wait for that one.');
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
    throw new Refusal(`Stennet runs already, at ${already.url}. Stop it first: ./stennet stop`);
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
        ? 'It did not start; see above.'
        : `It did not start. What it said last (${log}):\n${fs.readFileSync(log, 'utf8').slice(-1500)}`,
    );
  }
  console.log(
    `Stennet runs at ${url}\nOn the first visit this code makes the shop: ${setupCode(home)}\nStop it with ./stennet stop; ./stennet backup FILE keeps a copy.`,
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
  if (Boolean(cert) !== Boolean(key)) throw new Refusal('--tls-cert and --tls-key go together.');
  for (const file of [cert, key])
    if (file && !fs.existsSync(file)) throw new Refusal(`${file} is not there.`);
  if (host !== '127.0.0.1' && host !== 'localhost' && !cert && !isBehindProxy) {
    console.log(
      'This address is reachable from outside without encryption: phones will not keep the screen on nor start off-line there. Add --tls-cert and --tls-key, or put it behind a proxy.',
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
        ? 'Stennet did not run; its PostgreSQL did, and is stopped now.'
        : 'Stennet does not run.',
    );
  }
  process.kill(shop.pid, 'SIGTERM');
  for (let i = 0; i < 600 && runningShop(home); i += 1)
    await new Promise((resolve) => setTimeout(resolve, 100));
  if (runningShop(home)) throw new Refusal(`It does not stop; look at ${shop.log}.`);
  fs.rmSync(fileIn(home), { force: true });
  console.log('Stopped.');
}

export async function status() {
  const home = dataHome();
  const shop = runningShop(home);
  if (!shop) {
    const left = leftCluster(home)
      ? ' Its PostgreSQL does: ./stennet start goes on with it, ./stennet stop ends it.'
      : '';
    console.log(`Stennet does not run.${left} Its data lie in ${home}.`);
    process.exitCode = 3;
    return;
  }
  const answers = await isHealthy(shop.url);
  console.log(
    `Stennet runs at ${shop.url} since ${shop.startedAt}, process ${shop.pid}.${answers ? '' : ' It does not answer: look at the log.'}\nData: ${home}\nLog: ${shop.log}\nCode for the first visit: ${setupCode(home)}`,
  );
  if (!answers) process.exitCode = 4;
}
