import { expect } from './house';
import { listening, test, toWrench4 } from './digitalWrench';

test(
  'a digital wrench is heard: what it read waits for a word, and its curve stands in the record',
  { tag: '@phone' },
  async ({ technician: t, house, turnOn }) => {
    const wrench = await turnOn('Wrench 4, digital');
    await listening(t);
    await expect(
      t.page.getByText('Connected to Wrench 4, digital, a simulated wrench'),
    ).toBeVisible();
    await t.tap('Ask before saving');

    // Nothing counts before someone says so; one that was thrown away is nowhere.
    await wrench.torque(20);
    await expect(
      t.page.getByRole('heading', { name: 'Wrench 4, digital on bolt 1' }),
    ).toBeVisible();
    // A first torque that did not turn is looked at, whoever read it.
    await t.tap(/, didn’t move$/);
    await expect(t.page.getByText('Bolt 1 didn’t turn on the first torque')).toBeVisible();
    await t.tap('Back');
    await t.tap('Discard');
    await expect(t.button('Moved')).toBeVisible();
    for (const [bolt, seed] of [
      [1, 11],
      [2, 12],
      [3, 13],
    ] as const) {
      await expect(t.page.getByText(new RegExp(`\\b${bolt} of 10`)).first()).toBeVisible();
      await wrench.torque(27, 'ok', seed);
      await expect(t.button(/^27\.\d N·m, moved$/)).toBeVisible();
      // Still there after a look at something else; a pedal keeps it too.
      if (bolt === 2) {
        await t.button(/^More$/).click();
        await t.button('Back to the job').click();
      }
      if (bolt !== 3) await t.tap(/^27\.\d N·m, moved$/);
      else {
        await t.handTime();
        await t.page.keyboard.press('PageDown');
      }
    }
    await expect(t.page.getByText(/4 of 10/).first()).toBeVisible();
    await t.expectSaved();
    const pulled = (await house.events()).filter((e) => e.type === 'pulled');
    expect(pulled).toHaveLength(3);
    for (const { payload } of pulled) {
      expect(payload).toMatchObject({
        method: 'digital',
        outcome: 'turned',
        reading: { unit: 'N.m' },
        trace: expect.stringMatching(/^[0-9a-f]{64}$/),
      });
    }
    await expect
      .poll(
        async () =>
          (
            await house.admin.query('select trace from trace where trace = any($1)', [
              pulled.map((e) => (e.payload as { trace?: string }).trace),
            ])
          ).rows.length,
      )
      .toBe(3);

    // With the network gone the value and its curve are kept here, and go out later.
    await t.page.context().setOffline(true);
    await wrench.torque(27, 'stick_slip', 41);
    await t.tap(/^27\.\d N·m, moved$/);
    await t.page.context().setOffline(false);
    await t.expectSaved();
    const run = pulled[0]?.run ?? '';
    await t.page.goto(`${house.url}/runs/${run}/record`);
    await expect(t.page.getByRole('heading', { name: 'Torque-angle curves' })).toBeVisible();
    await expect(t.page.getByRole('img', { name: /^Torque over angle/ })).toBeVisible();
    await expect(t.page.getByText('Simulated: these curves are invented.')).toBeVisible();
    await t.choose('radio', '3');
    await expect(t.page.getByText('Nothing unusual in this curve.')).toBeVisible();
  },
);

test(
  'ten bolts by torque and angle without touching the phone: each pull is judged, kept, and the next one shown',
  { tag: ['@phone', '@long'] },
  async ({ technician: t, house, turnOn }) => {
    const wrench = await turnOn('Wrench 4, digital');
    await listening(t);
    const done = async () =>
      (await house.events()).filter((e) => e.type === 'pulled' && e.payload.method === 'digital')
        .length;
    // The person only pulls, and presses the wrench's own button where the screen asks for a word.
    for (let i = 0; i < 160; i += 1) {
      if (await t.page.getByText('All bolts done').isVisible()) break;
      const map = t.page.getByRole('img', { name: /10 fasteners/ });
      const next = /Next: .* (\d+)( N·m|°)/.exec((await map.getAttribute('aria-label')) ?? '');
      const value = next?.[1] ?? '';
      const isAngle = next?.[2] === '°';
      const before = await done();
      if (!next) await wrench.press();
      else if (isAngle)
        await wrench.pull({ to: { unit: 'deg', value: Number(value) }, from: 50, seed: 700 + i });
      else {
        const isTight = value !== '27' || before >= 10;
        const from = value === '27' ? 27 : 30;
        const to = { unit: 'N.m', value: Number(value) };
        await wrench.pull({ to, ...(isTight ? { from } : {}), seed: 700 + i });
      }
      await t.handTime();
      if (next) await expect.poll(done).toBeGreaterThan(before);
    }
    await t.expectSaved();
    const pulled = (await house.events()).filter((e) => e.type === 'pulled');
    const last = pulled.filter((e) => e.type === 'pulled' && e.payload.stage === 'second-angle');
    expect(last).toHaveLength(10);
  },
);

test(
  'a thread that strips under the digital wrench holds the job at the bolt, and is on the record as what it was',
  { tag: ['@phone', '@long'] },
  async ({ technician: t, house, turnOn }) => {
    const wrench = await turnOn('Wrench 4, digital');
    await listening(t);
    for (const seed of [11, 12, 13, 14, 15]) {
      await wrench.torque(27, 'ok', seed);
      await expect(t.page.getByText(/Saved 27\.\d N·m for bolt/)).toBeVisible();
      await t.handTime();
    }
    await wrench.torque(27, 'strip', 8);
    await expect(t.page.getByRole('alert').filter({ hasText: 'stripped thread' })).toBeVisible();
    await expect(t.page.getByText('Stop. Take it out and look at the threads.')).toBeVisible();
    // No pedal gets past it.
    await t.page.keyboard.press('PageDown');
    await t.tap('Show the curve');
    await expect(t.page.getByRole('img', { name: /^Torque over angle of bolt/ })).toBeVisible();
    await t.tap('Yes: thread stripped');
    await expect(t.page.getByText(/Saved 27/)).toHaveCount(0);
    await t.expectSaved();
    const events = await house.events();
    expect(events.filter((e) => e.type === 'pulled')).toHaveLength(5);
    expect(events.filter((e) => e.type === 'failed').map((e) => e.payload)).toMatchObject([
      { kind: 'stripped', note: expect.stringMatching(/^Digital wrench: .* torque drops/) },
    ]);
  },
);

test(
  'another wrench than the one chosen is heard and not kept',
  { tag: ['@phone', '@long'] },
  async ({ technician: t, house, turnOn }) => {
    const wrench = await turnOn('Wrench 9');
    await toWrench4(t);
    await t.tap(/^Lead isn’t here: continue/);
    await t.tap('Wrench is set');
    await t.tap('Connect the digital wrench');
    await expect(
      t.page.getByText(
        'Wrench 9 is connected, but this stage uses Wrench 4, digital. Its readings aren’t saved.',
      ),
    ).toBeVisible();
    await wrench.torque(27);
    await expect(
      t.page.getByText(
        'Wrench 9 took this reading, but Wrench 4, digital is chosen for this stage.',
      ),
    ).toBeVisible();
    await expect(t.button(/^(Keep|27)/)).toHaveCount(0);
    await t.tap('Discard');
    await expect(t.button('Moved')).toBeVisible();
    await t.tap('Type readings instead');
    await expect(t.button('Connect the digital wrench')).toBeVisible();
    expect((await house.events()).filter((e) => e.type === 'pulled')).toHaveLength(0);
  },
);
