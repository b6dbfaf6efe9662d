import { emptyForm, measuringOf, read, type MeasureForm } from './measuring';

const gap = (rows: [string, string][], more: Partial<MeasureForm> = {}): MeasureForm => ({
  ...emptyForm('x'),
  what: 'gap',
  limits: { min: '0.2', max: '0,4' },
  rows: rows.map((values, i) => ({ row: String(i + 1), values })),
  ...more,
});

test('values as people type them: comma, unit in the field, and what is none says so', () => {
  expect(read('0,05', 'mm').value).toBe(0.05);
  expect(read('0.002 in', 'mm').value).toBeCloseTo(0.0508, 9);
  expect(read('', 'mm')).toEqual({ value: null });
  expect(read('thin', 'mm')).toEqual({ value: null, problem: '“thin” isn’t a number.' });
});

test('a form comes to a verdict as soon as there is enough, and to none before', () => {
  expect(measuringOf(gap([['0.25', '0.3']])).judged?.verdict).toBe('pass');
  expect(measuringOf(gap([['0.25', '']])).judged).toBeNull();
  expect(measuringOf(gap([['0.25', '0.3']], { limits: { min: '0.2' } })).judged).toBeNull();
  expect(measuringOf(emptyForm('x'))).toEqual({ measured: null, judged: null, odd: [] });
});

test('raw readings stand in the unit they were typed in; the verdict is the same', () => {
  const inch = measuringOf(
    gap([['0.010', '0.012']], { unit: '[in_i]', limits: { min: '0.008', max: '0.016' } }),
  );
  expect(inch.measured).toMatchObject({ unit: '[in_i]', rows: [{ values: [0.01, 0.012] }] });
  expect(inch.judged?.verdict).toBe('pass');
});

test('a slip of the point is pointed at by its row', () => {
  expect(
    measuringOf(
      gap([
        ['0.25', '0.3'],
        ['0.25', '0.3'],
        ['0.25', '0.3'],
        ['2.5', '3'],
      ]),
    ).odd,
  ).toEqual(['4']);
});
