// ./stennet start, stop, status: a real shop. The keeper (keep.mjs) runs in the background and holds PostgreSQL and the server.
import { spawn } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import fs from 'node:fs';
import path from 'node:path';
import { buildWeb } from './build-web.mjs';
import { dataHome } from './cluster.mjs';
import { ensurePostgres, Refusal, root } from './install.mjs';
import { assertHome, assertPortFree, healthy, node, option, portOf, publish } from './serving.mjs';

export const DATABASE = 'stennet';
const fileIn = (home) => path.join(home, 'shop.json');

/** What runs, as the last start wrote it; null when nothing does. */
export function runningShop(home = dataHome()) {
  try {
    const shop = JSON.parse(fs.readFileSync(fileIn(home), 'utf8'));
    return fs.readFileSync(`/proc/${shop.pid}/cmdline`, 'utf8').includes('keep.mjs') ? shop : null;
  } catch {
    return null;
  }
}

export async function start(args) {
  const home = dataHome();
  const already = runningShop(home);
  if (already) throw new Refusal(`Stennet runs already, at ${already.url}. Stop it first: ./stennet stop`);
  const port = portOf(args, 4200);
  const host = option(args, '--host') ?? '127.0.0.1';
  const [cert, key] = [option(args, '--tls-cert'), option(args, '--tls-key')];
  const isBehindProxy = args.includes('--behind-proxy');
  if (Boolean(cert) !== Boolean(key)) throw new Refusal('--tls-cert and --tls-key go together.');
  for (const file of [cert, key]) if (file && !fs.existsSync(file)) throw new Refusal(`${file} is not there.`);
  if (host !== '127.0.0.1' && host !== 'localhost' && !cert && !isBehindProxy) {
    console.log(
      'This address is reachable from outside without encryption: phones will not keep the screen on nor start off-line there. Add --tls-cert and --tls-key, or put it behind a proxy.',
    );
  }
  assertHome(home);
  await assertPortFree(port, './stennet start', host);
  if (!process.env.DATABASE_URL) ensurePostgres();
  const web = publish(buildWeb(), home, 'web-shop');
  node(['scripts/build-server.mjs']);
  const url = `${cert ? 'https' : 'http'}://${host === '0.0.0.0' ? 'localhost' : host}:${port}`;
  const code = setupCode(home);
  const log = path.join(home, 'shop.log');
  const out = fs.openSync(log, 'a');
  const plan = { home, port, host, web, cert: cert && path.resolve(cert), key: key && path.resolve(key), isBehindProxy, code };
  const keeper = spawn(process.execPath, [path.join(root, 'scripts/keep.mjs'), JSON.stringify(plan)], { cwd: root, detached: true, stdio: ['ignore', out, out] });
  fs.writeFileSync(fileIn(home), JSON.stringify({ pid: keeper.pid, url, log, startedAt: new Date().toISOString() }), { mode: 0o600 });
  let isGone = false;
  keeper.once('exit', () => (isGone = true));
  // A certificate of one's own is not known to this program; the keeper says itself when it is up.
  await (cert ? upInLog(log, () => isGone) : healthy(url, () => isGone)).catch(() => {
    fs.rmSync(fileIn(home), { force: true });
    throw new Refusal(`It did not start. What it said last (${log}):\n${fs.readFileSync(log, 'utf8').slice(-1500)}`);
  });
  keeper.unref();
  console.log(`Stennet runs at ${url}\nOn the first visit this code makes the shop: ${code}\nStop it with ./stennet stop; ./stennet backup FILE keeps a copy.`);
}

async function upInLog(log, gone) {
  for (let i = 0; i < 300 && !gone(); i += 1) {
    if (fs.readFileSync(log, 'utf8').trimEnd().split('\n').slice(-5).includes('listening')) return;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  throw new Error('not up');
}

/** Kept, so that a start anew does not make another one. */
function setupCode(home) {
  const file = path.join(home, 'setup-code');
  if (!fs.existsSync(file)) fs.writeFileSync(file, randomBytes(6).toString('hex').match(/.{4}/g).join('-'), { mode: 0o600 });
  return fs.readFileSync(file, 'utf8').trim();
}

export async function stop() {
  const home = dataHome();
  const shop = runningShop(home);
  if (!shop) return console.log('Stennet does not run.');
  process.kill(shop.pid, 'SIGTERM');
  for (let i = 0; i < 600 && runningShop(home); i += 1) await new Promise((resolve) => setTimeout(resolve, 100));
  if (runningShop(home)) throw new Refusal(`It does not stop; look at ${shop.log}.`);
  fs.rmSync(fileIn(home), { force: true });
  console.log('Stopped.');
}

export async function status() {
  const home = dataHome();
  const shop = runningShop(home);
  if (!shop) {
    console.log(`Stennet does not run. Its data lie in ${home}.`);
    process.exitCode = 3;
    return;
  }
  console.log(`Stennet runs at ${shop.url} since ${shop.startedAt}, process ${shop.pid}.\nData: ${home}\nLog: ${shop.log}\nCode for the first visit: ${setupCode(home)}`);
}
