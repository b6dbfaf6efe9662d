import sample from '../../samples/sheet-form-1.json';
import { AppError } from '../errors';
import { headSheet } from '../testing';
import { assertRunnable, readSheet } from '.';

const codeOf = (input: unknown): string => {
  try {
    readSheet(input);
    return 'read';
  } catch (error) {
    if (error instanceof AppError) return error.code;
    throw error;
  }
};

test('a stored sheet of form 1 is brought forward: the same stages and fasteners, and it can be led', () => {
  const sheet = readSheet(sample);
  expect(sheet).toMatchObject({ v: 2, clocks: [], after: [], requires: [], conflicts: [] });
  expect(sheet.groups[0]?.frictionCondition).toBe('engineOil');
  expect(sheet.stages).toEqual(headSheet.stages);
  expect(sheet.seats).toEqual(headSheet.seats);
  expect(() => assertRunnable(sheet)).not.toThrow();
});

test('times that stood with a step become clocks of the sheet', () => {
  const step = {
    id: 'bead',
    kind: 'apply',
    phase: 'place',
    text: 'A bead of sealant.',
    openMinutes: 10,
    tackMinutes: 3,
  };
  const { clocks, steps } = readSheet({ ...sample, steps: [step] });
  expect(clocks.map((c) => [c.kind, c.minutes, c.from])).toEqual([
    ['within', 10, { step: 'bead' }],
    ['notBefore', 3, { step: 'bead' }],
  ]);
  expect(steps[0]).toMatchObject({ id: 'bead', due: { when: 'beforeFirstPull' } });
});

test('another format, an unknown form and a broken field are refused by name', () => {
  expect(codeOf({ ...sample, v: 9 })).toBe('SHEET_VERSION');
  expect(codeOf({ ...sample, format: 'other' })).toBe('SHEET_INVALID');
  expect(codeOf(null)).toBe('SHEET_INVALID');
  expect(() => readSheet({ ...headSheet, title: '' })).toThrow('title');
});
