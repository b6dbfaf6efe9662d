// Frames from a trusted key press to the first frame that shows what comes next.
import { signedIn } from './start.mjs';

const PRESSES = 40;
const HAND_MS = 1350;

/** Counts frames from the key's own time stamp until the watched text has changed. */
function watchFrames() {
  window.frames = [];
  window.addEventListener(
    'keydown',
    () => {
      const read = () => document.querySelector('[role="main"]')?.textContent?.replace(/(off-line, )?\d+ to send|saved/g, '');
      const before = read();
      let count = 0;
      const tick = () => {
        count += 1;
        if (read() !== before) window.frames.push(count);
        else if (count < 300) requestAnimationFrame(tick);
      };
      requestAnimationFrame(tick);
    },
    true,
  );
}

export async function measureFrames(browser, url) {
  const context = await signedIn(browser, url);
  const app = await press(context, async (page) => {
    await page.goto(url);
    await page.getByRole('link', { name: 'Open RO 2417' }).click();
    await page.getByRole('button', { name: 'Tighten cylinder head' }).click();
    await page.getByRole('radio', { name: 'hexagon head, M10' }).click();
    await page.getByRole('button', { name: 'Start tightening' }).click();
    for (const name of ['10 new ones are in, by hand', /^Wrench 3/, 'It is set']) {
      await page.getByRole('button', { name }).waitFor();
      await page.waitForTimeout(700);
      await page.getByRole('button', { name }).click();
    }
    await page.getByRole('button', { name: 'It turned' }).waitFor();
    await page.evaluate(() => document.activeElement?.blur());
  });
  const empty = await press(context, (page) =>
    page.setContent(
      '<main role="main">0</main><script>addEventListener("keydown", () => { const m = document.querySelector("main"); m.textContent = String(Number(m.textContent) + 1); });</script>',
    ),
  );
  await context.close();
  return { presses: PRESSES, app: summary(app), empty: summary(empty) };
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
  }
  await page.waitForTimeout(HAND_MS);
  const frames = await page.evaluate(() => window.frames);
  await page.close();
  if (frames.length !== PRESSES) throw new Error(`${frames.length} of ${PRESSES} presses were answered`);
  return frames;
}

function summary(frames) {
  const sorted = [...frames].sort((a, b) => a - b);
  return { median: sorted[Math.floor(sorted.length / 2)], p95: sorted[Math.floor(sorted.length * 0.95)], worst: sorted.at(-1) };
}
