// Debian's PostgreSQL programs, the folders they work in and the processes that they are.
import { spawnSync } from 'node:child_process';
import fs from 'node:fs';
import net from 'node:net';
import os from 'node:os';
import path from 'node:path';

export const isRoot = process.getuid() === 0;

/** Where data live: never inside the clone, never where the system cleans up. */
export function dataHome() {
  if (process.env.STENNET_HOME) return path.resolve(process.env.STENNET_HOME);
  if (isRoot) return '/var/lib/stennet';
  return path.join(
    process.env.XDG_STATE_HOME ?? path.join(os.homedir(), '.local/state'),
    'stennet',
  );
}

export function postgresProgram(name) {
  const base = '/usr/lib/postgresql';
  const versions = fs.existsSync(base)
    ? fs.readdirSync(base).sort((a, b) => Number(b) - Number(a))
    : [];
  return versions.map((v) => `${base}/${v}/bin/${name}`).find((p) => fs.existsSync(p));
}

/** As root, PostgreSQL runs as Debian's user postgres. */
export function owner() {
  if (!isRoot) return {};
  const line = fs
    .readFileSync('/etc/passwd', 'utf8')
    .split('\n')
    .map((l) => l.split(':'))
    .find((f) => f[0] === 'postgres');
  if (!line)
    throw new Error(
      'There is no user “postgres”. Debian’s package postgresql makes it: apt-get install postgresql',
    );
  return { uid: Number(line[2]), gid: Number(line[3]) };
}

export function own(dir, mode) {
  fs.mkdirSync(dir, { recursive: true });
  fs.chmodSync(dir, mode);
  const o = owner();
  if (o.uid !== undefined) fs.chownSync(dir, o.uid, o.gid);
}

/**
 * Where shops' signing keys lie: beside the cluster, never in it; only the server's user reads
 * them.
 */
export function keyFolder(home) {
  const folder = path.join(home, 'keys');
  fs.mkdirSync(folder, { recursive: true, mode: 0o700 });
  if (isRoot) {
    const nobody = fs
      .readFileSync('/etc/passwd', 'utf8')
      .split('\n')
      .map((l) => l.split(':'))
      .find((f) => f[0] === 'nobody');
    if (nobody) fs.chownSync(folder, Number(nobody[2]), Number(nobody[3]));
  }
  return folder;
}

/**
 * Whether a process is a PostgreSQL of this folder: they all work in it. One that is dead and not
 * yet cleared away works nowhere.
 */
function isPostgresOf(data, pid) {
  try {
    return (
      fs.readFileSync(`/proc/${pid}/comm`, 'utf8').trim() === 'postgres' &&
      fs.readlinkSync(`/proc/${pid}/cwd`) === fs.realpathSync(data)
    );
  } catch {
    return false;
  }
}

/**
 * Number of the one that the others belong to; null when it is gone, whatever its lock file says.
 */
export function postmasterOf(data) {
  try {
    const [pid] = fs.readFileSync(path.join(data, 'postmaster.pid'), 'utf8').split('\n');
    return isPostgresOf(data, pid) ? Number(pid) : null;
  } catch {
    return null;
  }
}

const LONGEST_END_MS = 30_000;

/**
 * What a killed one left: its processes end by themselves, and only then its lock file may go,
 * which else would forbid the start.
 */
export async function clearAway(data) {
  const left = () =>
    fs.readdirSync('/proc').filter((pid) => /^\d+$/.test(pid) && isPostgresOf(data, pid));
  for (
    const from = Date.now();
    left().length > 0;
    await new Promise((resolve) => setTimeout(resolve, 50))
  ) {
    if (Date.now() - from > LONGEST_END_MS)
      throw new Error(
        `A PostgreSQL that was killed has left processes that do not end: ${left().join(', ')}. End them, then start again: kill ${left().join(' ')}`,
      );
  }
  fs.rmSync(path.join(data, 'postmaster.pid'), { force: true });
}

/** PostgreSQL starts only on a folder of its own user. */
export function assertOwn(data) {
  const { uid } = fs.statSync(data);
  const wanted = owner().uid ?? process.getuid();
  if (uid !== wanted)
    throw new Error(
      `${data} belongs to user ${uid}, PostgreSQL would run as user ${wanted}. Start Stennet as the user who made it, or give the folder back: chown -R ${wanted} ${data}`,
    );
}

/** @param input what others must not see in a list of processes goes in here */
export function run(name, args, { env = {}, ok = false, input = '' } = {}) {
  const result = spawnSync(postgresProgram(name), args, {
    cwd: '/',
    ...owner(),
    input,
    stdio: ['pipe', 'pipe', 'pipe'],
    encoding: 'utf8',
    env: { PATH: process.env.PATH, LC_ALL: 'C.UTF-8', ...env },
  });
  if (result.error) throw result.error;
  if (result.status !== 0 && !ok)
    throw new Error(`${name} failed:\n${result.stdout}${result.stderr}`);
  return result;
}

/**
 * Below those that a system gives to outgoing connections: one of them could take the port again
 * before it is listened on, or while a server is started anew.
 */
const [LOWEST_PORT, PORTS] = [10_000, 6000];

export async function freePort() {
  for (let tries = 0; tries < 1000; tries += 1) {
    const port = LOWEST_PORT + Math.floor(Math.random() * PORTS);
    if (await isFree(port)) return port;
  }
  throw new Error('no port is free');
}

export const isFree = (port) =>
  new Promise((resolve) => {
    const s = net.createServer();
    s.once('error', () => resolve(false));
    s.listen(port, '127.0.0.1', () => s.close(() => resolve(true)));
  });
