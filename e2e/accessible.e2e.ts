import { AxeBuilder } from '@axe-core/playwright';
import { driveTo } from './drive';
import { expect, test, type Technician } from './house';

const RULES = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'];

/**
 * The dark theme's colours are tested each against each by themselves; the short run looks at them
 * on these screens.
 */
const IN_THE_DARK = new Set([
  'sign in',
  'today',
  'start',
  'settling',
  'angle',
  'record',
  'found',
  'sheet',
  'hold point',
]);

/**
 * No finding of axe on the screen as it stands, in both themes. The dark one has the same page in
 * other colours, a wide one the same colours on another page.
 */
async function clean(t: Technician, screen: string): Promise<void> {
  const isWide = (t.page.viewportSize()?.width ?? 0) >= 900;
  const isDarkToo = process.env.STENNET_ALL ? true : !isWide && IN_THE_DARK.has(screen);
  for (const colorScheme of isDarkToo ? (['light', 'dark'] as const) : (['light'] as const)) {
    await t.page.emulateMedia({ colorScheme });
    await t.page.clock.runFor(400);
    const { violations } = await axe(t, colorScheme).analyze();
    expect(
      violations.map(
        (v) =>
          `${screen}, ${colorScheme}: ${v.id} ${v.nodes.map((n) => n.html.slice(0, 160)).join(' | ')}`,
      ),
    ).toEqual([]);
  }
}

/**
 * Each screen in one width in the short run, in both with `--all`: what axe sees of it hardly
 * differs.
 */
function onlyOn(width: 'phone' | 'wide'): void {
  test.skip(
    ({ isMobile }) => !process.env.STENNET_ALL && isMobile !== (width === 'phone'),
    `looked at on ${width}`,
  );
}

function axe({ page }: Technician, theme: 'light' | 'dark'): AxeBuilder {
  // No frame is in any screen: nothing has to be put together from several, on a page of its own
  // each time.
  const builder = new AxeBuilder({ page }).setLegacyMode();
  return theme === 'light'
    ? builder.withTags(RULES)
    : builder.withRules(['color-contrast', 'link-in-text-block']);
}

test.describe(() => {
  onlyOn('phone');
  test('every screen of the way through is clean for axe, light and dark', async ({
    technician: t,
    house,
  }) => {
    await t.page.clock.install();
    await t.page.goto(house.url);
    await expect(t.button('Sign in')).toBeVisible();
    await clean(t, 'sign in');
    await t.signIn();
    await clean(t, 'today');
    await t.page.getByRole('link', { name: 'Account of Jonah Pike' }).click();
    await expect(t.button('Sign out')).toBeVisible();
    await clean(t, 'account');
    await t.page.getByRole('link', { name: 'Back' }).click();
    await t.openOrder('2417');
    await clean(t, 'repair order');
    await t.button('Tighten cylinder head').click();
    await expect(t.button('Start tightening')).toBeVisible();
    await t.choose('radio', '12-point head, M11');
    await expect(t.button('Take that sheet for this joint')).toBeVisible();
    await clean(t, 'start');
    await t.choose('radio', 'hexagon head, M10');
    await t.button('Start tightening').click();
    await expect(t.button('10 new ones are in, by hand')).toBeVisible();
    await clean(t, 'new bolts');
    await t.tap('10 new ones are in, by hand');
    await expect(t.button(/^Wrench 3/)).toBeVisible();
    await clean(t, 'choose a wrench');
    await t.tap(/^Wrench 3/);
    await clean(t, 'set the wrench');
    await t.tap('It is set');
    await t.pulls('It turned', 2);
    await clean(t, 'settling');
    await t.button('Go back').click();
    await clean(t, 'go back');
    await t.button('It was turned as confirmed: keep it').click();
    await t.button('Something is wrong').click();
    await clean(t, 'something is wrong');
    await t.button('Cancel').click();
    await t.button('Pause').click();
    await expect(t.button('Carry on')).toBeVisible();
    await clean(t, 'paused');
    await t.tap('Carry on');
    await t.pulls('It turned', 8);
    await t.pulls('It did not turn', 10);
    await t.snug();
    await t.toFirstAngle();
    await clean(t, 'angle');
    await t.button('Other angle').click();
    await clean(t, 'other angle');
    await t.button('Cancel').click();
    await t.page.getByRole('link', { name: 'Back to the repair order' }).click();
    await t.button('Tightened values').click();
    await expect(t.page.getByRole('heading', { name: 'Not finished yet' })).toBeVisible();
    await clean(t, 'record');
  });
});

test.describe(() => {
  onlyOn('wide');
  test(
    'the sheet library and every part of the editor are clean for axe, light and dark',
    { tag: ['@phone', '@long'] },
    async ({ technician: t }) => {
      await t.signIn('Ines Corte');
      await t.page.goto(`${t.house.url}/sheets/brenna-2-0-head/C`);
      await t.button('Write the next revision').click();
      await expect(t.tab('Places')).toBeVisible();
      await t.settled('saved');
      for (const part of ['Line', 'Places', 'Fasteners', 'Stages', 'Steps', 'About', 'Ready?']) {
        await t.tab(part).click();
        await clean(t, part);
      }
      await t.page.goto(`${t.house.url}/library`);
      await expect(t.page.getByRole('link', { name: /^Open the draft of/ })).toBeVisible();
      await clean(t, 'library');
    },
  );
});

test.describe(() => {
  onlyOn('phone');
  test(
    'finding a sheet and what holds a run up are clean for axe, light and dark',
    { tag: '@phone' },
    async ({ technician: t, house }) => {
      await t.signIn();
      await t.button('Find a sheet').click();
      await expect(t.button('Belmaro')).toBeVisible();
      await clean(t, 'find');
      await t.page
        .getByRole('searchbox', { name: 'Engine, vehicle, part or joint' })
        .fill('brenna head');
      await expect(
        t.page.getByRole('link', { name: 'Open Cylinder head, Brenna 2.0, rev C' }),
      ).toBeVisible();
      await clean(t, 'found');
      await t.page.getByRole('link', { name: 'Open Cylinder head, Brenna 2.0, rev C' }).click();
      await expect(t.page.getByText('Which bolt is in your hand?')).toBeVisible();
      await clean(t, 'sheet');
      await t.page.goto(`${house.url}/`);
      await t.openOrder('2430');
      await t.button('Tighten pressure plate').click();
      await t.button('Start tightening').click();
      await expect(t.button('Done')).toBeVisible();
      await clean(t, 'step');
      await t.pull('Done');
      await t.pull('Done');
      await t.tap('In, each in its own hole');
      for (let i = 0; i < 6; i += 1) await t.pull('Done');
      await clean(t, 'round');
      await t.tap('It is seated');
      await expect(
        t.page.getByRole('heading', { name: 'Hold point: alignment tool slides' }),
      ).toBeVisible();
      await clean(t, 'hold point');
    },
  );
});

test.describe(() => {
  onlyOn('wide');
  test(
    'the repair order, its parts and forms, preparing, tools and the lead’s word are clean for axe, light and dark',
    { tag: ['@phone', '@long'] },
    async ({ technician: t, house, isMobile }) => {
      await t.signIn('Ines Corte');
      const id = (n: number): string => `5e000000-0000-4000-8000-${String(n).padStart(12, '0')}`;
      const at = async (path: string, text: string | RegExp, screen: string): Promise<void> => {
        await t.page.goto(`${house.url}${path}`);
        await expect(t.page.getByText(text).first()).toBeVisible();
        await clean(t, screen);
      };
      await at(`/orders?at=${id(201)}`, isMobile ? 'RO 2417' : 'Where it stands', 'repair orders');
      await at(`/orders/${id(206)}/parts`, 'Lacks: Alignment tool.', 'parts');
      await at(`/orders/${id(201)}/measure`, 'Measure something', 'measure');
      await t.choose('radio', 'Run-out by dial');
      await clean(t, 'measuring');
      await at('/orders/new', 'Concern', 'order form');
      await at('/tools', 'Torque wrenches', 'tools');
      await t.button('Add a tool').click();
      await clean(t, 'tool form');
      await at(`/joints/${id(403)}`, '10 head bolts, new ones only', 'prepare');
      await at(`/orders/${id(213)}`, 'Where it stands', 'order');
      await t.button('Write down what was found').click();
      await t.button('Add a job').click();
      await t.choose('radio', 'Replace clutch');
      await expect(t.button('Add this job')).toBeVisible();
      await clean(t, 'order, writing');
      await t.page.goto(`${house.url}/joints/${id(401)}`);
      await t.choose('radio', 'hexagon head, M10');
      await t.button('Start tightening').click();
      await t.tap('10 new ones are in, by hand');
      await t.tap('With a crowfoot or offset');
      await t.choose('radio', 'Crowfoot 13 mm');
      await clean(t, 'adapter');
      await t.tap('Ask the lead: Wrench 4, digital');
      await clean(t, 'lead');
    },
  );
});

test.describe(() => {
  onlyOn('phone');
  test(
    'taking apart, looking, measuring and trying in a run are clean for axe, light and dark',
    { tag: ['@phone', '@long'] },
    async ({ technician: t, house }) => {
      await t.signIn();
      const id = (n: number): string => `5e000000-0000-4000-8000-${String(n).padStart(12, '0')}`;
      await t.page.goto(`${house.url}/joints/${id(437)}?part=takeApart&of=left`);
      await expect(t.button('Start taking apart')).toBeVisible();
      await clean(t, 'prepare to take apart');
      await t.button('Start taking apart').click();
      await driveTo(t, 'A photo first');
      await clean(t, 'photo');
      await t.more('On the way: dropped, put in, photo');
      await clean(t, 'on the way');
      await t.button('Back to the work').click();
      await driveTo(t, 'Temperature, in °C');
      await t.field('Temperature, in °C', '44');
      await t.pull('Record it');
      await t.button('Something is wrong').click();
      await t.pull('It broke');
      await expect(t.page.getByText('Attempt 1 of 5')).toBeVisible();
      await clean(t, 'ladder');
      await t.pull('It worked');
      await t.pull('It is out');
      await driveTo(t, /Where are they kept/);
      await clean(t, 'bags');
      await t.page.goto(`${house.url}/joints/${id(422)}`);
      await t.button('8 new ones are here').click();
      await t.button('Start tightening').click();
      await driveTo(t, 'Cam lobes and followers, each one.');
      await clean(t, 'check by place');
      for (const row of ['1 in', '1 out', '2 in', '2 out', '3 in', '3 out'])
        await t.page
          .getByRole('radiogroup', { name: row })
          .getByRole('radio', { name: 'smooth' })
          .click();
      await t.pull('That is what I see');
      await t.pull('in, and below flush');
      await driveTo(t, 'Flatness of the head, gasket face: straight-edge and leaves.');
      await clean(t, 'measured step');
    },
  );
});

test.describe(() => {
  onlyOn('wide');
  test(
    'what stands beside a pull is clean for axe: several, one fastener, map and hands, very large, locked',
    { tag: ['@phone', '@long'] },
    async ({ technician: t }) => {
      await t.signIn();
      await t.startHead();
      await t.pull('It turned');
      await t.button(/^More$/).click();
      await clean(t, 'more');
      await t.button('Several at once').click();
      await clean(t, 'several');
      await t.button('Cancel').click();
      await t.more('Did I do this one?');
      await clean(t, 'which one');
      await t.page.getByRole('radio', { name: 'bolt 1', exact: true }).click();
      await clean(t, 'one fastener');
      await t.button('I did something besides').click();
      await clean(t, 'besides');
      await t.button('Cancel').click();
      await t.button('Back to the work').click();
      await t.button('Something is wrong').click();
      await t.button('It was another one').click();
      await clean(t, 'another one');
      await t.button('Cancel').click();
      await t.more('Map, sound, voice');
      await t.button('Very large, for two metres: off').click();
      await clean(t, 'map and hands');
      await t.button('Lock the wet glass').click();
      await clean(t, 'very large, locked');
    },
  );
});

test.describe(() => {
  onlyOn('phone');
  test(
    'what comes afterwards, and the account of a shop, are clean for axe',
    { tag: '@phone' },
    async ({ technician: t, house }) => {
      await t.signIn('Ines Corte');
      const to = async (path: string, heading: string, screen: string): Promise<void> => {
        await t.page.goto(`${house.url}${path}`);
        await expect(t.page.getByRole('heading', { name: heading }).first()).toBeVisible();
        await clean(t, screen);
      };
      await to('/account', 'Your PIN', 'account');
      await to('/people', 'People', 'people');
      await t.button(/^Change Mei Sandoval/).click();
      await clean(t, 'people, one chosen');
      await to('/follow-ups', 'Follow-ups', 'follow-ups');
      await t.tab('Month').click();
      await clean(t, 'follow-ups, month');
      await to('/history', 'What was tightened', 'history');
      await to(
        '/runs/5e000000-0000-4000-8000-000000000824/record',
        'What the wrench saw',
        'record',
      );
      await expect(t.page.getByText('Look again at bolt 6.')).toBeVisible();
      await clean(t, 'curves');
      const [file] = await Promise.all([
        t.page.waitForEvent('download'),
        t.button('Record as a document').click(),
      ]);
      await t.page.goto(`${house.url}/history`);
      const [chooser] = await Promise.all([
        t.page.waitForEvent('filechooser'),
        t.button('Bring in a record or an archive').click(),
      ]);
      await chooser.setFiles(await file.path());
      await t.button(/^Open this record/).click();
      await expect(t.page.getByText(/^Checked just now/)).toBeVisible();
      await clean(t, 'a record from another shop');
      await t.page.goto(`${house.url}/tools`);
      await t.button('What was tightened with it: Wrench 4, digital').click();
      await expect(t.page.getByRole('heading', { name: 'How its readings lay' })).toBeVisible();
      await clean(t, 'drift');
    },
  );
});
