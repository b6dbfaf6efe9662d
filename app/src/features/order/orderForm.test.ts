import * as v from 'valibot';
import { emptyForm, fieldsOf, formOf, HeadFormSchema, type HeadForm } from './orderForm';

const good: HeadForm = {
  ...emptyForm('km'),
  maker: 'Tarrow',
  model: 'Ridge',
  engine: 'tf25',
  plate: 'hq 1',
  vin: 'zz9 trdg-25f0002409',
  built: '2017-05-08',
  odometer: '84.300 km',
  customer: 'Ash',
  phone: '+49 30 555-0100',
  concern: 'Clutch slips.',
  promised: '2026-11-26T15:30:00.000Z',
};
const wrongIn = (form: HeadForm): string[] => {
  const read = v.safeParse(HeadFormSchema, form);
  return read.success ? [] : read.issues.map((i) => v.getDotPath(i) ?? '');
};

test('a form as people type it is understood', () => {
  expect(v.parse(HeadFormSchema, good)).toMatchObject({
    number: null,
    vehicle: { engine: 'TF25', plate: 'HQ 1', vin: 'ZZ9TRDG25F0002409', built: '2017-05-08' },
    odometer: { value: 84_300, unit: 'km' },
    contact: { phone: '+49 30 555-0100' },
    bay: null,
    promisedAt: '2026-11-26T15:30:00.000Z',
  });
});

test('VIN, build date, odometer and contact may follow later', () => {
  const bare = { ...good, vin: '', built: '', odometer: '', phone: '', promised: '' };
  expect(v.parse(HeadFormSchema, bare)).toMatchObject({
    vehicle: { vin: '', built: '' },
    odometer: null,
    contact: null,
    promisedAt: null,
  });
});

test.each([
  ['120000', 120_000],
  ['120,000', 120_000],
  ['120 000 km', 120_000],
  ["1'200'000", 1_200_000],
] as const)('an odometer of %s is %i', (odometer, value) => {
  expect(v.parse(HeadFormSchema, { ...good, odometer }).odometer?.value).toBe(value);
});

test.each([
  ['odometer', '-5'],
  ['odometer', '9999999'],
  ['odometer', '12.5'],
  ['odometer', 'many'],
  ['vin', 'ZZ9TRDG25F000240'],
  ['vin', 'ZZ9TRDG25FO002409'],
  ['built', '2017-02-31'],
  ['built', '5 May'],
  ['built', '12/0'],
  ['promised', '26/1'],
  ['customer', '  '],
  ['phone', 'ask for it'],
  ['email', 'ash at home'],
  ['concern', 'x'.repeat(1001)],
  ['number', '#!'],
] as const)('%s “%s” is refused beside its field, and nothing else is', (field, typed) => {
  expect(wrongIn({ ...good, [field]: typed })).toEqual([field]);
});

test('an order comes back into the form as it was read, and a known vehicle fills in what it can', () => {
  const head = v.parse(HeadFormSchema, { ...good, number: '2417', prefers: 'text' });
  const order = { ...head, id: 'x', version: 1 } as unknown as Parameters<typeof formOf>[0];
  expect(v.parse(HeadFormSchema, formOf(order, 'mi'))).toEqual(head);
  expect(fieldsOf({ vehicle: head.vehicle, customer: 'Ash', contact: null })).toMatchObject({
    plate: 'HQ 1',
    customer: 'Ash',
    phone: '',
  });
});
