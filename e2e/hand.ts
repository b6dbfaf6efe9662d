// The hand at the practice bench.
import type { Technician } from './house';

/**
 * Presses the handle on, a little at a time, until the wrench or the gauge says so.
 * @param atOnce so many presses before anyone looks
 */
export async function pullTo(t: Technician, until: RegExp, atOnce = 0): Promise<void> {
  const main = t.page.getByRole('main');
  await t.button('Pull').focus();
  for (let i = 0; i < 60; i += 1) {
    await t.page.keyboard.press('Enter');
    if (i < atOnce) continue;
    await answered();
    if (until.test(await main.innerText())) return;
  }
  throw new Error(`never ${String(until)}`);
}

/** The joint answers from beside the page; a hand is not faster either. */
const answered = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, 70));

export const clickIt = (t: Technician): Promise<void> => pullTo(t, /Clicked after/);
