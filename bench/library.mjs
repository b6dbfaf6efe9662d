// A library of 5,000 sheets: brought in while others work, caught up by a device, searched offline
// while typing.
import { build } from 'esbuild';
import path from 'node:path';
import { root } from '../scripts/install.mjs';

const SHEETS = 5000;
const TYPED = 'cylinder head flywheel damper pressure';

export async function measureLibrary(browser, url) {
  const outfile = path.join(root, 'server/dist/bench-sheets.mjs');
  await build({
    entryPoints: [path.join(root, 'bench/manySheets.ts')],
    outfile,
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    external: ['fast-check'],
    logLevel: 'warning',
  });
  const { manySheets } = await import(outfile);
  const session = await signIn(url);
  const file = JSON.stringify({
    format: 'stennet-sheets',
    v: 1,
    sheets: [...manySheets(SHEETS, 1)],
  });
  const quiet = await pings(url, () => new Promise((resolve) => setTimeout(resolve, 4000)));
  const look = await pings(url, () => bring(session, file, 'look'));
  const write = await pings(url, () => bring(session, file, 'write'));
  const approve = await pings(url, () => approveAll(session));
  const typing = await typeOffline(browser, url);
  return { sheets: SHEETS, mb: file.length / 1e6, quiet, look, write, approve, typing };
}

async function signIn(url) {
  const reply = await fetch(`${url}/api/session`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json', Origin: url },
    body: JSON.stringify({ name: 'Ines Corte', password: 'witness-mark' }),
  });
  return {
    url,
    headers: {
      Cookie: /stennet_session=[^;]+/.exec(String(reply.headers.get('set-cookie')))[0],
      Origin: url,
    },
  };
}

async function bring({ url, headers }, file, mode) {
  const reply = await fetch(`${url}/api/library/import?mode=${mode}`, {
    method: 'POST',
    headers: { ...headers, 'Content-Type': 'application/octet-stream' },
    body: file,
  });
  const last = JSON.parse((await reply.text()).trim().split('\n').at(-1));
  if (last.new !== SHEETS || last.error)
    throw new Error(`import: ${JSON.stringify(last).slice(0, 400)}`);
}

async function approveAll({ url, headers }) {
  const { drafts } = await (await fetch(`${url}/api/library`, { headers })).json();
  for (let at = 0; at < drafts.length; at += 100) {
    const body = JSON.stringify({
      drafts: drafts
        .slice(at, at + 100)
        .map((d) => ({ sheet: d.sheet, version: d.version, seen: [] })),
    });
    const reply = await fetch(`${url}/api/library/approve`, {
      method: 'POST',
      headers: { ...headers, 'Content-Type': 'application/json' },
      body,
    });
    if (!reply.ok) throw new Error(await reply.text());
  }
}

/** How long others wait for the server while it works. */
async function pings(url, work) {
  const waits = [];
  let on = true;
  const pinging = (async () => {
    while (on) {
      const from = performance.now();
      await fetch(`${url}/api/health`);
      waits.push(performance.now() - from);
      await new Promise((resolve) => setTimeout(resolve, 20));
    }
  })();
  const from = performance.now();
  await work();
  const seconds = (performance.now() - from) / 1000;
  on = false;
  await pinging;
  waits.sort((a, b) => a - b);
  return { seconds, p95: waits[Math.floor(waits.length * 0.95)], worst: waits.at(-1) };
}

/**
 * Types letter by letter, offline over the whole library, and beside it into a field that does
 * nothing.
 */
async function typeOffline(browser, url) {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 } });
  const page = await context.newPage();
  await page.goto(url);
  await page.getByRole('textbox', { name: 'Name' }).fill('Jonah Pike');
  await page.getByRole('textbox', { name: 'Password' }).fill('witness-mark');
  await page.getByRole('button', { name: 'Sign in' }).click();
  const count = () =>
    page.evaluate(
      () =>
        new Promise(
          (done) =>
            (indexedDB.open('stennet').onsuccess = (e) =>
              (e.target.result.transaction('library').objectStore('library').count().onsuccess = (
                c,
              ) => done(c.target.result))),
        ),
    );
  const from = performance.now();
  while ((await count()) < SHEETS && performance.now() - from < 180_000)
    await page.waitForTimeout(500);
  const caughtUpSeconds = (performance.now() - from) / 1000;
  await page.getByRole('navigation', { name: 'Main' }).getByRole('link', { name: 'Find' }).click();
  await page.getByRole('searchbox').waitFor();
  await context.setOffline(true);
  const found = await typed(page, page.getByRole('searchbox'));
  await page.getByText(/^Offline: searching the/).waitFor();
  await page.setContent('<input role="searchbox" />');
  const bare = await typed(page, page.getByRole('searchbox'));
  await context.close();
  return { caughtUpSeconds, found, bare };
}

/** The longest time between two frames after each key. */
async function typed(page, box) {
  const cdp = await page.context().newCDPSession(page);
  await cdp.send('Emulation.setCPUThrottlingRate', { rate: 4 });
  await page.evaluate(() => {
    window.gaps = [];
    let last = performance.now();
    const tick = () => {
      const now = performance.now();
      window.gaps.push(now - last);
      last = now;
      requestAnimationFrame(tick);
    };
    requestAnimationFrame(tick);
  });
  await box.pressSequentially(TYPED, { delay: 150 });
  await page.waitForTimeout(1500);
  const gaps = (await page.evaluate(() => window.gaps)).sort((a, b) => a - b);
  await cdp.send('Emulation.setCPUThrottlingRate', { rate: 1 });
  return {
    median: gaps[Math.floor(gaps.length / 2)],
    p95: gaps[Math.floor(gaps.length * 0.95)],
    p99: gaps[Math.floor(gaps.length * 0.99)],
    worst: gaps.at(-1),
    keys: TYPED.length,
  };
}
