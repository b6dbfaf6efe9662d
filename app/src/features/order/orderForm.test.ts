import { EMPTY, readForm, type HeadForm } from './orderForm';
import { shopTimeIn } from './shopTime';

const time = shopTimeIn('Europe/Berlin');
const good: HeadForm = {
  ...EMPTY,
  maker: 'Tarrow',
  model: 'Ridge',
  engine: 'tf25',
  plate: 'hq 1',
  vin: 'zz9 trdg-25f0002409',
  built: '2017-5-8',
  odometer: '84.300 km',
  customer: 'Ash',
  concern: 'Clutch slips.',
  promised: '2026-11-26 16:30',
};

test('a form as people type it is understood', () => {
  const read = readForm(good, time);
  if (!('head' in read)) throw new Error(JSON.stringify(read.problems));
  expect(read.head).toMatchObject({
    vehicle: { engine: 'TF25', plate: 'HQ 1', vin: 'ZZ9TRDG25F0002409', built: '2017-05-08' },
    odometer: { value: 84_300, unit: 'km' },
    bay: null,
    promisedAt: '2026-11-26T15:30:00.000Z',
  });
});

test.each([
  ['odometer', '120000', 120_000],
  ['odometer', '120,000', 120_000],
  ['odometer', '120 000 km', 120_000],
  ['odometer', "1'200'000", 1_200_000],
] as const)('%s %s', (field, typed, value) => {
  const read = readForm({ ...good, [field]: typed }, time);
  expect('head' in read && read.head.odometer.value).toBe(value);
});

test.each([
  ['odometer', '-5'],
  ['odometer', '9999999'],
  ['odometer', '12.5'],
  ['odometer', 'many'],
  ['odometer', ''],
  ['vin', 'ZZ9TRDG25F000240'],
  ['vin', 'ZZ9TRDG25FO002409'],
  ['built', '2017-02-31'],
  ['built', '5 May'],
  ['promised', 'tomorrow'],
  ['promised', '2026-11-26 25:00'],
  ['customer', '  '],
  ['concern', 'x'.repeat(1001)],
  ['number', '#!'],
] as const)('%s “%s” is refused beside its field', (field, typed) => {
  const read = readForm({ ...good, [field]: typed }, time);
  expect('problems' in read && Object.keys(read.problems)).toEqual([field]);
});

test('the shop’s clock and back, on both sides of a change of hour', () => {
  for (const typed of [
    '2026-11-26 16:30',
    '2026-07-01 08:05',
    '2026-10-25 04:00',
    '2026-03-29 04:00',
  ]) {
    const at = time.fromForm(typed);
    expect(at && time.toForm(at)).toBe(typed);
  }
  expect(shopTimeIn('America/Chicago').fromForm('2026-11-26 16:30')).toBe(
    '2026-11-26T22:30:00.000Z',
  );
});
