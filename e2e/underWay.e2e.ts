import { expect, test } from './house';

test(
  'the map as one stands to it: turned, mirrored, larger, tapped, and so again next time',
  { tag: ['@phone', '@long'] },
  async ({ technician: t }) => {
    await t.signIn();
    await t.startHead();
    // The first two lie in the middle: mirrored they are where they were.
    await t.pulls('Moved', 2);
    const where = t.page.getByText(/row, \d of 5 from the left/);
    const before = await where.innerText();
    await t.more('Map, sound, voice');
    await t.button('Mirror: other bank or from below').click();
    await t.button('Zoom in').click();
    await t.button('Back to the job').click();
    await expect(where).not.toHaveText(before);
    const mirrored = await where.innerText();
    await t.page.reload();
    await expect(where).toHaveText(mirrored);
    await t.more('Map, sound, voice');
    await t.button('Zoom out').click();
    await t.button('Back to the job').click();
    // Somewhere on the map lies a fastener within a thumb's reach.
    const told = t.page.getByRole('heading', { name: /What happened to bolt \d+/ });
    await t.tapMap(told);
    await expect(told).toBeVisible();
  },
);
test(
  'very large for two metres; wet glass: locked, drops press nothing, the pedal goes on, two presses apart open it',
  { tag: ['@phone', '@long'] },
  async ({ technician: t, house, isMobile }) => {
    await t.signIn();
    await t.startHead();
    await t.more('Map, sound, voice');
    await t.button(/^Extra large, readable from 6 ft/).click();
    await t.button('Back to the job').click();
    await expect(t.page.getByText('bolt 1', { exact: true })).toBeVisible();
    // A wide screen has room for the map beside it.
    if (isMobile) await expect(t.page.getByRole('img', { name: /10 fasteners/ })).toHaveCount(0);
    await t.more('Map, sound, voice');
    await t.button('Lock the screen against drops').click();
    await expect(t.page.getByText('Screen locked')).toBeVisible();
    await expect(t.button('Pause')).toHaveCount(0);
    await t.handTime();
    const done = await t.button('Moved').boundingBox();
    if (!done) throw new Error('no button');
    await t.page.mouse.click(done.x + done.width / 2, done.y + done.height / 2);
    await expect(t.page.getByText('bolt 1', { exact: true })).toBeVisible();
    await t.page.keyboard.press('PageDown');
    await expect(t.page.getByText('bolt 2', { exact: true })).toBeVisible();
    // One press in the wrong place opens nothing.
    await t.button(/^2$/).click();
    await expect(t.page.getByText('Screen locked')).toBeVisible();
    await t.button(/^1$/).click();
    await t.button(/^2$/).click();
    await expect(t.page.getByText('Screen locked')).toHaveCount(0);
    await t.pull('Moved');
    await t.expectSaved();
    expect((await house.events()).filter((e) => e.type === 'pulled')).toHaveLength(2);
  },
);
test(
  'away in the middle of an angle stage: the stripe is looked at before anything is pulled',
  { tag: ['@phone', '@long'] },
  async ({ technician: t, house }) => {
    await t.signIn();
    await t.startHead();
    for (const said of ['Moved', 'Didn’t move']) {
      await t.more('Several at once');
      await t.pull(`All 10: ${said.toLowerCase()}`);
    }
    await t.snug();
    await t.toFirstAngle();
    await t.pulls('Turned 75° by gauge', 2);
    await t.expectSaved();
    await t.page.clock.fastForward(25 * 60000);
    await t.page.reload();
    await expect(
      t.page.getByRole('heading', { name: /You were away for 2\d minutes/ }),
    ).toBeVisible();
    await expect(t.page.getByText(/Last: bolt 2, .* Check the paint mark of bolt 3/)).toBeVisible();
    await t.button('Turned: read the mark').click();
    await t.field('Somewhere else: degrees from the painted mark', '74');
    await t.pull('Record');
    await expect(t.page.getByText('4 of 10')).toBeVisible();
    await t.expectSaved();
    // Never a second angle on a bolt that has it.
    expect(
      (await house.events()).filter(
        (e) =>
          e.type === 'pulled' && e.payload.stage === 'first-angle' && e.payload.fastener === '3/1',
      ),
    ).toHaveLength(1);
  },
);
