import type { Sheet, Stage, Step } from '@stennet/core/procedure';
import type { Technician } from './house';

/**
 * What a person taps while all is well: the first of these that is on the screen and may be
 * pressed.
 */
const WELL: readonly RegExp[] = [
  /^Resume$/,
  /^(All \d+ are|It’s) loose$/,
  /^\d+ new ones in, by hand$/,
  /^In, all new$/,
  /^In, each in its own hole$/,
  /^New bolt in, by hand$/,
  /^Wrench is set$/,
  /^Start \+/,
  /^(All \d+ m|M)arked$/,
  /^Clicked$/,
  /^Turned .+° by/,
  /^None moved$/,
  /^Seated$/,
  /^Passed$/,
  /^Wait is over$/,
  /^Crank turned$/,
  /^All \d+ done$/,
  /^Done$/,
  /^No camera: continue without$/,
  /^Finish (and record|teardown)$/,
  /^Torque angle gauge$/,
  /^Stretch gauge$/,
  /^Wrench (?!4)/,
];
/** Typed where a text is asked for and nothing has to be looked up. */
const SAID: readonly (readonly [field: string, words: string, then: RegExp])[] = [
  ['What supports the part?', 'Two wooden blocks on the bench', /^Part is supported$/],
  // Confirmed late only because the test's clock runs ahead of its hands.
  ['Finished how many minutes ago?', '20', /^Finished then$/],
  ['Bag, board or bin', 'Board A', /^(1 is|These \d+ are) in it$/],
];

/** A little at a time: what must tack also stays open only so long. */
const WAIT_MS = 6 * 60_000;

const exactly = (name: string): RegExp =>
  new RegExp(`^${name.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')}$`);

/** The buttons of the hand's panel that may be pressed now, by name, in the order they stand. */
export async function buttonsOf(t: Technician): Promise<string[]> {
  const all = t.page.getByRole('main').getByRole('button');
  return all.evaluateAll((list) =>
    list.flatMap((el) =>
      el.getAttribute('aria-disabled') === 'true' || el.hasAttribute('disabled')
        ? []
        : [el.getAttribute('aria-label') ?? el.textContent ?? ''],
    ),
  );
}

const isThere = async (t: Technician, field: string): Promise<boolean> =>
  (await t.page.getByRole('textbox', { name: field, exact: true }).count()) > 0;

/**
 * One step as a person does it who is told what to do and finds everything as it should be.
 * @param stop looked at last thing before a tap: the screen may just have become the one that is
 * waited for
 * @returns false where nothing is known to do
 */
async function asTold(t: Technician, stop: () => Promise<boolean>): Promise<boolean> {
  for (const [field, words, then] of SAID) {
    if (!(await isThere(t, field)) || (await stop())) continue;
    await t.field(field, words);
    await t.pull(then);
    return true;
  }
  const names = await buttonsOf(t);
  const isFirstRound = !/· pass \d/.test(await t.page.getByRole('main').innerText());
  const isCheck =
    names.includes('Didn’t move') && names.indexOf('Didn’t move') < names.indexOf('Moved');
  const settled = names.includes('Didn’t move')
    ? isFirstRound && !isCheck
      ? 'Moved'
      : 'Didn’t move'
    : undefined;
  const name = settled ?? WELL.flatMap((pattern) => names.find((n) => pattern.test(n)) ?? [])[0];
  if (name === undefined || (await stop())) return false;
  if (name === 'Wait is over') await t.page.clock.fastForward(WAIT_MS);
  await t.pull(exactly(name));
  return true;
}

type Knowing = (t: Technician) => Promise<boolean>;

async function drive(
  t: Technician,
  target: () => Promise<boolean>,
  knows: Knowing,
  most: number,
): Promise<void> {
  await t.page.waitForURL(/\/runs\//);
  let idle = 0;
  for (let i = 0; i < most; i += 1) {
    if (await target()) return;
    idle = (await knows(t)) || (await asTold(t, target)) ? 0 : idle + 1;
    // Nothing to tap here: it comes a moment later, or never.
    if (idle > 50) break;
    if (idle > 0) await t.page.waitForTimeout(100);
  }
  const text = (await t.page.getByRole('main').innerText()).slice(0, 600);
  throw new Error(`it never came; there is ${(await buttonsOf(t)).join(' · ')}\n${text}`);
}

/** As told, until one of the screens is there that a person must think about. */
export async function driveTo(t: Technician, there: string | RegExp, most = 400): Promise<void> {
  const target = t.page.getByRole('main').getByText(there).first();
  await drive(
    t,
    () => target.isVisible(),
    async () => false,
    most,
  );
}

/**
 * To the end of a run on a sheet that the person has read: they know what is good and what lies
 * inside its limits.
 */
export async function driveToEnd(t: Technician, sheet: Sheet, most = 1500): Promise<void> {
  const done = t.page.getByRole('heading', { name: 'Finished', exact: true });
  await drive(t, () => done.isVisible(), knowing(sheet), most);
}

function knowing(sheet: Sheet): Knowing {
  return async (t) => {
    const title = await t.page
      .getByRole('main')
      .getByRole('heading', { level: 2 })
      .first()
      .textContent({ timeout: 2000 })
      .catch(() => null);
    const step = sheet.steps.find((s) => s.text === title);
    if (step && (await knowsStep(t, step))) return true;
    if (await isThere(t, 'Temperature, °C'))
      return typed(t, 'Temperature, °C', celsiusOf([...sheet.takeApart, ...sheet.stages], title));
    for (const stage of sheet.stages) if (await knowsStage(t, stage)) return true;
    if (await t.button(/^Ask the lead$/).count()) return leadPasses(t);
    return false;
  };
}

async function typed(t: Technician, field: string, value: number): Promise<boolean> {
  await t.field(field, String(value));
  await t.pull('Record');
  return true;
}

const celsiusOf = (stages: readonly Stage[], title: string | null): number => {
  const until = stages.find((s) => s.name === title)?.waitUntil;
  return until && 'celsius' in until ? until.celsius : 20;
};

async function knowsStep(t: Technician, step: Step): Promise<boolean> {
  const good = step.answers?.find((a) => a.then === 'goOn')?.text;
  if (good !== undefined) {
    for (const row of step.rows ?? [])
      await t.page
        .getByRole('radiogroup', { name: row, exact: true })
        .getByRole('radio', { name: good, exact: true })
        .click();
    await t.pull(step.rows ? /^Confirm findings$/ : exactly(good));
    return true;
  }
  if (step.measure) {
    await fillMeasured(t, step.measure);
    await t.pull(/^Record readings$/);
    return true;
  }
  const limit = step.limits?.max ?? step.limits?.min;
  if (!limit) return false;
  const symbol = limit.unit === 'mm' ? 'mm' : 'in';
  for (const row of step.rows ?? ['Measured'])
    await t.field(`${row}, ${symbol}`, String(limit.value));
  await t.pull(/^Record$/);
  return true;
}

/** Well inside: a flat face, a strip in the middle of its window. */
async function fillMeasured(
  t: Technician,
  { what, limits }: NonNullable<Step['measure']>,
): Promise<void> {
  await t.field('Gauge used', 'as the sheet says');
  const middle = ((limits.min ?? 0) + (limits.max ?? 0)) / 2;
  if (what === 'strip') {
    for (const [n, [w, c]] of [
      [1, middle + 0.02] as const,
      [1.5, middle] as const,
      [2, middle - 0.02] as const,
    ].entries()) {
      await t.field(`Width, line ${n + 1}`, String(w));
      await t.field(`Clearance, line ${n + 1}`, c.toFixed(4));
    }
    await t.field('width, one end', '1.5');
    await t.field('width, other end', '1.5');
    return;
  }
  const columns =
    what === 'flatness'
      ? ['place along it', 'blade that fits', 'blade that doesn’t']
      : ['along the manifold', 'gap, upper side', 'gap, lower side'];
  // Every place of every line: before that nothing is within limits.
  const named = await t.page
    .getByRole('radiogroup', { name: 'Readings' })
    .getByRole('radio', { name: /, \d+( ●)?$/ })
    .count();
  const places = what === 'flatness' ? Math.max(named, 3) : 4;
  for (let i = 0; i < places; i += 1) {
    const values =
      what === 'flatness'
        ? [String((i % 3) * 100), '0', '0.01']
        : [String(i * 100), '0.01', '0.01'];
    for (const [k, column] of columns.entries()) await t.field(column, values[k] ?? '');
    if (i < places - 1) await t.button('Next place').click();
  }
}

/** A gap that a part is drawn on to, an elongation, a value inside a published range. */
async function knowsStage(t: Technician, { target, fallback }: Stage): Promise<boolean> {
  if (!target) return false;
  if (
    'value' in target &&
    (await t.button(/^Enter reading$/).count()) > 0 &&
    ['mm', '[in_i]'].includes(target.unit)
  ) {
    await t.tap(/^Enter reading$/);
    return typed(t, `Reading, ${target.unit === 'mm' ? 'mm' : 'in'}`, target.value);
  }
  if (
    'value' in target &&
    ['mm', '[in_i]'].includes(target.unit) &&
    (await isThere(t, 'Measured, mm'))
  )
    return typed(t, 'Measured, mm', target.value);
  if ('min' in target && (await t.page.getByRole('textbox', { name: /^Value, / }).count()) > 0) {
    await t.page.getByRole('textbox', { name: /^Value, / }).fill(String(target.min));
    await t.pull('Record');
    return true;
  }
  if (!fallback || !('value' in target)) return false;
  const choice = t.button(new RegExp(`^${String(target.value).replace('.', '\\.')}.*(mm|in)$`));
  if ((await choice.count()) === 0) return false;
  await t.pull(new RegExp(`^${String(target.value).replace('.', '\\.')}.*(mm|in)$`));
  return true;
}

async function leadPasses(t: Technician): Promise<boolean> {
  await t.tap(/^Ask the lead$/);
  await t.field('Ines Corte’s PIN', '2580');
  await t.pull(/^Passed$/);
  return true;
}

/** Every cam lobe felt and found smooth, and the followers below flush. */
export async function lobesSmooth(t: Technician, lobes: readonly string[]): Promise<void> {
  for (const row of lobes)
    await t.page
      .getByRole('radiogroup', { name: row })
      .getByRole('radio', { name: 'smooth' })
      .click();
  await t.pull('Confirm findings');
  await t.pull('in, and below flush');
}
