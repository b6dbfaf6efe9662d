import type { Me, Order } from '@stennet/core/contract';
import type { OrderEntry } from '@stennet/core/order';
import { groupsFor, handedTo } from './groups';
import { remindersFor } from './reminders';

const NOW = new Date('2026-11-30T08:00:00Z');
const me = (role: Me['role'], id = 'jonah'): Me => ({ role, person: { id, name: 'x' } }) as Me;
const order = (number: string, bodies: readonly OrderEntry[] = [], more: object = {}): Order =>
  ({
    id: number,
    number,
    promisedAt: null,
    state: 'open',
    vehicle: {},
    jobs: [],
    followUps: [],
    entries: bodies.map((body, i) => ({ id: `${number}/${i}`, version: 1, by: '', at: '', body })),
    ...more,
  }) as unknown as Order;
const assigned = (person: string, from?: string): OrderEntry =>
  ({ kind: 'person', person, doing: 'head', ...(from ? { from } : {}) }) as OrderEntry;
const inGroups = (who: Me, orders: readonly Order[]) =>
  Object.fromEntries(
    groupsFor(who, orders, NOW).map((g) => [g.name, g.orders.map((o) => o.order.number)]),
  );

test('a technician’s own orders stand first, the rest is next; the sooner promised leads', () => {
  const orders = [
    order('1', [], { promisedAt: '2026-11-30T15:00:00Z' }),
    order('2', [assigned('jonah')], { promisedAt: '2026-12-01T15:00:00Z' }),
    order('3', [assigned('jonah')], { promisedAt: '2026-11-30T12:00:00Z' }),
    order('4', [assigned('mei')]),
  ];
  expect(inGroups(me('technician'), orders)).toEqual({ mine: ['3', '2'], next: ['1', '4'] });
});

test('what a colleague handed over is said with what is left to do', () => {
  const handed = { ...assigned('mei', 'jonah'), doing: 'second angle' } as OrderEntry;
  expect(handedTo(order('1', [assigned('jonah'), handed]), me('technician', 'mei'))).toEqual({
    by: '',
    doing: 'second angle',
  });
  expect(handedTo(order('1', [assigned('mei')]), me('technician', 'mei'))).toBeUndefined();
});

test('an advisor sees what is promised today, blocked, and nobody’s, each order once', () => {
  const part: OrderEntry = {
    kind: 'part',
    job: 'j',
    what: 'Head bolts',
    count: 10,
    state: 'ordered',
  };
  const orders = [
    order('1', [part], { promisedAt: '2026-11-30T15:00:00Z' }),
    order('2', [part, assigned('mei')]),
    order('3'),
    order('4', [assigned('mei')]),
    order('5', [assigned('mei')], { promisedAt: '2026-11-30T15:00:00Z', state: 'done' }),
  ];
  expect(inGroups(me('adviser'), orders)).toEqual({
    promised: ['1'],
    blocked: ['2'],
    unassigned: ['3'],
    next: ['5', '4'],
  });
});

test('reminders: one’s own and anyone’s, due within twelve hours or late, the earliest first', () => {
  const remind = (at: string, person: string | null, done = false): OrderEntry => ({
    kind: 'reminder',
    text: at,
    at,
    person,
    done,
  });
  const orders = [
    order('1', [
      remind('2026-11-30T12:00:00Z', null),
      remind('2026-11-30T07:00:00Z', 'jonah'),
      remind('2026-11-30T09:00:00Z', 'mei'),
      remind('2026-11-30T09:00:00Z', 'jonah', true),
      remind('2026-12-02T09:00:00Z', 'jonah'),
    ]),
  ];
  expect(remindersFor(me('technician'), orders, NOW).map((r) => [r.at, r.isLate])).toEqual([
    ['2026-11-30T07:00:00Z', true],
    ['2026-11-30T12:00:00Z', false],
  ]);
});
