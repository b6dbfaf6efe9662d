import fc from 'fast-check';
import { newDraft, pasteLine } from '../../draft';
import { buildSheet, demoSheets, demoSheet, headSheet, planArbitrary } from '../../testing';
import { checkSheet } from '../checks';
import type { Sheet } from '../sheet';
import type { Line } from './line';
import { withLine, lineOf } from './ofSheet';
import { parseLine } from './parse';
import { printLine } from './print';

const throughText = (sheet: Sheet) => parseLine(printLine(lineOf(sheet).line)).line;
const sheets = [
  ...demoSheets,
  ...fc
    .sample(planArbitrary, { numRuns: process.env.STENNET_ALL ? 1000 : 120, seed: 11 })
    .map(buildSheet),
];
const BLANK = newDraft({
  id: 'x',
  maker: 'Ostrel',
  model: 'Brenna',
  engine: 'OB20',
  kind: 'head',
  title: 'Head',
  today: '2026-11-30',
});

describe('a sheet written as a line', () => {
  test('and read back onto itself is the same sheet', () => {
    for (const sheet of sheets) expect(withLine(sheet, throughText(sheet))).toEqual(sheet);
  });

  test('and taken over by an empty draft says the same line again', () => {
    for (const sheet of sheets) {
      const line = throughText(sheet);
      const again = lineOf(pasteLine(BLANK, line)).line;
      const facts = (l: Line) => l.groups.map(({ id: _id, ...g }) => g);
      expect(facts(again)).toEqual(facts(line));
      expect(again.stages.map((s) => s.action)).toEqual(line.stages.map((s) => s.action));
      expect(printLine({ groups: [], stages: again.stages })).toBe(
        printLine({ groups: [], stages: line.stages }),
      );
    }
  });

  test('names every field of a stage that it leaves out', () => {
    for (const sheet of sheets) {
      const { line, unsaid } = lineOf(sheet);
      const bare = withLine({ ...sheet, stages: [] }, line).stages;
      let at = 0;
      for (const [i, stage] of sheet.stages.entries()) {
        if (unsaid.includes(`stages.${i}`)) continue;
        const read = bare[at++] as Record<string, unknown> | undefined;
        for (const [field, value] of Object.entries(stage)) {
          if (['id', 'name', 'each'].includes(field) || value === undefined) continue;
          const isKept = JSON.stringify(read?.[field]) === JSON.stringify(value);
          const isOnce = field === 'repeat' && stage.repeat?.kind === 'once';
          expect([
            sheet.id,
            field,
            isKept || isOnce || unsaid.includes(`stages.${i}.${field}`),
          ]).toEqual([sheet.id, field, true]);
        }
      }
    }
  });

  test('one bolt after the other, and what is looked at before it goes on', () => {
    const text =
      '4 × M8×1 10.9 new, oiled “Rod bolts” as rods: rods trial snug 24 N·m; back fully; each (24 N·m, +75° ±5); hold “crank turns freely”';
    const { line, problems } = parseLine(text);
    expect(problems).toEqual([]);
    expect(printLine(line)).toBe(text);
    const draft = pasteLine(BLANK, line);
    expect(draft.groups.map((g) => [g.id, g.name])).toEqual([['rods', 'Rod bolts']]);
    expect(draft.stages[2]).toMatchObject({
      action: 'each',
      each: [
        { action: 'torque', target: { value: 24, unit: 'N.m' } },
        { action: 'angle', target: { value: 75 }, tolerance: { plus: 5, minus: 5 } },
      ],
    });
    const people = '4 x M8x1 10.9: each bolt: 24 Nm then +75 deg; hold crank turns freely';
    expect(printLine(parseLine(people).line)).toBe(
      '4 × M8×1 10.9 reusable, dry: each (24 N·m, +75°); hold “crank turns freely”',
    );
    for (const [typed, said] of [
      ['4 × M8 8.8: each 24 N·m', 'After “each” write two things or more'],
      ['4 × M8 8.8: each (24 N·m, +90°', 'Close the bracket.'],
      ['4 × M8 8.8: each (24 N·m, swap)', 'On each bolt:'],
    ] as const)
      expect(
        parseLine(typed)
          .problems.map((p) => p.message)
          .join(' '),
      ).toContain(said);
  });
});

describe('pasting', () => {
  test('the line of a sheet onto that sheet changes nothing', () => {
    for (const sheet of demoSheets) expect(withLine(sheet, lineOf(sheet).line)).toEqual(sheet);
  });

  test('a changed value changes that stage and erases nothing that a line cannot say', () => {
    const damper = demoSheet('bv48-damper');
    const text = printLine(lineOf(damper).line).replace('90 N·m', '95 N·m');
    const pasted = withLine(damper, parseLine(text).line);
    expect(pasted.stages.map((s) => s.action)).toEqual(damper.stages.map((s) => s.action));
    expect(pasted.stages[1]).toEqual(damper.stages[1]);
    expect(pasted.stages[3]).toMatchObject({ id: 't1', target: { value: 95, unit: 'N.m' } });
    expect(pasted.steps).toEqual(damper.steps);
    expect(checkSheet(pasted).filter((f) => f.level !== 'note')).toEqual([]);
  });

  test('a stage more is added at the end, one less is taken away', () => {
    const more = withLine(
      headSheet,
      parseLine(
        '10 × M10×1.5 10.9 new, oiled, center-out: 27 N·m until settled; 50 N·m; +75° ±5; +65° ±5; +30°',
      ).line,
    );
    expect(more.stages.map((s) => s.id)).toEqual([
      'settle',
      'snug',
      'first-angle',
      'second-angle',
      'stage-5',
    ]);
    expect(
      withLine(headSheet, parseLine('10 × M10×1.5 10.9 new: 27 N·m; 50 N·m').line).stages,
    ).toHaveLength(2);
  });

  test('“rest” means those that the stage before left out', () => {
    const pasted = withLine(
      headSheet,
      parseLine('10 × M10×1.5 10.9 new: 27 N·m; 1, 2 +90°; rest +60°').line,
    );
    expect(pasted.stages[2]?.on).toEqual(['3', '4', '5', '6', '7', '8', '9', '10']);
  });
});
