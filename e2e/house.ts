import { spawn, type ChildProcess } from 'node:child_process';
import { test as base, expect, type BrowserContext, type Page } from '@playwright/test';
import pg from 'pg';
import type { RunEvent } from '@stennet/core/run';
import { TEMPLATE } from './globalSetup';
import { Technician } from './technician';

/** A shop's server on a database of its own. It can be killed and started again. */
export class House {
  private server: ChildProcess | undefined;
  private constructor(
    readonly url: string,
    private readonly port: number,
    private readonly databaseUrl: string,
    readonly admin: pg.Client,
  ) {}

  static async open(name: string): Promise<House> {
    const { clusterIn, freePort } = await import('../scripts/cluster.mjs');
    const cluster = clusterIn(process.env.STENNET_E2E_HOME);
    const maker = new pg.Client({ connectionString: cluster.urls('postgres').admin });
    await maker.connect();
    await maker.query(`create database ${name} template ${TEMPLATE} owner stennet_owner`);
    await maker.end();
    const urls = cluster.urls(name);
    const admin = new pg.Client({ connectionString: urls.admin });
    await admin.connect();
    const port = await freePort();
    const house = new House(`http://localhost:${port}`, port, urls.app, admin);
    await house.start();
    return house;
  }

  async start(more: Record<string, string> = {}): Promise<void> {
    // A page's clock is put forward by hand here; the server's is not.
    this.server = spawn(process.execPath, ['server/dist/main.js'], {
      env: {
        ...process.env,
        DATABASE_URL: this.databaseUrl,
        PORT: String(this.port),
        WEB_DIR: process.env.STENNET_E2E_WEB,
        LOG_LEVEL: 'silent',
        STENNET_TRUST_WAITS: '1',
        ...more,
      },
      stdio: ['ignore', 'ignore', 'inherit'],
    });
    await expect
      .poll(
        () =>
          fetch(`${this.url}/api/health`).then(
            (r) => r.ok,
            () => false,
          ),
        { timeout: 60_000, intervals: [50] },
      )
      .toBe(true);
  }

  /** As when the power goes: no time to say goodbye. */
  async kill(): Promise<void> {
    const { server } = this;
    if (!server || server.exitCode !== null || server.signalCode !== null) return;
    const gone = new Promise((resolve) => server.once('exit', resolve));
    server.kill('SIGKILL');
    await gone;
  }

  async close(): Promise<void> {
    await this.kill();
    await this.admin.end();
  }

  /** Everything that is stored of runs, in order; without what the demo brings along. */
  async events(): Promise<RunEvent[]> {
    const { rows } = await this.admin.query<{ body: string }>(
      "select body from run_event where run::text not like '5e000000-%' order by run, position",
    );
    return rows.map((r) => (JSON.parse(r.body) as { event: RunEvent }).event);
  }
}

let made = 0;
export const test = base.extend<{ house: House; technician: Technician }>({
  house: async ({}, use) => {
    made += 1;
    const house = await House.open(`e2e_${process.pid}_${made}_${Date.now() % 1e6}`);
    await use(house);
    await house.close();
  },
  technician: async ({ page, house }, use) => {
    const errors: string[] = [];
    page.on('pageerror', (e) => errors.push(e.message));
    await use(new Technician(page, house));
    expect(errors).toEqual([]);
  },
});

export type { Page, Technician };
export const aSecondDevice = async (context: BrowserContext, house: House): Promise<Technician> => {
  const other = await context.browser()?.newContext({ viewport: { width: 1280, height: 800 } });
  if (!other) throw new Error('no browser');
  return new Technician(await other.newPage(), house);
};
export { expect };
