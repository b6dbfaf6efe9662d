// ./stennet wrench: a simulated digital wrench on this machine. Ctrl-C turns it off.
import { spawn } from 'node:child_process';
import { root } from './install.mjs';
import { assertPortFree, ended, node, portOf } from './serving.mjs';

export const WRENCH_PORT = 4188;

export async function wrench(options) {
  const port = portOf(options, WRENCH_PORT);
  await assertPortFree(port, './stennet wrench');
  node(['scripts/build-server.mjs']);
  const child = startWrench(port, options.name, 'inherit');
  process.on('SIGINT', () => child.kill('SIGTERM'));
  process.on('SIGTERM', () => child.kill('SIGTERM'));
  await ended(child);
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
