import * as v from 'valibot';
import { DaySchema, type Order } from '@stennet/core/contract';
import type { KnownVehicle } from '@stennet/core/contract/work';
import { checkVin } from '@stennet/core/find';
import { ContactSchema, CONTACT_WAYS, OrderHeadSchema, type OrderHead } from '@stennet/core/order';
import { isMoment } from '@/forms/moment';
import { needed, words } from '@/forms/typed';
import { text } from './text';

/** What is typed, as it is typed. Days as `2018-03-12`, the promise as a moment. */
export interface HeadForm {
  number: string;
  maker: string;
  model: string;
  engine: string;
  plate: string;
  vin: string;
  built: string;
  odometer: string;
  unit: 'km' | 'mi';
  customer: string;
  phone: string;
  email: string;
  prefers: '' | (typeof CONTACT_WAYS)[number];
  concern: string;
  bay: string;
  promised: string;
}
export const emptyForm = (unit: 'km' | 'mi'): HeadForm => ({
  number: '',
  maker: '',
  model: '',
  engine: '',
  plate: '',
  vin: '',
  built: '',
  odometer: '',
  unit,
  customer: '',
  phone: '',
  email: '',
  prefers: '',
  concern: '',
  bay: '',
  promised: '',
});

export function formOf(order: Order, unit: 'km' | 'mi'): HeadForm {
  const { odometer } = order;
  return {
    ...emptyForm(unit),
    ...fieldsOf(order),
    number: order.number,
    ...(odometer ? { odometer: String(odometer.value), unit: odometer.unit } : {}),
    concern: order.concern,
    bay: order.bay ?? '',
    promised: order.promisedAt ?? '',
  };
}

/** What is known of a vehicle and of whose it is. */
export const fieldsOf = ({ vehicle, customer, contact }: KnownVehicle): Partial<HeadForm> => ({
  ...vehicle,
  customer,
  phone: contact?.phone ?? '',
  email: contact?.email ?? '',
  prefers: contact?.prefers ?? '',
});

const capitals = v.toUpperCase();

const odometer = v.pipe(
  v.string(),
  v.transform((typed) =>
    typed
      .trim()
      .replace(/[\s'’.,](?=\d{3}(\D|$))/g, '')
      .replace(/\s*(km|mi|miles)$/i, ''),
  ),
  v.check(
    (d) => d === '' || (/^\d+$/.test(d) && Number(d) <= 3_000_000),
    () => text.odometerWrong,
  ),
);
const vin = v.pipe(
  v.string(),
  v.transform((typed) => typed.replace(/[\s-]/g, '').toUpperCase()),
  v.check(
    (number) => number === '' || number.length === 17,
    ({ input }) => text.vinLength({ n: input.length }),
  ),
  v.check(
    (number) => number.length !== 17 || checkVin(number).kind === 'good',
    () => text.vinLetters,
  ),
);
const fields = v.object({
  number: v.pipe(
    words(20),
    v.check(
      (n) => n === '' || v.is(OrderHeadSchema.entries.number, n),
      () => text.numberWrong,
    ),
  ),
  maker: needed(() => text.maker, 60),
  model: needed(() => text.model, 60),
  engine: v.pipe(
    needed(() => text.engine, 30),
    capitals,
  ),
  plate: v.pipe(
    needed(() => text.plate, 20),
    capitals,
  ),
  vin,
  built: v.pipe(
    v.string(),
    v.check(
      (day) => day === '' || v.is(DaySchema, day),
      () => text.dayWrong,
    ),
  ),
  odometer,
  unit: v.picklist(['km', 'mi']),
  customer: needed(() => text.customer, 80),
  phone: v.pipe(
    words(30),
    v.check(
      (p) => p === '' || v.is(ContactSchema, { phone: p }),
      () => text.phoneWrong,
    ),
  ),
  email: v.pipe(
    words(120),
    v.check(
      (e) => e === '' || v.is(ContactSchema, { email: e }),
      () => text.emailWrong,
    ),
  ),
  prefers: v.picklist(['', ...CONTACT_WAYS]),
  concern: needed(() => text.concern, 1000),
  bay: words(30),
  promised: v.pipe(
    v.string(),
    v.check(
      (at) => at === '' || isMoment(at),
      () => text.dayWrong,
    ),
  ),
});

/** The head as the server takes it; the number stands apart, since a new order may ask for one. */
export type ReadHead = Omit<OrderHead, 'number'> & { number: string | null };

/** What is typed, read as people write it; what is wrong is said by field. */
export const HeadFormSchema: v.GenericSchema<HeadForm, ReadHead> = v.pipe(
  fields,
  v.transform((f): ReadHead => {
    const contact = {
      ...(f.phone ? { phone: f.phone } : {}),
      ...(f.email ? { email: f.email } : {}),
      ...(f.prefers ? { prefers: f.prefers } : {}),
    };
    return {
      number: f.number || null,
      vehicle: {
        maker: f.maker,
        model: f.model,
        engine: f.engine,
        plate: f.plate,
        vin: f.vin,
        built: f.built,
      },
      odometer: f.odometer === '' ? null : { value: Number(f.odometer), unit: f.unit },
      customer: f.customer,
      contact: Object.keys(contact).length > 0 ? contact : null,
      concern: f.concern,
      bay: f.bay || null,
      promisedAt: f.promised || null,
    };
  }),
);
