import { spawn, type ChildProcess } from 'node:child_process';
import net from 'node:net';
import { test as base, expect, type BrowserContext, type Page } from '@playwright/test';
import pg from 'pg';
import type { RunEvent } from '@stennet/core/run';
import { TEMPLATE } from './globalSetup';

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
    const { clusterIn } = await import('../scripts/cluster.mjs');
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

const freePort = (): Promise<number> =>
  new Promise((resolve) => {
    const s = net.createServer();
    s.listen(0, () => {
      const { port } = s.address() as net.AddressInfo;
      s.close(() => resolve(port));
    });
  });

/**
 * A technician in front of a screen: finds things by role and visible name, as a person or a screen
 * reader would.
 */
export class Technician {
  constructor(
    readonly page: Page,
    readonly house: House,
  ) {}

  button = (name: string | RegExp): ReturnType<Page['getByRole']> =>
    this.page.getByRole('button', { name });

  tab = (name: string | RegExp): ReturnType<Page['getByRole']> =>
    this.page.getByRole('tab', { name });

  async choose(role: 'radio' | 'checkbox', name: string): Promise<void> {
    await this.page.getByRole(role, { name, exact: true }).first().click();
  }

  async field(name: string, text: string): Promise<void> {
    await this.page.getByRole('textbox', { name, exact: true }).first().fill(text);
  }

  /** The same person at another page. */
  on(page: Page): Technician {
    return new Technician(page, this.house);
  }

  /** What a draft says of where it is kept. */
  async settled(words: string): Promise<void> {
    await expect
      .poll(async () => {
        await this.page.clock.fastForward(2000);
        return this.page
          .getByRole('status')
          .filter({ hasText: new RegExp(`${words}($|,)`) })
          .count();
      })
      .toBeGreaterThan(0);
  }

  async signOut(): Promise<void> {
    await this.page.goto(`${this.house.url}/account`);
    await this.button('Sign out').click();
    await expect(this.page).toHaveURL(`${this.house.url}/`);
  }

  async signInAgain(name: string): Promise<void> {
    await this.page.getByRole('textbox', { name: 'Name', exact: true }).fill(name);
    await this.page.getByRole('textbox', { name: 'Password', exact: true }).fill('witness-mark');
    await this.button('Sign in').click();
    await expect(this.page.getByRole('heading', { name: 'Today' })).toBeVisible();
  }

  async signIn(name = 'Jonah Pike'): Promise<void> {
    await this.page.clock.install();
    await this.page.goto(this.house.url);
    await this.signInAgain(name);
  }

  async openOrder(number: string): Promise<void> {
    await this.page.getByRole('link', { name: `Open RO ${number}` }).click();
    await expect(this.page.getByRole('heading', { name: `RO ${number}` })).toBeVisible();
  }

  /** From the repair order to the first pull of the ten-bolt head. */
  async startHead(): Promise<void> {
    await this.openOrder('2417');
    await this.button('Tighten cylinder head').click();
    await this.choose('radio', 'hex head, M10');
    await this.button('Start tightening').click();
    await this.tap('10 new ones in, by hand');
    await this.tap(/^Wrench 3/);
    await this.tap('Wrench is set');
    await expect(this.button('Moved')).toBeVisible();
  }

  /** As long as a hand needs: the screen ignores a tap that came too soon to be meant for it. */
  async handTime(): Promise<void> {
    await this.page.clock.fastForward(1500);
  }

  /** The page's clock stands, some seconds on. */
  async stopClock(): Promise<void> {
    await this.page.clock.pauseAt(await this.page.evaluate(() => Date.now() + 5000));
  }

  /**
   * With a clock that stands: seen within a few of its milliseconds, however long the machine takes
   * for them.
   */
  async soon(text: string): Promise<void> {
    for (let i = 0; i < 60 && !(await this.page.getByText(text).isVisible()); i += 1) {
      await this.page.clock.runFor(2);
      await new Promise((resolve) => setTimeout(resolve, 50));
    }
    await expect(this.page.getByText(text)).toBeVisible();
  }

  async tap(name: string | RegExp): Promise<void> {
    await expect(this.button(name).first()).toBeVisible();
    await this.handTime();
    await this.button(name).first().click();
  }

  /** Taps down the middle of the map until something was near enough. */
  async tapMap(until: ReturnType<Page['getByRole']>): Promise<void> {
    const box = await this.page.getByRole('img', { name: /10 fasteners/ }).boundingBox();
    if (!box) throw new Error('no map');
    for (let share = 0.2; share < 0.9 && !(await until.isVisible()); share += 0.1)
      await this.page.mouse.click(box.x + box.width / 2, box.y + box.height * share);
  }

  /** What is kept out of the way of the pull. */
  async more(name: string): Promise<void> {
    await this.button(/^More$/).click();
    await this.button(name).click();
  }

  /** Confirms one pull and waits until the next thing is on the screen. */
  async pull(name: string | RegExp): Promise<void> {
    const before = await this.where();
    await this.tap(name);
    await expect.poll(() => this.where()).not.toBe(before);
  }

  /** What the hand's panel says now: place, round, value. */
  async where(): Promise<string> {
    return (await this.page.getByRole('main').innerText()).replace(
      /(offline, )?\d+ to send|saved/g,
      '',
    );
  }

  async pulls(name: string | RegExp, times: number): Promise<void> {
    for (let i = 0; i < times; i += 1) await this.pull(name);
  }

  /** 27 N·m: everything moves once, then everything holds. */
  async settle(): Promise<void> {
    await this.pulls('Moved', 10);
    await this.pulls('Didn’t move', 10);
  }

  async snug(): Promise<void> {
    await this.tap(/^Wrench 2/);
    await this.tap('Wrench is set');
    await this.pulls('Clicked', 10);
  }

  async toFirstAngle(): Promise<void> {
    await this.tap('All 10 marked');
    await this.tap('Torque angle gauge');
    await this.tap('Start +75°');
    await expect(this.button('Turned 75° by gauge')).toBeVisible();
  }

  async angles(): Promise<void> {
    await this.toFirstAngle();
    await this.pulls('Turned 75° by gauge', 10);
    await this.tap('Start +65°');
    await this.pulls('Turned 65° by gauge', 10);
  }

  async expectSaved(): Promise<void> {
    await expect
      .poll(
        async () => {
          await this.page.clock.fastForward(3000);
          return this.page.getByRole('status', { name: 'saved', exact: true }).count();
        },
        { timeout: 60_000 },
      )
      .toBe(1);
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

export type { Page };
export const aSecondDevice = async (context: BrowserContext, house: House): Promise<Technician> => {
  const other = await context.browser()?.newContext({ viewport: { width: 1280, height: 800 } });
  if (!other) throw new Error('no browser');
  return new Technician(await other.newPage(), house);
};
export { expect };
