import fc from 'fast-check';
import { plainText } from '../quantity';
import { newDraft } from './draft';
import { printedIn, printedOn, takePrinted, type PrintedWord } from './printed';

const says = (text: string): string[] => printedIn(text).map((p) => `${p.what} ${p.says}`);

test('torques, angles, threads and classes as pages print them', () => {
  expect(says('Cylinder head bolts M10 x 1.5, class 10.9')).toEqual([
    'thread M10×1.5',
    'class 10.9',
  ]);
  expect(says('Stage 1: 27 Nm in the order shown. Stage 2: 50 N·m')).toEqual([
    'torque 27 N·m',
    'torque 50 N·m',
  ]);
  expect(says('Stage 3  turn a further 75º, then 65 degrees')).toEqual([
    'angle +75°',
    'angle +65°',
  ]);
  expect(says('4.5 - 5,0 kgf·m (33–36 lb-ft)')).toEqual([
    'torque 4.5–5 kgf·m',
    'torque 33–36 lbf·ft',
  ]);
  // As a scan has it.
  expect(says("all bolts 20 N'm, 45 N’m, 33 lbf:ft, 90˚")).toEqual([
    'torque 20 N·m',
    'torque 45 N·m',
    'torque 33 lbf·ft',
    'angle +90°',
  ]);
  expect(says('M12 bolts, 89 in-lbs')).toEqual(['thread M12×1.75', 'torque 89 lbf·in']);
});

test('what is no value is left alone', () => {
  expect(says('Page 12-4, revision 2024-03, bolt length 105 mm, 10 bolts')).toEqual([]);
  expect(says('Max. 0 Nm, 50 to 20 Nm, M0 x 9')).toEqual([]);
});

const word = (text: string, x: number, y: number): PrintedWord => ({
  text,
  x,
  y,
  width: text.length * 10,
  height: 20,
});

test('words of a picture are put in lines, and each value knows its place', () => {
  const found = printedOn([
    word('N·m', 140, 102),
    word('Tighten', 10, 100),
    word('27', 100, 99),
    word('+75°', 10, 140),
  ]);
  expect(found.map((f) => [f.says, f.line, f.box])).toEqual([
    ['27 N·m', 'Tighten 27 N·m', { x: 100, y: 99, width: 70, height: 23 }],
    ['+75°', '+75°', { x: 10, y: 140, width: 40, height: 20 }],
  ]);
});

test('any value that is printed is read as it stands', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 4000 }).map((n) => n / 10),
      fc.constantFrom('N.m', '[ft_i].[lbf_av]', '[in_i].[lbf_av]', 'kgf.m', 'deg' as const),
      (value, unit) => {
        const printed = plainText({ value, unit: unit as 'N.m' });
        const [found] = printedIn(`Tighten to ${printed} in order.`);
        expect(found?.value).toEqual({ value, unit });
        expect(found?.text).toBe(printed);
      },
    ),
  );
  fc.assert(fc.property(fc.string({ unit: 'grapheme' }), (text) => void printedIn(text)));
});

test('taken one by one, they are the stages and the fasteners of the draft', () => {
  const blank = newDraft({
    ...{ id: 'x', maker: 'Ostrel', model: 'Brenna', engine: 'OB20', kind: 'head' },
    ...{ title: 'Head', today: '2026-11-30' },
  });
  const draft = printedIn('M10x1.5 class 10.9: 27 Nm; 50–52 Nm; 75°').reduce(takePrinted, blank);
  expect(draft.groups[0]).toMatchObject({
    thread: { designation: 'M10', pitchMm: 1.5 },
    propertyClass: '10.9',
  });
  expect(draft.stages.map((s) => [s.id, s.name, s.action, s.target])).toEqual([
    ['stage-1', '27 N·m', 'torque', { value: 27, unit: 'N.m' }],
    ['stage-2', '50–52 N·m', 'torque', { min: 50, max: 52, unit: 'N.m' }],
    ['stage-3', '+75°', 'angle', { value: 75, unit: 'deg' }],
  ]);
});
