import { expect, type Page } from '@playwright/test';
import type { House } from './house';

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

  /** To one of the five sections. */
  async section(name: 'Today' | 'Orders' | 'Find' | 'Bench' | 'Shop'): Promise<void> {
    await this.page.getByRole('navigation', { name: 'Main' }).getByRole('link', { name }).click();
  }

  /** Opens a station of a repair order, unless it stands open. */
  async station(name: string): Promise<void> {
    const row = this.page.getByRole('button', { name: new RegExp(`^${name}`), expanded: false });
    await expect(
      this.page.getByRole('button', { name: new RegExp(`^${name}`) }).first(),
    ).toBeVisible();
    if ((await row.count()) > 0) await row.first().click();
  }

  /** To what the shop keeps, by its row. */
  async inShop(row: string): Promise<void> {
    await this.section('Shop');
    await this.page.getByRole('link', { name: new RegExp(`^${row}`) }).click();
  }

  /** Everything tightened with a wrench: from its row, which at the desk is chosen first. */
  async jobsWith(wrench: string): Promise<void> {
    const jobs = this.button(`Jobs with ${wrench}`);
    const row = this.page.getByRole('link', { name: `Show ${wrench}` });
    await expect(jobs.or(row).first()).toBeVisible();
    if (await row.isVisible()) await row.click();
    await jobs.click();
  }

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
    await expect(this.page.getByRole('heading', { name: 'Today', exact: true })).toBeVisible();
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
    // The eye first: some frames in which what is new is seen.
    await this.page.clock.runFor(50);
    await this.page.clock.fastForward(1500);
  }

  /** The page's clock stands, some seconds on. */
  async stopClock(): Promise<void> {
    // What is on the screen has been seen by then.
    await this.page.clock.runFor(50);
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

  /** Every screen opens without the network from here on. */
  async screensKept(): Promise<void> {
    await this.page.waitForFunction(
      () => navigator.serviceWorker.ready.then(() => navigator.serviceWorker.controller !== null),
      undefined,
      { timeout: 60_000 },
    );
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
