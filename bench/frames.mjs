// Frames from a trusted key press to the first frame that shows what comes next.
import { spawnSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import pg from 'pg';
import { root } from '../scripts/install.mjs';
import { signedIn } from './start.mjs';

const PRESSES = 40;
const HAND_MS = 1350;

/**
 * Counts frames from the key until the watched text has changed; it is read only when something has
 * changed, so that watching costs the press nothing.
 */
function watchFrames() {
  window.frames = [];
  const read = () =>
    document
      .querySelector('[role="main"]')
      ?.textContent?.replace(/(offline, )?\d+ to send|saved/g, '');
  let [shown, isNew] = [read(), false];
  new MutationObserver(() => {
    const now = read();
    isNew ||= now !== shown;
    shown = now;
  }).observe(document.body, { subtree: true, childList: true, characterData: true });
  window.addEventListener(
    'keydown',
    () => {
      isNew = false;
      let count = 0;
      const tick = () => {
        count += 1;
        if (isNew) window.frames.push(count);
        else if (count < 300) requestAnimationFrame(tick);
      };
      requestAnimationFrame(tick);
    },
    true,
  );
}

export async function measureFrames(browser, url, urls) {
  const context = await signedIn(browser, url);
  const app = await press(context, async (page) => {
    await page.goto(url);
    await page.getByRole('link', { name: 'Open RO 2417' }).click();
    await page.getByRole('button', { name: 'Tighten cylinder head' }).click();
    await page.getByRole('radio', { name: 'hex head, M10' }).click();
    await page.getByRole('button', { name: 'Start tightening' }).click();
    for (const name of ['10 new ones in, by hand', /^Wrench 3/, 'Wrench is set']) {
      await page.getByRole('button', { name }).waitFor();
      await page.waitForTimeout(HAND_MS);
      await page.getByRole('button', { name }).click();
    }
    await page.getByRole('button', { name: 'Moved' }).waitFor();
    await page.evaluate(() => document.activeElement?.blur());
  });
  const empty = await press(context, (page) =>
    page.setContent(
      '<main role="main">0</main><script>addEventListener("keydown", () => { const m = document.querySelector("main"); m.textContent = String(Number(m.textContent) + 1); });</script>',
    ),
  );
  const long = await press(context, await longRun(context, url, urls));
  await context.close();
  return { presses: PRESSES, app: summary(app), long: summary(long), empty: summary(empty) };
}

const HOLD_KEY = 'b'.repeat(43);
const JOB = '5e000000-0000-4000-8000-000000000301';

/**
 * Forty fasteners, eight stages, two thousand events: held by this browser, the next press is a
 * settling pull.
 */
async function longRun(context, url, urls) {
  const get = async (path) => (await context.request.get(`${url}${path}`)).json();
  const [me, { tools }] = [await get('/api/me'), await get('/api/tools')];
  const where = {
    shop: me.shop.id,
    person: me.person.id,
    run: randomUUID(),
    joint: randomUUID(),
    device: randomUUID(),
    tools: tools.map((t) => ({ id: t.id, ...t.tool })),
  };
  const made = spawnSync(
    process.execPath,
    ['--import', 'tsx', 'bench/longRun.mts', JSON.stringify(where)],
    { cwd: root, encoding: 'utf8', maxBuffer: 1 << 28 },
  );
  if (made.status !== 0) throw new Error(made.stderr);
  const { sheet, events } = JSON.parse(made.stdout);
  await keepJoint(urls, where, sheet, events[0].payload.sheetHash);
  for (let at = 0; at < events.length; at += 100) {
    const data = { deviceName: 'Bench', holdKey: HOLD_KEY, events: events.slice(at, at + 100) };
    const reply = await context.request.post(`${url}/api/runs/${where.run}/events`, {
      headers: { Origin: url },
      data,
    });
    const body = await reply.json();
    if (!reply.ok() || body.refused)
      throw new Error(`the long run was refused: ${JSON.stringify(body)}`);
  }
  return async (page) => {
    await page.goto(url);
    await page.evaluate(holdHere, { ...where, holdKey: HOLD_KEY });
    await page.goto(`${url}/runs/${where.run}`);
    await page.getByRole('button', { name: 'Moved' }).waitFor();
    await page.evaluate(() => document.activeElement?.blur());
  };
}

/** In the page: this browser is the device that holds the run. */
function holdHere({ device, run, holdKey }) {
  localStorage.setItem('stennet.device', device);
  return new Promise((resolve, reject) => {
    const opened = indexedDB.open('stennet');
    opened.onerror = () => reject(opened.error);
    opened.onsuccess = () => {
      const transaction = opened.result.transaction('holds', 'readwrite');
      transaction.objectStore('holds').put(holdKey, [run, 1]);
      transaction.oncomplete = () => resolve(opened.result.close());
    };
  });
}

async function keepJoint(urls, { shop, joint }, sheet, hash) {
  const admin = new pg.Client({ connectionString: urls.admin });
  await admin.connect();
  const columns =
    'shop, sheet, revision, title, body, hash, status, maker, engine, kind, brief, change';
  const body = JSON.stringify(sheet);
  const { maker, engine } = sheet.applies;
  await admin.query(
    `insert into sheet_revision (${columns}) values ($1, $2, $3, $4, $5, $6, 'approved', $7, $8, $9, '{}', 0)`,
    [shop, sheet.id, sheet.revision, sheet.title, body, hash, maker, engine, sheet.kind],
  );
  await admin.query('insert into joint values ($1, $2, $3, $4, 9, $5, $6)', [
    shop,
    joint,
    JOB,
    'Forty',
    sheet.id,
    sheet.revision,
  ]);
  await admin.end();
}

async function press(context, prepare) {
  const page = await context.newPage();
  await prepare(page);
  const cdp = await context.newCDPSession(page);
  await cdp.send('Emulation.setCPUThrottlingRate', { rate: 4 });
  await page.evaluate(watchFrames);
  for (let i = 0; i < PRESSES; i += 1) {
    await page.waitForTimeout(HAND_MS);
    await page.keyboard.press('PageDown');
    // A hand begins when the eye has seen the next one.
    await page.waitForFunction((n) => window.frames.length > n, i).catch(() => undefined);
  }
  await page.waitForTimeout(HAND_MS);
  const frames = await page.evaluate(() => window.frames);
  await page.close();
  if (frames.length !== PRESSES)
    throw new Error(`${frames.length} of ${PRESSES} presses were answered`);
  return frames;
}

export function summary(frames) {
  const sorted = [...frames].sort((a, b) => a - b);
  return {
    median: sorted[Math.floor(sorted.length / 2)],
    p95: sorted[Math.floor(sorted.length * 0.95)],
    worst: sorted.at(-1),
  };
}
