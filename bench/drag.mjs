// Frames from the finger's move to the first one that shows the handle where it went, at a quarter
// of the speed, beside an empty page that turns one box.
import { summary } from './frames.mjs';
import { signedIn } from './start.mjs';

const MOVES = 240;
const HAND_MS = 900;

/** Counts frames from each move of the finger until what it turns has turned. */
function watchDrag(selector) {
  window.frames = [];
  const of = () => document.querySelector(selector)?.style.transform ?? '';
  window.addEventListener(
    'pointermove',
    () => {
      const before = of();
      let count = 0;
      const tick = () => {
        count += 1;
        if (of() !== before || count > 60) window.frames.push(count);
        else requestAnimationFrame(tick);
      };
      requestAnimationFrame(tick);
    },
    true,
  );
}

const EMPTY = `<main><div id="dial" data-turns style="width:300px;height:300px"></div></main><script>
  const dial = document.querySelector('#dial');
  let n = 0;
  dial.addEventListener('pointermove', () => requestAnimationFrame(() => { n += 1; dial.style.transform = 'rotate(' + n + 'deg)'; }));
</script>`;

export async function measureDrag(browser, url) {
  const context = await signedIn(browser, url);
  const app = await drag(context, async (page) => {
    await page.goto(`${url}/practice`);
    await page.getByRole('button', { name: /^6\. Feel the yield/ }).click();
    for (const name of [/new ones in, by hand/, /^Practice click wrench/, 'Wrench is set']) {
      await page.getByRole('button', { name }).first().waitFor();
      await page.waitForTimeout(HAND_MS);
      await page.getByRole('button', { name }).first().click();
    }
    const dial = page.getByRole('img', { name: /^Wrench on/ });
    await dial.waitFor();
    await dial.evaluate((el) => el.lastElementChild.setAttribute('data-turns', ''));
    return dial;
  });
  const empty = await drag(context, async (page) => {
    await page.setContent(EMPTY);
    return page.locator('#dial');
  });
  await context.close();
  return { moves: MOVES, app: summary(app), empty: summary(empty) };
}

async function drag(context, prepare) {
  const page = await context.newPage();
  const dial = await prepare(page);
  const box = await dial.boundingBox();
  const [x, y, r] = [box.x + box.width / 2, box.y + box.height / 2, box.width * 0.35];
  const cdp = await context.newCDPSession(page);
  await cdp.send('Emulation.setCPUThrottlingRate', { rate: 4 });
  await page.evaluate(watchDrag, '[data-turns]');
  await page.mouse.move(x, y - r);
  await page.mouse.down();
  for (let i = 1; i <= MOVES; i += 1) {
    const turn = (i * Math.PI) / 180;
    await page.mouse.move(x + r * Math.sin(turn), y - r * Math.cos(turn));
    await page.waitForFunction((n) => window.frames.length >= n, i);
  }
  await page.mouse.up();
  const frames = await page.evaluate(() => window.frames);
  await page.close();
  return frames;
}
