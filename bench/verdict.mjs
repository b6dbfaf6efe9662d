// From the end of a pull of the digital wrench to its verdict on the screen, and the longest task
// of the page while the wrench is heard.
import { spawn } from 'node:child_process';
import { root } from '../scripts/install.mjs';
import { signedIn } from './start.mjs';

const PULLS = 40;
const HAND_MS = 2000;
const LIVE_S = 2;
const APP_KNOWS = 'http://127.0.0.1:4188';

/** In the page: when each pull arrived, when its verdict was drawn, and long tasks meanwhile. */
function watchVerdicts() {
  window.verdicts = [];
  window.tasks = [];
  const Native = window.EventSource;
  window.EventSource = class extends Native {
    addEventListener(name, hear, ...more) {
      super.addEventListener(
        name,
        name === 'pull' ? (e) => ((window.pulledAt = performance.now()), hear(e)) : hear,
        ...more,
      );
    }
  };
  const look = () => {
    if (window.pulledAt && /Nothing unusual|looks |Too little of/.test(document.body.textContent)) {
      const from = window.pulledAt;
      window.pulledAt = 0;
      requestAnimationFrame(() => window.verdicts.push(performance.now() - from));
    }
  };
  document.addEventListener('DOMContentLoaded', () =>
    new MutationObserver(look).observe(document.body, {
      subtree: true,
      childList: true,
      characterData: true,
    }),
  );
  new PerformanceObserver((list) => {
    for (const { duration, startTime } of list.getEntries())
      window.tasks.push({ duration, startTime });
  }).observe({ entryTypes: ['longtask'] });
}

export async function measureVerdict(browser, url) {
  const { wrench, address } = await turnOn();
  const context = await signedIn(browser, url);
  try {
    const page = await context.newPage();
    await page.addInitScript(watchVerdicts);
    await context.route(`${APP_KNOWS}/**`, (route) =>
      route.continue({ url: route.request().url().replace(APP_KNOWS, address) }),
    );
    await toWrench4(page, url);
    const cdp = await context.newCDPSession(page);
    await cdp.send('Emulation.setCPUThrottlingRate', { rate: 4 });
    const turn = (task) =>
      fetch(`${address}/turn`, { method: 'POST', body: JSON.stringify(task) }).then((r) =>
        r.json(),
      );
    for (let i = 0; i < PULLS; i += 1) {
      await turn({ to: { unit: 'N.m', value: 27 }, seed: 100 + i });
      await page.getByRole('button', { name: 'Discard' }).waitFor();
      await page.waitForFunction((n) => window.verdicts.length > n, i);
      await page.getByRole('button', { name: 'Discard' }).click();
    }
    const verdicts = await page.evaluate(() => window.verdicts);
    const from = await page.evaluate(() => performance.now());
    const streaming = turn({ to: { unit: 'N.m', value: 27 }, seed: 1, seconds: LIVE_S * 3 });
    await page.waitForTimeout(LIVE_S * 2500);
    const tasks = await page.evaluate(
      (since) => window.tasks.filter((t) => t.startTime >= since).map((t) => t.duration),
      from,
    );
    await streaming;
    return { pulls: PULLS, ...summary(verdicts), longest: Math.max(0, ...tasks) };
  } finally {
    await context.close();
    wrench.kill('SIGKILL');
  }
}

async function turnOn() {
  const wrench = spawn(process.execPath, ['device/dist/wrench.mjs'], {
    cwd: root,
    stdio: ['ignore', 'pipe', 'ignore'],
    env: { ...process.env, WRENCH_NAME: 'Wrench 4, digital', WRENCH_PORT: '0' },
  });
  const address = await new Promise((resolve) =>
    wrench.stdout.on('data', (said) => {
      const found = /http:\/\/127\.0\.0\.1:\d+/.exec(String(said));
      if (found) resolve(found[0]);
    }),
  );
  return { wrench, address };
}

/** The ten-bolt head with the digital wrench, which is overdue: by the lead's word. */
async function toWrench4(page, url) {
  const tap = async (name) => {
    await page.getByRole('button', { name }).first().waitFor();
    await page.waitForTimeout(HAND_MS);
    await page.getByRole('button', { name }).first().click();
  };
  await page.goto(url);
  await page.getByRole('link', { name: 'Open RO 2417' }).click();
  await page.getByRole('button', { name: 'Tighten cylinder head' }).click();
  await page.getByRole('radio', { name: 'hex head, M10' }).click();
  await page.getByRole('button', { name: 'Start tightening' }).click();
  await tap('10 new ones in, by hand');
  await tap('Ask the lead: Wrench 4, digital');
  await page.getByRole('textbox', { name: 'Reason' }).fill('Checked against wrench 2.');
  await page.getByRole('textbox', { name: /PIN/ }).fill('2580');
  await tap('Approve');
  await tap(/^Wrench 4, digital/);
  await tap('Wrench is set');
  await tap('Connect the digital wrench');
  await page.getByText(/^Connected to/).waitFor();
  await tap('Ask before saving');
}

function summary(of) {
  const sorted = [...of].sort((a, b) => a - b);
  return {
    median: sorted[Math.floor(sorted.length / 2)],
    p95: sorted[Math.floor(sorted.length * 0.95)],
  };
}

export const renderVerdict = ({ pulls, median, p95, longest }) => [
  '## From the end of a pull to its verdict',
  '',
  `${pulls} pulls of the simulated digital wrench, CPU slowed 4x: from the pull’s arrival in the page to the frame with its verdict.`,
  '',
  '|  | ms |',
  '| --- | --- |',
  `| median | ${median.toFixed(0)} |`,
  `| p95 | ${p95.toFixed(0)} |`,
  `| longest task of the page while the wrench is heard | ${longest > 0 ? longest.toFixed(0) : 'under 50'} |`,
  '',
];
