// Machines of a cluster as network namespaces on a bridge of this machine: each has an address of
// its own, can be cut off, and dies with all that runs on it.
import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import fs from 'node:fs';
import path from 'node:path';
import { text } from 'node:stream/consumers';

const BRIDGE = `st${process.pid}`;
const SUBNET = `10.77.${process.pid % 256}`;
export const NETWORK = `${SUBNET}.0/24`;
export const addressOf = (number: number): string => `${SUBNET}.${number}`;

function ip(...args: string[]): void {
  const done = spawnSync('ip', args, { encoding: 'utf8' });
  if (done.error || done.status !== 0)
    throw new Error(`ip ${args.join(' ')}: ${done.error?.message ?? done.stderr}`);
}

/** False where this machine lets no one make networks. */
export function openNetwork(): boolean {
  try {
    ip('link', 'add', BRIDGE, 'type', 'bridge');
    ip('addr', 'add', `${addressOf(1)}/24`, 'dev', BRIDGE);
    ip('link', 'set', BRIDGE, 'up');
    return true;
  } catch {
    return false;
  }
}

export const closeNetwork = (): void => void spawnSync('ip', ['link', 'del', BRIDGE]);

export interface Started {
  user?: string;
  env?: NodeJS.ProcessEnv;
}

export class Machine {
  readonly address: string;
  readonly folder: string;
  private readonly space: string;
  private readonly wire: string;
  private readonly running = new Map<string, ChildProcess>();

  constructor(
    readonly name: string,
    number: number,
    home: string,
  ) {
    this.address = addressOf(number);
    this.space = `${BRIDGE}-${name}`;
    this.wire = `${BRIDGE}${number}`;
    this.folder = path.join(home, name);
    fs.mkdirSync(this.folder, { mode: 0o755 });
    ip('netns', 'add', this.space);
    ip('link', 'add', this.wire, 'type', 'veth', 'peer', 'name', 'eth0', 'netns', this.space);
    ip('link', 'set', this.wire, 'master', BRIDGE, 'up');
    ip('-n', this.space, 'addr', 'add', `${this.address}/24`, 'dev', 'eth0');
    ip('-n', this.space, 'link', 'set', 'eth0', 'up');
    ip('-n', this.space, 'link', 'set', 'lo', 'up');
  }

  /** A program on this machine; what it says goes to a log of its own. */
  start(what: string, command: readonly string[], { user = 'root', env = {} }: Started = {}): void {
    const log = fs.openSync(path.join(this.folder, `${what}.log`), 'a');
    const as = ['setpriv', `--reuid=${user}`, `--regid=${user}`, '--clear-groups'];
    const child = spawn(
      'ip',
      ['netns', 'exec', this.space, ...(user === 'root' ? [] : as), ...command],
      { stdio: ['ignore', log, log], env: { PATH: process.env.PATH, LC_ALL: 'C.UTF-8', ...env } },
    );
    fs.closeSync(log);
    child.on('error', () => undefined);
    this.running.set(what, child);
  }

  /** To its end, while everything else goes on. @returns what it printed */
  async run(command: readonly string[], env: NodeJS.ProcessEnv = {}, input = ''): Promise<string> {
    const child = spawn('ip', ['netns', 'exec', this.space, ...command], {
      env: { PATH: process.env.PATH, LC_ALL: 'C.UTF-8', ...env },
    });
    child.stdin.on('error', () => undefined).end(input);
    const [printed, said, [status]] = await Promise.all([
      text(child.stdout),
      text(child.stderr),
      once(child, 'close'),
    ]);
    if (status !== 0) throw new Error(`${this.name}: ${command[0]}: ${said}`);
    return printed;
  }

  killOne(what: string): void {
    this.running.get(what)?.kill('SIGKILL');
  }

  /** The power goes: everything on it at once. */
  kill(): void {
    const inside = spawnSync('ip', ['netns', 'pids', this.space], { encoding: 'utf8' });
    for (const pid of (inside.stdout ?? '').split('\n').filter(Boolean)) {
      try {
        process.kill(Number(pid), 'SIGKILL');
      } catch {
        // it has ended in the meantime
      }
    }
  }

  /** The wire is pulled: what runs on it runs on and reaches no one. */
  cutOff(): void {
    ip('link', 'set', this.wire, 'down');
  }

  join(): void {
    ip('link', 'set', this.wire, 'up');
  }

  remove(): void {
    this.kill();
    spawnSync('ip', ['netns', 'del', this.space]);
    spawnSync('ip', ['link', 'del', this.wire]);
  }
}
