import { spawn } from 'node:child_process';
import { expect, test as base, type Technician } from './house';

const APP_KNOWS = 'http://127.0.0.1:4188';

/** The simulated wrench of one test, and the hand on it. */
export class DigitalWrench {
  constructor(private readonly url: string) {}

  private post = (path: string, body: object): Promise<unknown> =>
    fetch(`${this.url}${path}`, { method: 'POST', body: JSON.stringify(body) }).then((r) =>
      r.json(),
    );
  pull = (task: object): Promise<unknown> => this.post('/turn', task);
  torque = (value: number, how = 'ok', seed = 5): Promise<unknown> =>
    this.pull({ to: { unit: 'N.m', value }, how, seed });
  press = (press: 'short' | 'long' = 'short'): Promise<unknown> => this.post('/press', { press });
  is = (state: object): Promise<unknown> => this.post('/state', state);
}

/**
 * Turns a wrench on for one test, and off after it. Each has an address of its own: the page looks
 * at the one that the app knows, and is led there.
 */
export const test = base.extend<{ turnOn: (name: string) => Promise<DigitalWrench> }>({
  turnOn: async ({ technician }, use) => {
    const off: (() => Promise<unknown>)[] = [];
    await use(async (name) => {
      const child = spawn(process.execPath, ['device/dist/wrench.mjs'], {
        stdio: ['ignore', 'pipe', 'ignore'],
        env: { ...process.env, WRENCH_NAME: name, WRENCH_PORT: '0' },
      });
      // Listened for from the start: one that ended by itself says so only once.
      const ended = new Promise((resolve) => child.once('exit', resolve));
      off.push(() => (child.kill('SIGKILL'), ended));
      const url = await new Promise<string>((resolve) =>
        child.stdout.on('data', (said: Buffer) => {
          const found = /http:\/\/127\.0\.0\.1:\d+/.exec(String(said));
          if (found) resolve(found[0]);
        }),
      );
      await technician.page
        .context()
        .route(`${APP_KNOWS}/**`, (route) =>
          route.continue({ url: route.request().url().replace(APP_KNOWS, url) }),
        );
      return new DigitalWrench(url);
    });
    for (const turnOff of off) await turnOff();
  },
});

/** The ten-bolt head up to its first wrench: the digital one is overdue, the lead is asked. */
export async function toWrench4(t: Technician): Promise<void> {
  await t.signIn();
  await t.openOrder('2417');
  await t.button('Tighten cylinder head').click();
  await t.choose('radio', 'hex head, M10');
  await t.button('Start tightening').click();
  await t.tap('10 new ones in, by hand');
  await t.tap('Ask the lead: Wrench 4, digital');
}

/** In a shop's own words: the digital wrench is overdue, and is used by the lead's word. */
export async function listening(t: Technician): Promise<void> {
  await toWrench4(t);
  await t.field('Reason', 'Checked against wrench 2 this morning.');
  await t.field('Ines Corte’s PIN', '2580');
  await t.tap('Approve');
  await t.tap(/^Wrench 4, digital/);
  await t.tap('Wrench is set');
  await t.tap('Connect the digital wrench');
  await expect(t.page.getByText('Saves each pull that needs no answer.')).toBeVisible();
  await expect(t.page.getByText(/^Connected to Wrench 4/)).toBeVisible();
}
