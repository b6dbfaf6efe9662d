import * as v from 'valibot';
import { AppError } from '../errors';
import { headSheet, intakeSheet } from '../testing';
import {
  assertRunnable,
  entersYield,
  orderOf,
  seatsOf,
  SheetSchema,
  type Sheet,
  type Stage,
} from '.';

const withStage = (sheet: Sheet, index: number, change: Partial<Stage>): Sheet => ({
  ...sheet,
  stages: sheet.stages.map((s, i) => (i === index ? { ...s, ...change } : s)),
});
const refusalOf = (sheet: Sheet): AppError | null => {
  try {
    assertRunnable(sheet);
    return null;
  } catch (error) {
    if (error instanceof AppError) return error;
    throw error;
  }
};

describe('a sheet', () => {
  test('of the demo can be led, and says that it is invented', () => {
    for (const sheet of [headSheet, intakeSheet]) {
      expect(refusalOf(sheet)).toBeNull();
      expect(sheet.invented).toBe(true);
    }
  });

  test('keeps its values in the unit they were published in', () => {
    expect(intakeSheet.stages.map((stage) => stage.target)).toEqual([
      { value: 89, unit: '[in_i].[lbf_av]' },
      { value: 177, unit: '[in_i].[lbf_av]' },
    ]);
  });

  test('with an unknown field, unit, action or version is refused', () => {
    const [first] = headSheet.stages;
    for (const broken of [
      { ...headSheet, colour: 'green' },
      { ...headSheet, v: 3 },
      { ...headSheet, stages: [{ ...first, action: 'guess' }] },
      { ...headSheet, stages: [{ ...first, target: { value: 27, unit: 'Nm' } }] },
      { ...headSheet, stages: [] },
    ]) {
      expect(v.is(SheetSchema, broken)).toBe(false);
    }
  });
});

describe('what is pulled, in which order', () => {
  test('an order that is left out is the last one given', () => {
    expect(headSheet.stages[3]?.order).toBeUndefined();
    expect(orderOf(headSheet, 3)).toEqual(orderOf(headSheet, 0));
  });

  test('reversed reads backwards, listed takes the sheet’s word, a subset is cut to itself', () => {
    const reversed = withStage(headSheet, 1, { order: { rule: 'centreOut', reverse: true } });
    expect(orderOf(reversed, 1)).toEqual([...orderOf(headSheet, 0)].reverse());
    const listed = withStage(headSheet, 1, {
      order: { rule: 'listed', labels: ['4', '2', '9'] },
      on: ['2', '4', '9'],
    });
    expect(orderOf(listed, 1)).toEqual(['4', '2', '9']);
    const outer = withStage(headSheet, 1, { on: ['7', '8', '9', '10'] });
    expect(seatsOf(outer, outer.stages[1] as Stage)).toHaveLength(4);
    expect([...orderOf(outer, 1)].sort()).toEqual(['10', '7', '8', '9']);
  });

  test('an angle on one-time-use bolts enters yield unless the sheet says no', () => {
    const [, , first] = headSheet.stages;
    if (!first) throw new Error();
    expect(entersYield(headSheet, first)).toBe(true);
    expect(entersYield(headSheet, { ...first, entersYield: false })).toBe(false);
  });
});
