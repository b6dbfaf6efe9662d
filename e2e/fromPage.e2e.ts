import path from 'node:path';
import { expect, test, type Technician } from './house';

const PAGE = path.join(__dirname, 'data/printed-page.png');
/** Its bolts in the order of their numbers, as shares of the picture. */
const BOLTS = [
  [500, 470],
  [500, 660],
  [665, 470],
  [335, 660],
  [335, 470],
  [665, 660],
  [830, 470],
  [170, 660],
  [170, 470],
  [830, 660],
  [250, 730],
  [420, 730],
  [590, 730],
  [760, 730],
].map(([x = 0, y = 0]) => [x / 1000, y / 1300] as const);

/** How long a person takes: a tap with a look, and letter by letter. */
class Pace {
  seconds = 0;
  constructor(private readonly t: Technician) {}
  async tap(act: () => Promise<void>): Promise<void> {
    this.seconds += 1.5;
    await act();
  }
  press(name: string | RegExp): Promise<void> {
    return this.tap(() => this.t.button(name).click());
  }
  async type(field: string, words: string): Promise<void> {
    this.seconds += 1 + words.length * 0.2;
    await this.t.page.getByRole('textbox', { name: field, exact: true }).first().fill(words);
  }
}

/** The picture, wherever it is on the screen by now. */
const picture = (t: Technician) => t.page.getByRole('img', { name: 'Page 1' });

test(
  'a sheet of fourteen bolts from the picture of a printed page to approved, at a person’s pace',
  { tag: ['@phone'] },
  async ({ technician: t, house }) => {
    await t.signIn('Ines Corte');
    await t.page.goto(`${house.url}/library`);
    const pace = new Pace(t);
    await pace.type('Maker', 'Tarrow');
    await pace.type('Model', 'Fell');
    await pace.type('Engine code', 'TF40');
    await pace.type('Kind of joint', 'Head');
    await pace.type('Title', 'Cylinder head, TF40');
    await pace.press('Create draft');
    await pace.tap(() => t.choose('checkbox', 'Page'));
    const [chooser] = await Promise.all([
      t.page.waitForEvent('filechooser'),
      pace.press('Add a page'),
    ]);
    await chooser.setFiles(PAGE);
    await expect(picture(t)).toBeVisible();

    // Read on this device; each value is offered, none is taken by itself.
    await pace.tap(() => t.tab('Line').click());
    await pace.press('Read this page');
    await expect(t.page.getByText(/values found\. Compare each/)).toBeVisible({ timeout: 60_000 });
    for (const value of ['M10×1.5', 'M8×1.25', '20 N·m', '45 N·m', '+90°', '+60°'])
      await expect(t.button(`Add: ${value}`)).toBeVisible();
    await expect(t.button('Show 45 N·m on the page')).toBeVisible();

    // A line says which bolts each is for; the page stands beside it.
    await pace.type(
      'Shorthand line',
      '10 × M10×1.5 10.9 new, oiled “Head bolts” as main + 4 × M8×1.25 10.9 new, oiled “Front bolts” as front, as listed: 20 N·m; main 45 N·m; main +90°; front +60°',
    );
    await pace.press('Use this line');

    // The numbers are placed by tapping the bolts on the picture.
    await pace.tap(() => t.choose('checkbox', 'Tap the bolts in order'));
    for (const [x, y] of BOLTS) {
      const box = await picture(t).boundingBox();
      if (!box) throw new Error('no picture');
      await pace.tap(() => t.page.mouse.click(box.x + x * box.width, box.y + y * box.height));
    }
    await pace.tap(() =>
      t.page.getByRole('checkbox', { name: 'Tap bolt 15, or press when done' }).click(),
    );

    await pace.tap(() => t.tab('Fasteners').click());
    await pace.type('Socket or bit', '14 mm hex');
    await t.page.getByRole('textbox', { name: 'Socket or bit' }).nth(1).fill('12 mm hex');
    await pace.tap(() => t.tab('About').click());
    await pace.type('Publisher', 'Tarrow (invented)');
    await pace.type('Page', '12-7');
    await pace.type('Published for', 'oiled threads and heads');
    await t.page.getByRole('textbox', { name: 'Title', exact: true }).fill('TF40, section 12');
    await pace.type('Revision', '3');
    await pace.tap(() => t.choose('checkbox', 'invented for demo'));

    // Stepped through before it is approved.
    await pace.tap(() => t.tab('Walk-through').click());
    await expect(t.page.getByText('20 N·m, 45 N·m, +90°')).toBeVisible();
    await expect(t.page.getByText('20 N·m, +60°')).toBeVisible();
    for (let i = 0; i < 3; i += 1) await pace.press('Next stage');

    await pace.tap(() => t.tab(/^Ready/).click());
    for (const question of await t.page.getByRole('checkbox', { name: /page|intended/ }).all())
      await pace.tap(() => question.click());
    await pace.press('Approve as revision A');
    await expect(t.page.getByRole('heading', { name: 'Cylinder head, TF40' })).toBeVisible();
    await expect(t.page.getByText(/^Approved by Ines Corte/)).toBeVisible();
    await expect(t.page.getByText('The page it was written from, 1 of 1')).toBeVisible();
    expect(pace.seconds).toBeLessThan(180);

    // Where they were tapped is where they are on the map: 1 above 2, 9 at the far left.
    const { rows } = await house.admin.query<{ body: string }>(
      "select body from sheet_revision where title = 'Cylinder head, TF40'",
    );
    const { pattern } = JSON.parse(rows[0]?.body ?? '{}') as {
      pattern: { positions: { label: string; xMm: number; yMm: number }[] };
    };
    const at = (label: string) => pattern.positions.find((p) => p.label === label);
    expect(at('1')?.xMm).toBeCloseTo(0, -1);
    expect((at('1')?.yMm ?? 0) - (at('2')?.yMm ?? 0)).toBeCloseTo(76, -1);
    expect(at('9')?.xMm).toBeCloseTo(-132, -1);
  },
);
