import { onItsWay, type Order } from '@stennet/core/contract';
import { stations, type Station } from '@stennet/core/order';

/** The filters of the list; the last two are other lists of the server. */
export const FILTERS = ['open', 'blocked', 'promised', 'unassigned', 'done', 'handedOver'] as const;
export type Filter = (typeof FILTERS)[number];
export const LATER: readonly Filter[] = ['done', 'handedOver'];

export interface OnDesk {
  order: Order;
  way: Station[];
  /** Ids of the people who are on it. */
  people: string[];
}

export const onDesk = (order: Order): OnDesk => ({
  order,
  way: stations(onItsWay(order, order.entries)),
  people: order.entries.flatMap((e) => (e.body.kind === 'person' ? [e.body.person] : [])),
});

const HALF_DAY_MS = 12 * 3_600_000;

export function isIn(filter: Filter, { order, way, people }: OnDesk, now: Date): boolean {
  switch (filter) {
    case 'blocked':
      return way.some((s) => s.state === 'blocked');
    case 'promised':
      return (
        order.promisedAt !== null && Date.parse(order.promisedAt) < now.getTime() + HALF_DAY_MS
      );
    case 'unassigned':
      return people.length === 0;
    default:
      return true;
  }
}
