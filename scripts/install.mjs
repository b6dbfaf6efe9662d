// What the commands need on a fresh Debian machine: installed where that is allowed, else the exact
// command is said.
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import fs from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { BROWSERS, browserPath } from './browser.mjs';
import { postgresProgram } from './cluster.mjs';

export const root = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '..');

export class Refusal extends Error {}

function apt(packages, why) {
  if (process.getuid() !== 0)
    throw new Refusal(
      `${why} is missing. Install it with:\n  sudo apt-get install ${packages.join(' ')}`,
    );
  console.log(`Installing ${packages.join(', ')} from Debian …`);
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  spawnSync('apt-get', ['update', '-q'], { env, stdio: 'ignore' });
  const done = spawnSync('apt-get', ['install', '-y', '-q', ...packages], {
    env,
    encoding: 'utf8',
  });
  if (done.error || done.status !== 0)
    throw new Refusal(
      `${why} could not be installed. Try:\n  apt-get install ${packages.join(' ')}\n${(done.stderr ?? '').slice(-800)}`,
    );
}

export function ensurePostgres() {
  if (!postgresProgram('initdb')) apt(['postgresql'], 'PostgreSQL');
}

export function ensureChromium() {
  const [shell, whole] = Object.keys(BROWSERS);
  if (fs.existsSync(BROWSERS[shell])) return;
  try {
    apt([shell], WHAT_FOR);
  } catch (error) {
    // Not every Debian packages it by itself.
    if (!browserPath() && process.getuid() === 0) apt([whole], WHAT_FOR);
    else if (!browserPath()) throw error;
  }
}
const WHAT_FOR = 'Chromium, for the end-to-end tests,';

/** What a cluster is made of; its programs are started by the check alone. */
export function ensureClusterPrograms() {
  ensurePostgres();
  const programs = {
    '/usr/bin/etcd': 'etcd-server',
    '/usr/bin/patroni': 'patroni',
    '/usr/sbin/haproxy': 'haproxy',
    '/usr/sbin/pgbouncer': 'pgbouncer',
    '/usr/sbin/ip': 'iproute2',
  };
  const missing = Object.keys(programs).filter((file) => !fs.existsSync(file));
  if (missing.length > 0)
    apt(
      missing.map((file) => programs[file]),
      'What a cluster is made of',
    );
}

/** npm packages as the lock file says; only when it changed since. */
export function ensurePackages() {
  const mark = path.join(root, 'node_modules', '.stennet-lock');
  const lock = createHash('sha256')
    .update(fs.readFileSync(path.join(root, 'package-lock.json')))
    .digest('hex');
  if (fs.existsSync(mark) && fs.readFileSync(mark, 'utf8') === lock) return;
  console.log('Installing npm packages from the lock file …');
  const done = spawnSync('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], {
    cwd: root,
    stdio: ['ignore', 'ignore', 'inherit'],
  });
  if (done.status !== 0)
    throw new Refusal('npm ci failed; see above. It needs access to an npm registry.');
  fs.writeFileSync(mark, lock);
}

/** Hash over the sources that a build reads, so that a second start builds nothing. */
export function sourcesHash(...places) {
  const hash = createHash('sha256');
  const walk = (place) => {
    const stat = fs.statSync(place);
    if (stat.isFile()) {
      hash.update(path.relative(root, place)).update(fs.readFileSync(place));
      return;
    }
    for (const name of fs.readdirSync(place).sort()) {
      const isNoSource =
        ['node_modules', 'dist', '.expo', '.shaken', 'expo-env.d.ts', '.gitignore'].includes(
          name,
        ) || /\.test\.tsx?$/.test(name);
      if (!isNoSource) walk(path.join(place, name));
    }
  };
  for (const place of places) walk(path.join(root, place));
  return hash.digest('hex');
}

/** Runs a program to its end without a word, and gives back what it printed. */
export function quietly(command, args, { cwd = root, env = {} } = {}) {
  const done = spawnSync(command, args, {
    cwd,
    encoding: 'utf8',
    stdio: ['ignore', 'pipe', 'pipe'],
    env: { ...process.env, ...env },
  });
  if (done.status !== 0)
    throw new Refusal(
      `${command} ${args.join(' ')} failed:\n${done.stdout.slice(-3000)}\n${done.stderr.slice(-3000)}`,
    );
  return done.stdout;
}
