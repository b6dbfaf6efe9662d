import * as v from 'valibot';
import { emptyForm, type MeasureForm } from '@/ui/measuring/measuring';
import { MeasureFields, problemsOf } from './measureEntry';

const gap = (values: string[], more: Partial<MeasureForm> = {}): MeasureForm => ({
  ...emptyForm('x'),
  what: 'gap',
  of: 'Ring gap, cylinder 1 ',
  instrument: 'feeler gauge',
  limits: { min: '0.2', max: '0.4' },
  rows: [{ row: '1', values }],
  ...more,
});

test('a whole form is the entry that is kept', () => {
  expect(v.parse(MeasureFields, gap(['0.25', '0.30'], { mend: 'x', note: ' dry ' }))).toEqual({
    kind: 'measurement',
    what: 'gap',
    of: 'Ring gap, cylinder 1',
    instrument: 'feeler gauge',
    unit: 'mm',
    uncertainty: 0.01,
    limits: { min: 0.2, max: 0.4 },
    rows: [{ row: '1', values: [0.25, 0.3] }],
    verdict: 'pass',
    note: 'dry',
  });
});

test('what is missing is named at its field', () => {
  const { issues } = v.safeParse(MeasureFields, gap(['', ''], { of: ' ', instrument: '' }));
  expect(issues?.map((i) => [v.getDotPath(i), i.message])).toEqual([
    ['of', 'Part and place is missing.'],
    ['instrument', 'Gauge used is missing.'],
    ['rows', expect.stringMatching(/./) as string],
  ]);
});

test('a price that is none holds up only what has to be decided', () => {
  const wide = gap(['0.50', '0.55'], { mend: 'cheap', replace: '64.00' });
  expect(problemsOf(wide)).toEqual({ mend: 'Enter a price like 64.00.' });
  expect(v.parse(MeasureFields, { ...wide, mend: '20', then: 'replace' })).toMatchObject({
    verdict: 'fail',
    prices: { mend: 2000, replace: 6400 },
    then: 'replace',
  });
});
