import type { Technician } from './house';

/** What a person taps while all is well: the first of these that is on the screen and may be pressed. */
const WELL: readonly RegExp[] = [
  /^Carry on$/,
  /new ones? (is|are) in, by hand$/,
  /^In, new ones$/,
  /^In, each in its own hole$/,
  /^New bolt in, by hand$/,
  /^It is set$/,
  /^Yes, \+/,
  /^(The stripe is|\d+ stripes are) on$/,
  /^Clicked$/,
  /^Turned .+° by/,
  /^None has moved$/,
  /^It is seated$/,
  /^It is as it should be$/,
  /^Waited$/,
  /^It is turned$/,
  /^All \d+ seen and done$/,
  /^Done$/,
  /^No camera here: go on without$/,
  /^Finish (and record|taking apart)$/,
  /^Angle gauge$/,
  /^Wrench /,
  /^Plain bar/,
];

const exactly = (name: string): RegExp => new RegExp(`^${name.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')}$`);

/** The buttons of the hand's panel that may be pressed now, by name, in the order they stand. */
export async function buttonsOf(t: Technician): Promise<string[]> {
  const all = t.page.getByRole('main').getByRole('button');
  return all.evaluateAll((list) =>
    list.flatMap((el) => (el.getAttribute('aria-disabled') === 'true' || el.hasAttribute('disabled') ? [] : [el.getAttribute('aria-label') ?? el.textContent ?? ''])),
  );
}

/** One step as a person does it who is told what to do and finds everything as it should be; its name, or null where none is known. */
async function asTold(t: Technician): Promise<string | null> {
  if (await t.page.getByRole('textbox', { name: 'What it rests on', exact: true }).count()) {
    await t.field('What it rests on', 'Two wooden blocks on the bench');
    await t.pull('It rests on that');
    return 'It rests on that';
  }
  if (await t.page.getByRole('textbox', { name: 'Bag, board or bin', exact: true }).count()) {
    await t.field('Bag, board or bin', 'Board A');
    await t.pull(/^(This one is|These \d+ are) in it$/);
    return 'bag';
  }
  if (await t.page.getByRole('textbox', { name: 'Temperature, in °C', exact: true }).count()) return null;
  const names = await buttonsOf(t);
  const settles = names.includes('It did not turn');
  if (settles) {
    const isFirst = !/\d(st|nd|rd|th) time round/.test(await t.page.getByRole('main').innerText());
    const said = isFirst ? 'It turned' : 'It did not turn';
    await t.pull(exactly(said));
    return said;
  }
  const name = WELL.flatMap((pattern) => names.find((n) => pattern.test(n)) ?? [])[0];
  if (name === undefined) return null;
  await t.pull(exactly(name));
  return name;
}

/** As told, until one of the screens is there that a person must think about. */
export async function driveTo(t: Technician, there: string | RegExp, most = 400): Promise<void> {
  await t.page.waitForURL(/\/runs\//);
  const target = t.page.getByRole('main').getByText(there).first();
  let idle = 0;
  for (let i = 0; i < most; i += 1) {
    if (await target.isVisible()) return;
    idle = (await asTold(t)) === null ? idle + 1 : 0;
    // Nothing to tap here: either it is what was looked for, or it comes a moment later.
    if (idle > 50) break;
    if (idle > 0) await t.page.waitForTimeout(100);
  }
  throw new Error(`it never came: ${String(there)}; there is ${(await buttonsOf(t)).join(' · ')}`);
}
