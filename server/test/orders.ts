import type { OrderHead, OrderEntry } from '@stennet/core/order';
import { petra } from './theShop';

let made = 0;
export const freshId = (): string =>
  `9e000000-0000-4000-8000-${String((made += 1)).padStart(12, '0')}`;
export const head = (more: Partial<OrderHead> = {}): OrderHead => ({
  number: `T${(made += 1)}`,
  vehicle: {
    maker: 'Tarrow',
    model: 'Ridge',
    engine: 'TF25',
    plate: 'HQ 1',
    vin: 'ZZ9TRDG25F0009999',
    built: '2017-05-18',
  },
  odometer: { value: 120000, unit: 'km' },
  customer: 'Ash',
  concern: 'Clutch slips.',
  bay: null,
  promisedAt: null,
  ...more,
});
export async function freshOrder(): Promise<string> {
  const order = freshId();
  await petra.post('/api/orders', { order, head: head() }).expect(200);
  return order;
}
export const note = (text: string): OrderEntry => ({ kind: 'note', text });
