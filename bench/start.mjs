// Bytes and blocking time until the first screen is usable, beside an empty page of the same
// platform.
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
    taken.app.push(
      await once(await signedIn(browser, app), app, (page) =>
        page.getByRole('link', { name: 'Open RO 2417' }).waitFor(),
      ),
    );
    taken.empty.push(
      await once(
        await browser.newContext({ viewport: { width: 390, height: 844 } }),
        empty,
        (page) => page.getByText('Today').waitFor(),
      ),
    );
  }
  const of = (runs) => ({
    kB: median(runs.map((r) => r.kB)),
    blockingMs: median(runs.map((r) => r.blockingMs)),
  });
  return { app: of(taken.app), empty: of(taken.empty) };
}

async function once(context, url, usable) {
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
  await usable(page);
  const kB = bytes / 1000;
  const blockingMs = await page.evaluate(
    () => new Promise((done) => setTimeout(() => done(window.blockingMs), 50)),
  );
  await context.close();
  return { kB, blockingMs };
}
