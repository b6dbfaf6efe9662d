import fs from 'node:fs';
import { aSecondDevice, expect, test, type Technician } from './house';

const JONAH = '5e000000-0000-4000-8000-000000000011';
const MEI = '5e000000-0000-4000-8000-000000000012';

/** Signed in with the password once: PIN set, enrolled on this device. */
async function enrol(t: Technician, url: string, pin: string): Promise<void> {
  await t.page.goto(`${url}/account`);
  await t.field('New PIN, 4 to 8 digits', pin);
  await t.field('Your password', 'witness-mark');
  await t.button('Set PIN').click();
  await expect(t.page.getByText('PIN set.')).toBeVisible();
  await t.button('Enroll me on this device').click();
  await expect(t.page.getByText('You are enrolled on this device.')).toBeVisible();
}

async function switchTo(t: Technician, name: string, pin: string): Promise<void> {
  await t.button(`Switch to ${name}`).click();
  await t.field(`${name}’s PIN`, pin);
  await t.button('Switch').click();
}

test(
  'a shared phone: switched by PIN with pulls that were never sent; each goes out under its own name',
  { tag: '@phone' },
  async ({ technician: t, house, context }) => {
    await t.signIn('Mei Sandoval');
    await enrol(t, house.url, '7391');
    await t.signOut();
    await t.signInAgain('Jonah Pike');
    await enrol(t, house.url, '2846');
    await t.page.goto(house.url);
    await t.startHead();
    await t.pulls('Moved', 2);
    await t.expectSaved();
    await context.setOffline(true);
    await t.pulls('Moved', 2);
    await t.page.getByRole('link', { name: 'Back to repair order' }).click();
    await t.page.getByRole('link', { name: 'Back to Today' }).click();
    await t.page.getByRole('link', { name: 'Account: Jonah Pike' }).click();
    await expect(
      t.page.getByText('Jonah Pike has to sign in here to send 2 entries.'),
    ).toBeVisible();
    // Without a network no one can check the PIN: the phone says so.
    await switchTo(t, 'Mei Sandoval', '7391');
    await expect(t.page.getByText('Mei Sandoval: not verified yet')).toBeVisible();
    await context.setOffline(false);
    await expect
      .poll(
        async () => {
          await t.page.clock.fastForward(3000);
          return t.page.getByText('Mei Sandoval: not verified yet').count();
        },
        { timeout: 60_000 },
      )
      .toBe(0);
    const pulled = async (): Promise<string[]> =>
      (await house.events()).flatMap((e) => (e.type === 'pulled' ? [e.person] : []));
    await expect
      .poll(
        async () => {
          await t.page.clock.fastForward(3000);
          return (await pulled()).length;
        },
        { timeout: 60_000 },
      )
      .toBe(4);
    expect(await pulled()).toEqual([JONAH, JONAH, JONAH, JONAH]);
    // And back again: a wrong PIN is refused in words, the right one is enough.
    await t.page.goto(`${house.url}/account`);
    await switchTo(t, 'Jonah Pike', '1111');
    await expect(t.page.getByText('That isn’t Jonah Pike’s PIN.')).toBeVisible();
    await t.field('Jonah Pike’s PIN', '2846');
    await t.button('Switch').click();
    await expect(t.page.getByRole('link', { name: 'Account: Jonah Pike' })).toBeVisible();
    expect(MEI).not.toBe(JONAH);
  },
);

test(
  'what is not sent is saved as a file and read back; the server is gone for the whole run',
  { tag: ['@phone', '@long'] },
  async ({ technician: t, house }) => {
    await t.signIn();
    await t.startHead();
    await t.expectSaved();
    await house.kill();
    await t.settle();
    await t.snug();
    await t.angles();
    await t.tap('Finish and record');
    await t.tap('View record');
    await expect(t.page.getByText('Connect to the server to see signatures')).toBeVisible();
    await t.page.getByRole('link', { name: 'Back to repair order' }).click();
    await t.page.getByRole('link', { name: 'Back to Today' }).click();
    await t.page.getByRole('link', { name: 'Account: Jonah Pike' }).click();
    const [file] = await Promise.all([
      t.page.waitForEvent('download'),
      t.button('Save unsent entries to a file').click(),
    ]);
    const kept = JSON.parse(fs.readFileSync(await file.path(), 'utf8')) as {
      runs: { events: { type: string }[] }[];
    };
    expect(kept.runs[0]?.events.filter((e) => e.type === 'pulled')).toHaveLength(50);
    // The device is wiped; what it held comes back from the file, and goes out when the server is
    // there again.
    await t.page.evaluate(() =>
      indexedDB
        .databases()
        .then((all) => Promise.all(all.map((d) => indexedDB.deleteDatabase(d.name ?? ''))))
        .then(() => undefined),
    );
    await house.start();
    await t.page.goto(`${house.url}/account`);
    const [chooser] = await Promise.all([
      t.page.waitForEvent('filechooser'),
      t.button('Load unsent entries from a file').click(),
    ]);
    await chooser.setFiles(await file.path());
    await expect(t.page.getByText(/entries loaded\./)).toBeVisible();
    await expect
      .poll(
        async () => {
          await t.page.clock.fastForward(3000);
          return (await house.events()).filter((e) => e.type === 'pulled').length;
        },
        { timeout: 60_000 },
      )
      .toBe(50);
  },
);

test(
  'the first visit makes the shop and its lead, who adds the others',
  { tag: ['@phone', '@long'] },
  async ({ technician: t, house }) => {
    await house.kill();
    await house.admin.query('truncate account, shop cascade');
    await house.start({ SETUP_CODE: 'kiln-4711' });
    await t.page.goto(house.url);
    await expect(t.page.getByRole('heading', { name: 'Set up your shop' })).toBeVisible();
    await t.field('Setup code', 'guessed');
    await t.field('Shop name', 'Kiln Lane Motors');
    await t.field('Your name', 'Ada Fenn');
    await t.field('Password, at least 10 characters', 'short');
    await t.button('Create shop').click();
    await expect(t.page.getByText('Use at least 10 characters.')).toBeVisible();
    await t.field('Password, at least 10 characters', 'tighten in order');
    await t.choose('radio', 'Letter');
    await t.button('Create shop').click();
    await expect(t.page.getByRole('alert')).toContainText('code');
    // What was typed is still there.
    await t.field('Setup code', 'kiln-4711');
    await t.button('Create shop').click();
    await expect(t.page.getByRole('heading', { name: 'Today', exact: true })).toBeVisible();
    await t.page.goto(`${house.url}/people`);
    await t.field('Full name', 'Bo Lindgren');
    await t.field('First password, at least 10 characters', 'password1234');
    await t.button('Add').click();
    await expect(t.page.getByRole('alert')).toContainText('too easy to guess');
    await t.field('First password, at least 10 characters', 'tighten in order');
    await t.button('Add').click();
    await expect(t.page.getByText('Bo Lindgren can sign in now.')).toBeVisible();
    await t.page.goto(`${house.url}/account`);
    await t.button('Sign out').click();
    await expect(t.page.getByRole('heading', { name: 'Set up your shop' })).toHaveCount(0);
    await t.field('Name', 'Bo Lindgren');
    await t.field('Password', 'tighten in order');
    await t.button('Sign in').click();
    await expect(t.page.getByRole('heading', { name: 'Today', exact: true })).toBeVisible();
    const { rows } = await house.admin.query('select paper from shop');
    expect(rows).toEqual([{ paper: 'Letter' }]);
  },
);

test(
  'one more shop by a code: a lead who works here already, then switches between both',
  { tag: ['@phone', '@long'] },
  async ({ technician: t, house }) => {
    await house.admin.query(
      `insert into shop_code (hash, ends_at) values (sha256('K7PQM2XWTA'), now() + interval '1 day')`,
    );
    await t.page.goto(`${house.url}/new-shop`);
    await expect(t.page.getByRole('heading', { name: 'Set up another shop' })).toBeVisible();
    await t.field('Setup code', 'k7pqm-2xwta');
    await t.field('Shop name', 'Quay Annexe');
    await t.field('Your name', 'Ines Corte');
    await t.field('Password, at least 10 characters', 'not her password');
    await t.button('Create shop').click();
    await expect(t.page.getByRole('alert')).toContainText('The name Ines Corte is already taken.');
    await t.field('Password, at least 10 characters', 'witness-mark');
    await t.button('Create shop').click();
    await expect(t.page.getByRole('heading', { name: 'Today', exact: true })).toBeVisible();
    await expect(t.page.getByText('Quay Annexe')).toBeVisible();
    expect(new URL(t.page.url()).pathname).toBe('/');
    await expect(t.page.getByRole('link', { name: /Open RO/ })).toHaveCount(0);
    await t.page.getByRole('link', { name: 'Account: Ines Corte' }).click();
    await t.button('Switch to Halden Quay Motor Works').click();
    await expect(t.page.getByRole('link', { name: 'Open RO 2417' })).toBeVisible();
  },
);

test(
  'people come and go: a code for a new password, another role with the lead’s own password, and whoever has left is out',
  { tag: ['@phone', '@long'] },
  async ({ technician: t, house, context }) => {
    await t.signIn('Ines Corte');
    await t.page.goto(`${house.url}/people`);
    await t.button('Edit Mei Sandoval').click();
    await t.field('Your own password', 'witness-mark');
    await t.button('Create code').click();
    await expect(
      t.page.getByText('Code for Mei Sandoval, works once within 24 hours'),
    ).toBeVisible();
    const code = (await t.page.getByText(/^[A-Z0-9]{5}-[A-Z0-9]{5}$/).textContent()) ?? '';
    const mei = await aSecondDevice(context, house);
    await mei.page.goto(house.url);
    await mei.button('I have a code').click();
    await mei.field('Name', 'mei sandoval');
    await mei.field('Code', code.replace('-', ' ').toLowerCase());
    await mei.field('New password, at least 10 characters', 'three odd words');
    await mei.button('Set password and sign in').click();
    await expect(mei.page.getByRole('heading', { name: 'Today', exact: true })).toBeVisible();
    // Once: the code is used up, and the old password is gone.
    await t.button('Close').click();
    await t.button('Edit Mei Sandoval').click();
    await t.page.getByRole('radio', { name: 'lead technician' }).first().click();
    await t.button('Save role').click();
    await expect(t.page.getByText('Your own password is missing.')).toBeVisible();
    await t.page.getByRole('textbox', { name: 'Your own password' }).first().fill('witness-mark');
    await t.button('Save role').click();
    await expect(t.page.getByText('Mei Sandoval, lead technician')).toBeVisible();
    await t.button('Mei Sandoval left: sign out everywhere').click();
    await expect(t.page.getByText('Mei Sandoval, left the shop')).toBeVisible();
    await mei.page.reload();
    await expect(mei.button('Sign in')).toBeVisible();
    await expect(t.page.getByText('Ines Corte created a code for Mei Sandoval')).toBeVisible();
  },
);
