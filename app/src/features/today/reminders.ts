import type { Me, Order } from '@stennet/core/contract';

export interface DueReminder {
  id: string;
  order: Order;
  text: string;
  at: string;
  isLate: boolean;
}
const AHEAD_MS = 12 * 3_600_000;

/** What this person should be reminded of in the hours ahead, the earliest first. */
export function remindersFor(me: Me, orders: readonly Order[], now: Date): DueReminder[] {
  return orders
    .flatMap((order) =>
      order.entries.flatMap((e) =>
        e.body.kind === 'reminder' &&
        !e.body.done &&
        (e.body.person === null || e.body.person === me.person.id) &&
        Date.parse(e.body.at) < now.getTime() + AHEAD_MS
          ? [
              {
                id: e.id,
                order,
                text: e.body.text,
                at: e.body.at,
                isLate: Date.parse(e.body.at) < now.getTime(),
              },
            ]
          : [],
      ),
    )
    .sort((a, b) => a.at.localeCompare(b.at));
}
