import { spawn, type ChildProcess } from 'node:child_process';
import { keyFolder } from '../cluster.mjs';
import { ended } from '../serving.mjs';
import { home, counted } from './ledger.mts';

export class Server {
  private process: ChildProcess | null = null;
  constructor(
    private readonly databaseUrl: string,
    readonly port: number,
  ) {}
  readonly url = (): string => `http://127.0.0.1:${this.port}`;
  start(): void {
    const own = spawn(process.execPath, ['server/dist/main.js'], {
      stdio: ['ignore', 'ignore', 'inherit'],
      env: {
        ...process.env,
        DATABASE_URL: this.databaseUrl,
        KEY_DIR: keyFolder(home),
        PORT: String(this.port),
        LOG_LEVEL: 'silent',
      },
    });
    this.process = own;
    // Killed is killed; one that ends by itself while PostgreSQL is away is started again, as its
    // keeper would, and counted.
    own.once('exit', () => {
      if (this.process !== own) return;
      counted.endedThemselves += 1;
      setTimeout(() => this.process === own && this.start(), 300);
    });
  }
  async kill(): Promise<void> {
    const own = this.process;
    this.process = null;
    if (!own) return;
    own.kill('SIGKILL');
    await ended(own);
  }
}
