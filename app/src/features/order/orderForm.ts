import * as v from 'valibot';
import { DaySchema, type Order } from '@stennet/core/contract';
import { checkVin } from '@stennet/core/find';
import { OrderHeadSchema, type OrderHead } from '@stennet/core/order';
import { text } from './text';

/** What is typed, as it is typed. */
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
  concern: string;
  bay: string;
  promised: string;
}
export const EMPTY: HeadForm = {
  number: '',
  maker: '',
  model: '',
  engine: '',
  plate: '',
  vin: '',
  built: '',
  odometer: '',
  unit: 'km',
  customer: '',
  concern: '',
  bay: '',
  promised: '',
};

/** A moment as it is typed, in the shop's own time; and back. */
export interface ShopTime {
  toForm: (iso: string) => string;
  fromForm: (typed: string) => string | null;
}

export function formOf(order: Order, time: ShopTime): HeadForm {
  const { vehicle, odometer } = order;
  return {
    ...vehicle,
    number: order.number,
    odometer: String(odometer.value),
    unit: odometer.unit,
    customer: order.customer,
    concern: order.concern,
    bay: order.bay ?? '',
    promised: order.promisedAt ? time.toForm(order.promisedAt) : '',
  };
}

export type Problems = Partial<Record<keyof HeadForm, string>>;
const DAY = /^(\d{4})-(\d{1,2})-(\d{1,2})$/;
const REQUIRED = ['maker', 'model', 'engine', 'plate', 'customer', 'concern'] as const;

/** @returns the head as the server takes it, or what is wrong by field */
export function readForm(
  form: HeadForm,
  time: ShopTime,
): { head: OrderHead } | { problems: Problems } {
  const problems: Problems = {};
  for (const field of REQUIRED)
    if (!form[field].trim()) problems[field] = text.missing({ field: text[field] });
  const vin = form.vin.replace(/[\s-]/g, '').toUpperCase();
  const checked = checkVin(vin);
  if (checked.kind !== 'good')
    problems.vin = checked.why === 'length' ? text.vinLength({ n: vin.length }) : text.vinLetters;
  const day = DAY.exec(form.built.trim());
  const built = day
    ? `${day[1]}-${(day[2] ?? '').padStart(2, '0')}-${(day[3] ?? '').padStart(2, '0')}`
    : '';
  if (!v.is(DaySchema, built)) problems.built = text.dayWrong;
  const digits = form.odometer
    .trim()
    .replace(/[\s'’.,](?=\d{3}(\D|$))/g, '')
    .replace(/\s*(km|mi|miles)$/i, '');
  const value = /^\d+$/.test(digits) ? Number(digits) : NaN;
  if (!(value >= 0 && value <= 3_000_000)) problems.odometer = text.odometerWrong;
  const promisedAt = form.promised.trim() ? time.fromForm(form.promised.trim()) : null;
  if (form.promised.trim() && promisedAt === null) problems.promised = text.timeWrong;
  if (Object.keys(problems).length > 0) return { problems };
  const trimmed = {
    maker: form.maker.trim(),
    model: form.model.trim(),
    engine: form.engine.trim().toUpperCase(),
    plate: form.plate.trim().toUpperCase(),
    vin,
    built,
  };
  const head = {
    number: form.number.trim() || '0',
    vehicle: trimmed,
    odometer: { value, unit: form.unit },
    customer: form.customer.trim(),
    concern: form.concern.trim(),
    bay: form.bay.trim() || null,
    promisedAt,
  };
  const parsed = v.safeParse(OrderHeadSchema, head);
  if (parsed.success) return { head: parsed.output };
  const place = v.getDotPath(parsed.issues[0])?.split('.').at(-1) as keyof HeadForm;
  return { problems: { [place in form ? place : 'concern']: parsed.issues[0].message } };
}
