import { FILTERS, isIn, type OnDesk } from './onDesk';

const now = new Date('2026-11-30T08:00:00Z');
const row = (over: object): OnDesk =>
  ({ order: { promisedAt: null }, way: [], people: [], ...over }) as unknown as OnDesk;
const filters = (r: OnDesk): string[] => FILTERS.filter((f) => isIn(f, r, now));

test('an order is found by what it waits for, and by who is on it', () => {
  expect(filters(row({ people: ['mei'] }))).toEqual(['open', 'done', 'handedOver']);
  expect(filters(row({}))).toContain('unassigned');
  expect(filters(row({ way: [{ name: 'parts', state: 'blocked', fact: '' }] }))).toContain(
    'blocked',
  );
  const promised = (promisedAt: string): string[] => filters(row({ order: { promisedAt } }));
  expect(promised('2026-11-30T16:30:00Z')).toContain('promised');
  expect(promised('2026-11-29T16:30:00Z')).toContain('promised');
  expect(promised('2026-12-02T09:00:00Z')).not.toContain('promised');
});
