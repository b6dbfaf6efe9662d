// ./stennet wrench: a simulated digital wrench on this machine; Ctrl-C turns it off. With --check:
// whether an adapter speaks the protocol. ./stennet trace: judges recorded pulls.
import { spawn, spawnSync } from 'node:child_process';
import fs from 'node:fs';
import { Refusal, root } from './install.mjs';
import { assertPortFree, ended, node, portOf } from './serving.mjs';

export const WRENCH_PORT = 4188;

export async function wrench(options) {
  if (options.check !== undefined) return runBuilt('check.mjs', [options.check]);
  const port = portOf(options, WRENCH_PORT);
  await assertPortFree(port, './stennet wrench');
  node(['scripts/build-server.mjs']);
  const child = startWrench(port, options.name, 'inherit');
  process.on('SIGINT', () => child.kill('SIGTERM'));
  process.on('SIGTERM', () => child.kill('SIGTERM'));
  await ended(child);
}

export async function trace(names, { target, to, in: folder }) {
  if (names.length === 0) throw new Refusal('Say which: ./stennet trace pull.csv, or a folder.');
  const missing = names.find((name) => !fs.existsSync(name));
  if (missing) throw new Refusal(`There is no ${missing}.`);
  if (target !== undefined && !(Number(target) > 0))
    throw new Refusal('--target is a torque in N·m, as 27.');
  if (to !== undefined && !['csv', 'json'].includes(to)) throw new Refusal('--to is csv or json.');
  if ((to === undefined) !== (folder === undefined))
    throw new Refusal('--to and --in go together: --to csv --in FOLDER.');
  const options = [
    ...(target ? ['--target', target] : []),
    ...(to ? ['--to', to, '--in', folder] : []),
  ];
  runBuilt('judge.mjs', [...options, ...names]);
}

function runBuilt(program, args) {
  node(['scripts/build-server.mjs']);
  const done = spawnSync(process.execPath, [`${root}/device/dist/${program}`, ...args], {
    stdio: 'inherit',
  });
  process.exitCode = done.status ?? 1;
}

/** Ends with the process that started it. */
export function startWrench(port, name, stdout = 'ignore') {
  const env = { ...process.env, WRENCH_PORT: String(port), ...(name ? { WRENCH_NAME: name } : {}) };
  return spawn(process.execPath, ['device/dist/wrench.mjs'], {
    cwd: root,
    stdio: ['ignore', stdout, 'inherit'],
    env,
    detached: true,
  });
}
