import type { Me, Order } from '@stennet/core/contract';
import { onItsWay } from '@stennet/core/contract';
import { stations, type Station } from '@stennet/core/order';

export type GroupName = 'mine' | 'promised' | 'blocked' | 'unassigned' | 'next';
export interface OnToday {
  order: Order;
  way: Station[];
}
export interface Group {
  name: GroupName;
  orders: OnToday[];
}

/**
 * Today's orders by what they are to the person: a technician's own first; for an advisor what is
 * promised, blocked, or not assigned. Each order stands in the first group that it belongs to.
 */
export function groupsFor(me: Me, orders: readonly Order[], now: Date): Group[] {
  const names: readonly GroupName[] =
    me.role === 'adviser' ? ['promised', 'blocked', 'unassigned', 'next'] : ['mine', 'next'];
  const all = [...orders]
    .sort((a, b) => (a.promisedAt ?? '9').localeCompare(b.promisedAt ?? '9'))
    .map((order) => ({ order, way: stations(onItsWay(order, order.entries)) }));
  const groupOf = (o: OnToday): GroupName =>
    names.find((name) => belongs[name](o, me, now)) ?? 'next';
  return names
    .map((name) => ({ name, orders: all.filter((o) => groupOf(o) === name) }))
    .filter((g) => g.orders.length > 0);
}

/** A colleague's word that this is now theirs, if there is one. */
export const handedTo = ({ entries }: Order, me: Me): { by: string; doing: string } | undefined =>
  entries.flatMap(({ by, body }) =>
    body.kind === 'person' && body.person === me.person.id && body.from
      ? [{ by, doing: body.doing }]
      : [],
  )[0];

const assigned = ({ order }: OnToday): string[] =>
  order.entries.flatMap((e) => (e.body.kind === 'person' ? [e.body.person] : []));

const belongs: Record<GroupName, (o: OnToday, me: Me, now: Date) => boolean> = {
  mine: (o, me) => assigned(o).includes(me.person.id),
  promised: ({ order }, _me, now) =>
    order.promisedAt !== null &&
    Date.parse(order.promisedAt) < now.getTime() + 12 * 3_600_000 &&
    order.state !== 'done',
  blocked: ({ way }) => way.some((s) => s.state === 'blocked'),
  unassigned: (o) => assigned(o).length === 0,
  next: () => true,
};
