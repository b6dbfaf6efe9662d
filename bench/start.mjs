// What the first screen costs until it is usable, beside an empty page of the same platform: bytes
// and blocking time at the first visit, and how long the second one takes without a network.
const RUNS = 7;

export const median = (numbers) =>
  [...numbers].sort((a, b) => a - b)[Math.floor(numbers.length / 2)];

export async function signedIn(browser, url, name = 'Jonah Pike') {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 } });
  const reply = await context.request.post(`${url}/api/session`, {
    headers: { Origin: url },
    data: { name, password: 'witness-mark' },
  });
  if (!reply.ok()) throw new Error(`sign-in: ${reply.status()}`);
  return context;
}

export async function measureStart(browser, app, empty) {
  const taken = { app: [], empty: [] };
  for (let i = 0; i < RUNS; i += 1) {
    taken.app.push(await twice(await signedIn(browser, app), app, '[aria-label="Open RO 2417"]'));
    taken.empty.push(
      await twice(
        await browser.newContext({ viewport: { width: 390, height: 844 } }),
        empty,
        '[role="button"], button',
      ),
    );
  }
  const of = (runs) => ({
    kB: median(runs.map((r) => r.kB)),
    blockingMs: median(runs.map((r) => r.blockingMs)),
    againMs: median(runs.map((r) => r.againMs)),
  });
  return { app: of(taken.app), empty: of(taken.empty) };
}

/** @param usable what is there once the page can be used */
async function twice(context, url, usable) {
  const first = await visit(context, url, usable);
  await first.page.evaluate(async () => {
    await navigator.serviceWorker.register('/sw.js');
    await navigator.serviceWorker.ready;
  });
  await first.page.close();
  await context.setOffline(true);
  const { usableMs: againMs } = await visit(context, url, usable);
  await context.close();
  return { kB: first.kB, blockingMs: first.blockingMs, againMs };
}

async function visit(context, url, usable) {
  const page = await context.newPage();
  const cdp = await context.newCDPSession(page);
  await cdp.send('Network.enable');
  await cdp.send('Emulation.setCPUThrottlingRate', { rate: 4 });
  let bytes = 0;
  cdp.on('Network.loadingFinished', (e) => (bytes += e.encodedDataLength));
  await page.addInitScript(() => {
    window.blockingMs = 0;
    new PerformanceObserver((list) => {
      for (const task of list.getEntries()) window.blockingMs += Math.max(0, task.duration - 50);
    }).observe({ type: 'longtask', buffered: true });
  });
  await page.goto(url);
  // Since the address was opened, by the page's own clock.
  const shown = await page.waitForFunction(
    (what) => document.querySelector(what) && performance.now(),
    usable,
    { polling: 'raf' },
  );
  const usableMs = await shown.jsonValue();
  const kB = bytes / 1000;
  const blockingMs = await page.evaluate(
    () => new Promise((done) => setTimeout(() => done(window.blockingMs), 50)),
  );
  return { page, kB, blockingMs, usableMs };
}
