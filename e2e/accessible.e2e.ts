import { clean } from './axe';
import { expect, test } from './house';

test(
  'every screen of the way through is clean for axe, light and dark',
  { tag: '@phone' },
  async ({ technician: t, house }) => {
    await t.page.clock.install();
    await t.page.goto(house.url);
    await expect(t.button('Sign in')).toBeVisible();
    await clean(t, 'sign in');
    await t.signIn();
    await clean(t, 'today');
    await t.page.getByRole('link', { name: 'Account: Jonah Pike' }).click();
    await expect(t.button('Sign out')).toBeVisible();
    await clean(t, 'account');
    await t.page.getByRole('link', { name: 'Back' }).click();
    await t.openOrder('2417');
    await clean(t, 'repair order');
    await t.button('Tighten cylinder head').click();
    await expect(t.button('Start tightening')).toBeVisible();
    await t.choose('radio', '12-point head, M11');
    await expect(t.button('Use that sheet for this joint')).toBeVisible();
    await clean(t, 'start');
    await t.choose('radio', 'hex head, M10');
    await t.button('Start tightening').click();
    await expect(t.button('10 new ones in, by hand')).toBeVisible();
    await clean(t, 'new bolts');
    await t.tap('10 new ones in, by hand');
    await expect(t.button(/^Wrench 3/)).toBeVisible();
    await clean(t, 'choose a wrench');
    await t.tap(/^Wrench 3/);
    await clean(t, 'set the wrench');
    await t.tap('Wrench is set');
    await t.pulls('Moved', 2);
    await clean(t, 'settling');
    await t.button('Go back').click();
    await clean(t, 'go back');
    await t.button('Turned as entered: keep it').click();
    await t.button('Report a problem').click();
    await clean(t, 'problem reported');
    await t.button('Cancel').click();
    await t.button('Pause').click();
    await expect(t.button('Resume')).toBeVisible();
    await clean(t, 'paused');
    await t.tap('Resume');
    await t.pulls('Moved', 8);
    await t.pulls('Didn’t move', 10);
    await t.snug();
    await t.toFirstAngle();
    await clean(t, 'angle');
    await t.button('Different angle').click();
    await clean(t, 'other angle');
    await t.button('Cancel').click();
    await t.page.getByRole('link', { name: 'Back to repair order' }).click();
    await t.button('Tightened values').click();
    await expect(t.page.getByRole('heading', { name: 'Not finished' })).toBeVisible();
    await clean(t, 'record');
  },
);

test(
  'the sheet library and every part of the editor are clean for axe, light and dark',
  { tag: ['@phone', '@long'] },
  async ({ technician: t }) => {
    await t.signIn('Ines Corte');
    await t.page.goto(`${t.house.url}/sheets/brenna-2-0-head/C`);
    await t.button('Write next revision').click();
    await expect(t.tab('Places')).toBeVisible();
    await t.settled('saved');
    for (const part of ['Line', 'Places', 'Fasteners', 'Stages', 'Steps', 'About', 'Ready?']) {
      await t.tab(part).click();
      await clean(t, part);
    }
    await t.page.goto(`${t.house.url}/library`);
    await expect(t.page.getByRole('link', { name: /^Open draft/ })).toBeVisible();
    await clean(t, 'library');
  },
);

test(
  'finding a sheet and what holds a run up are clean for axe, light and dark',
  { tag: ['@phone', '@long'] },
  async ({ technician: t, house }) => {
    await t.signIn();
    await t.section('Find');
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
    await expect(t.page.getByText('Which bolt do you have?')).toBeVisible();
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
    await t.tap('Seated');
    await expect(
      t.page.getByRole('heading', { name: 'Hold point: alignment tool slides' }),
    ).toBeVisible();
    await clean(t, 'hold point');
  },
);

test(
  'the repair order, its parts and forms, preparing, tools and the lead’s approval are clean for axe, light and dark',
  { tag: ['@phone', '@long'] },
  async ({ technician: t, house, isMobile }) => {
    await t.signIn('Ines Corte');
    const id = (n: number): string => `5e000000-0000-4000-8000-${String(n).padStart(12, '0')}`;
    const at = async (path: string, text: string | RegExp, screen: string): Promise<void> => {
      await t.page.goto(`${house.url}${path}`);
      await expect(t.page.getByText(text).first()).toBeVisible();
      await clean(t, screen);
    };
    await at(`/orders?at=${id(201)}`, isMobile ? 'RO 2417' : 'Status', 'repair orders');
    await at(`/orders/${id(206)}/parts`, 'Missing: Alignment tool.', 'parts');
    await at(`/orders/${id(201)}/measure`, 'Choose what to measure', 'measure');
    await t.choose('radio', 'Runout with dial indicator');
    await clean(t, 'measuring');
    await at(`/orders/${id(201)}/parts`, 'Must be new', 'parts of an order');
    await t.button(/^Status: .*Head bolts/).click();
    await expect(t.page.getByRole('menuitem').first()).toBeVisible();
    await clean(t, 'part, its states');
    await at('/orders/new', 'Concern', 'order form');
    await t.button('Build date: calendar').click();
    await expect(t.page.getByRole('dialog', { name: 'Build date: calendar' })).toBeVisible();
    await clean(t, 'calendar');
    await at('/tools', isMobile ? 'Torque wrenches' : 'Range and size', 'tools');
    await t.button('Add tool').click();
    await clean(t, 'tool form');
    await at(`/tools/${id(102)}`, 'Off at each check, to the right', 'wrench');
    await t.button('Check against a reference').click();
    await clean(t, 'wrench check');
    await at('/system', 'Changes aren’t archived', 'system');
    await at('/bench', /^Nine of ten bolts/, 'bench');
    await at('/bench?page=pulls', /^Friction alone leaves/, 'bench, order');
    await at('/bench?page=sane', 'Can this bolt take this torque?', 'bench, small tool');
    await at(`/joints/${id(403)}`, 'Head bolts: 10 new ones only', 'prepare');
    await at(`/orders/${id(213)}`, 'Diagnosis', 'order');
    await t.station('Diagnosis');
    await t.button('Add findings').click();
    await t.button('More on this order').click();
    await t.button('Add a job').click();
    await t.choose('radio', 'Replace clutch');
    await expect(t.button('Add this job')).toBeVisible();
    await clean(t, 'order, writing');
    await t.page.goto(`${house.url}/joints/${id(401)}`);
    await t.choose('radio', 'hex head, M10');
    await t.button('Start tightening').click();
    await t.tap('10 new ones in, by hand');
    await t.tap('Use a crowfoot or offset adapter');
    await t.choose('radio', 'Crowfoot 13 mm');
    await clean(t, 'adapter');
    await t.tap('Ask the lead: Wrench 4, digital');
    await clean(t, 'lead');
  },
);

test(
  'what comes afterwards, and the account of a shop, are clean for axe',
  { tag: ['@phone', '@long'] },
  async ({ technician: t, house }) => {
    await t.signIn('Ines Corte');
    const to = async (path: string, heading: string, screen: string): Promise<void> => {
      await t.page.goto(`${house.url}${path}`);
      await expect(t.page.getByRole('heading', { name: heading }).first()).toBeVisible();
      await clean(t, screen);
    };
    await to('/account', 'Your PIN', 'account');
    await to('/people', 'People', 'people');
    await t.button(/^Edit Mei Sandoval/).click();
    await clean(t, 'people, one selected');
    await to('/follow-ups', 'Follow-ups', 'follow-ups');
    await t.tab('Month').click();
    await clean(t, 'follow-ups, month');
    await to('/history', 'Tightened joints', 'history');
    await to('/runs/5e000000-0000-4000-8000-000000000824/record', 'Torque-angle curves', 'record');
    await expect(t.page.getByText('Check bolt 6.')).toBeVisible();
    await clean(t, 'curves');
    const [file] = await Promise.all([
      t.page.waitForEvent('download'),
      t.button('Record file').click(),
    ]);
    await t.page.goto(`${house.url}/history`);
    const [chooser] = await Promise.all([
      t.page.waitForEvent('filechooser'),
      t.button('Import a record or an archive').click(),
    ]);
    await chooser.setFiles(await file.path());
    await t.button(/^Open record/).click();
    await expect(t.page.getByText(/^Verified just now/)).toBeVisible();
    await clean(t, 'a record from another shop');
    await t.page.goto(`${house.url}/tools`);
    await t.jobsWith('Wrench 4, digital');
    await expect(t.button(/^Recall list/)).toBeVisible();
    await clean(t, 'jobs with a wrench');
  },
);
