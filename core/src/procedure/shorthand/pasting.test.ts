import { demoSheets, demoSheet, headSheet } from '../../testing';
import { checkSheet } from '../checks';
import { withLine, lineOf } from './ofSheet';
import { parseLine } from './parse';
import { printLine } from './print';

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
