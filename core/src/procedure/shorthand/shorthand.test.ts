import fc from 'fast-check';
import { lineOf, parseLine, printLine, withLine, type Line, type LineStage } from '..';
import { ORDERS } from '../stage';
import { demoSheets, headSheet } from '../../testing';
import { buildSheet } from '../../testing/sheetPlans';
import { planArbitrary } from '../../testing/sheetParts';
import { FRICTION_CONDITIONS, PROPERTY_CLASSES } from '../../thread';

const printed = (text: string): string => printLine(parseLine(text).line);

describe('reading', () => {
  test('the lines of the manual come back as they stand', () => {
    for (const text of [
      '10 × M10×1.5 10.9 new, oiled, center-out: 27 N·m until settled; 50 N·m; +75°; +65°',
      '6 × M11×1.5 8.8 new, oiled: 33 N·m; 61 N·m; back 120° reversed ×2; 45 N·m; +50°; A, B +95°; rest +25°',
      '8 × 7/16-20 SAE 8 by length, moly paste: 25 lbf·ft; stretch 0.14 mm ±0.01',
      '6 × M8×1.25 8.8 reusable, dry, thirds: by hand; draw down until seated; 4.5–5 kgf·m; floor 20 N·m',
    ]) {
      expect(parseLine(text).problems).toEqual([]);
      expect(printed(text)).toBe(text);
    }
  });

  test('units, signs and decimal commas are taken as people write them', () => {
    const canonical =
      '4 × M8×1.25 8.8 reusable, oiled, cross: 8.5 N·m; 16 lbf·ft; 177 lbf·in; +90°';
    for (const text of [
      '4x M8 8.8 reused oil, cross: 8,5 Nm; 16 ft-lb; 177 in lb; +90 deg',
      '4 × M8x1.25 8.8 reusable engine oil cross: 8.5 N.m; 16 lb ft; 177 lbf-in; + 90 degrees',
    ]) {
      expect(parseLine(text).problems).toEqual([]);
      expect(printed(text)).toBe(canonical);
    }
  });

  test('the words people type mean what they say, in their order', () => {
    const read = (text: string) => {
      const { line, problems } = parseLine(text);
      expect(problems).toEqual([]);
      return printLine(line);
    };
    expect(
      read(
        '8 × M11×1.5 10.9 new, oiled, centre-out: 45 N·m; +60°; loosen 270°; 45 N·m again; +60°',
      ),
    ).toBe('8 × M11×1.5 10.9 new, oiled, center-out: 45 N·m; +60°; back 270°; 45 N·m; +60°');
    expect(
      read('10 x M10 10.9 new: hand tight; snug 20 Nm; then 40 N-m; back off 1 turn; 30 N•m twice'),
    ).toBe('10 × M10×1.5 10.9 new, dry: by hand; snug 20 N·m; 40 N·m; back 360°; 30 N·m ×2');
    expect(read('4 × M8 8.8: slacken fully; 1,2 daN·m')).toBe(
      '4 × M8×1.25 8.8 reusable, dry: back fully; 1.2 daN·m',
    );
    expect(read('6 × 1-8 grade 8: 300 ft-lbs; check 300 ft•lb')).toBe(
      '6 × 1-8 SAE 8 reusable, dry: 300 lbf·ft; check 300 lbf·ft',
    );
    expect(read('6 × #10-24 SAE grade 5: 30 in-lbs')).toBe(
      '6 × #10-24 SAE 5 reusable, dry: 30 lbf·in',
    );
  });

  test('snug is kept as the purpose of its stage', () => {
    const { line } = parseLine('10 × M10 10.9: snug 30 N·m; +75°; +65°');
    const [first] = withLine(headSheet, line).stages;
    expect(first).toMatchObject({ name: '30 N·m', purpose: 'snug' });
  });

  test('a comma is a decimal only directly between digits', () => {
    expect(parseLine('2 × M8 8.8: 1, 2 +90°').line.stages[0]).toMatchObject({
      on: ['1', '2'],
      value: { value: 90 },
    });
    expect(parseLine('2 × M8 8.8: 1,2 N·m').line.stages[0]).toMatchObject({
      on: ['all'],
      value: { value: 1.2 },
    });
  });

  test('what is not understood is said with its place, and the rest is read', () => {
    const { line, problems } = parseLine('4 × M8 8.8 dry: 8 N·m; 12; 20 N·m sideways; +90 N·m');
    expect(line.stages.map((s) => s.value?.value)).toEqual([8, 20]);
    expect(problems.map((p) => [p.at, p.message])).toEqual([
      [25, 'Enter a torque here.'],
      [34, '“sideways” isn’t understood here.'],
      [48, 'N·m isn’t a unit for an angle.'],
      [48, '“N·m” isn’t understood here.'],
    ]);
  });

  test('any text at all is answered, never thrown at', () => {
    const piece = fc.constantFrom(
      '10 ',
      '× ',
      'M10×1.5 ',
      '10.9 ',
      'new',
      ', ',
      ': ',
      '27 ',
      'N·m',
      ' until',
      ' settled',
      '; ',
      '+',
      '75',
      '°',
      'back ',
      '(',
      ')',
      '×2',
      '–',
      ' rest ',
      'A,B ',
      '\u0000',
      '💧',
    );
    fc.assert(
      fc.property(
        fc.oneof(
          fc.string({ unit: 'grapheme', maxLength: 60 }),
          fc.array(piece, { maxLength: 40 }).map((p) => p.join('')),
        ),
        (text) => {
          for (const p of parseLine(text).problems) {
            expect(p.at).toBeGreaterThanOrEqual(0);
            expect(p.at + p.length).toBeLessThanOrEqual(text.length);
          }
        },
      ),
    );
  });
});

describe('parse(print(line)) = line', () => {
  const name = fc.constantFrom('A', 'B', '7s', '12', 'inner', 'rest');
  const on = fc.oneof(
    fc.constant<string[]>(['all']),
    fc.uniqueArray(name as fc.Arbitrary<string>, { minLength: 1, maxLength: 3 }),
  );
  const number = fc.integer({ min: 1, max: 4000 }).map((n) => n / 10);
  const torqueUnit = fc.constantFrom(
    'N.m',
    '[ft_i].[lbf_av]',
    '[in_i].[lbf_av]',
    'kgf.m',
    'kgf.cm',
  ) as fc.Arbitrary<'N.m'>;
  const rule = fc.constantFrom(...ORDERS);
  const order = fc
    .record({ rule, reverse: fc.option(fc.constant(true), { nil: undefined }) })
    .map(({ rule: r, reverse }) => ({ rule: r, ...(reverse ? { reverse } : {}) }));
  const listed = fc
    .uniqueArray(fc.constantFrom('1', '2', '3', 'A', '7n'), { minLength: 2, maxLength: 5 })
    .map((labels) => ({ rule: 'listed' as const, labels }));
  const passes = fc
    .integer({ min: 2, max: 9 })
    .map((n) => ({ kind: 'passes' as const, passes: n }));
  const settled = fc.record({
    kind: fc.constant('untilSettled' as const),
    maxPasses: fc.integer({ min: 2, max: 9 }),
    movedMoreThanDeg: fc.integer({ min: 1, max: 9 }),
  });
  const body: fc.Arbitrary<Omit<LineStage, 'on'>> = fc.oneof(
    fc
      .record({
        value: number,
        unit: torqueUnit,
        upTo: fc.option(number, { nil: undefined }),
        action: fc.constantFrom('torque', 'check') as fc.Arbitrary<'torque'>,
      })
      .map(({ value, unit, upTo, action }) => ({
        action,
        value: { value, unit },
        ...(upTo === undefined ? {} : { upTo }),
      })),
    number.map((value) => ({ action: 'angle' as const, value: { value, unit: 'deg' as const } })),
    number.map((value) => ({ action: 'stretch' as const, value: { value, unit: 'mm' as const } })),
    fc
      .oneof(
        fc.constantFrom('free' as const, 'crack' as const),
        number.map((degrees) => ({ degrees })),
      )
      .map((loosen) => ({ action: 'loosen' as const, loosen })),
    fc.constantFrom(
      { action: 'handStart' as const },
      { action: 'runDown' as const },
      { action: 'swap' as const },
    ),
    fc.integer({ min: 1, max: 90 }).map((minutes) => ({ action: 'wait' as const, minutes })),
    fc.integer({ min: 1, max: 30 }).map((maxRounds) => ({
      action: 'drawDown' as const,
      repeat: { kind: 'untilSeated' as const, maxRounds },
    })),
    number.map((value) => ({
      action: 'check' as const,
      value: { value, unit: 'N.m' as const },
      floor: true as const,
    })),
  );
  const stage: fc.Arbitrary<LineStage> = fc
    .record({
      on,
      body,
      order: fc.option(fc.oneof(order, listed), { nil: undefined }),
      repeat: fc.option(fc.oneof(passes, settled), { nil: undefined }),
      plusMinus: fc.option(number, { nil: undefined }),
      trial: fc.boolean(),
    })
    .map(({ on: names, body: b, order: o, repeat, plusMinus, trial }) => ({
      on: names,
      ...b,
      ...(o ? { order: o } : {}),
      ...(repeat && !b.repeat ? { repeat } : {}),
      ...(plusMinus !== undefined && b.value ? { plusMinus } : {}),
      ...(trial ? { trial: true as const } : {}),
    }));
  const group = fc.record({
    count: fc.integer({ min: 1, max: 40 }),
    thread: fc.constantFrom(
      { designation: 'M10', pitchMm: 1.25 },
      { designation: 'M8', pitchMm: 1.25 },
      { designation: '3/8-16', pitchMm: 1.5875 },
      { designation: '1-8', pitchMm: 3.175 },
      { designation: '1 1/8-12', pitchMm: Number((25.4 / 12).toPrecision(6)) },
      { designation: '#10-24', pitchMm: Number((25.4 / 24).toPrecision(6)) },
      { designation: 'M11', pitchMm: 1.5 },
    ),
    propertyClass: fc.constantFrom(...PROPERTY_CLASSES),
    reuse: fc.constantFrom(
      'replace',
      'reuse',
      'reuse-in-place',
      'reuse-if-within-length',
    ) as fc.Arbitrary<'reuse'>,
    condition: fc.constantFrom(...FRICTION_CONDITIONS),
  });
  const lines: fc.Arbitrary<Line> = fc
    .record({
      groups: fc.array(group, { minLength: 1, maxLength: 3 }),
      stages: fc.array(stage, { minLength: 1, maxLength: 8 }),
    })
    .map(({ groups, stages }) => ({
      groups: groups.map(({ thread, ...g }) => ({ ...g, ...thread })),
      stages,
    }));

  test('over generated lines', () => {
    fc.assert(
      fc.property(lines, (line) => {
        const { line: again, problems } = parseLine(printLine(line));
        expect(problems).toEqual([]);
        expect(again).toEqual(line);
      }),
      { numRuns: process.env.STENNET_ALL ? 20_000 : 300 },
    );
  });

  test('over the demo sheets and generated ones, and the share that a line says whole is printed', () => {
    let whole = 0;
    let stages = 0;
    let said = 0;
    const generated = fc.sample(planArbitrary, { numRuns: 300, seed: 7 }).map(buildSheet);
    for (const sheet of [...demoSheets, ...generated]) {
      const { line, unsaid } = lineOf(sheet);
      expect(parseLine(printLine(line))).toEqual({ line, problems: [] });
      stages += sheet.stages.length;
      said += line.stages.length;
      if (unsaid.length === 0) whole += 1;
    }
    process.stdout.write(
      `\nshorthand says ${Math.round((100 * said) / stages)} % of ${stages} stages, ${Math.round((100 * whole) / (demoSheets.length + 300))} % of sheets whole\n`,
    );
    expect(said / stages).toBeGreaterThan(0.6);
  });
});
