import { createFormatter } from './formatter';

test('a promised time near now is said by its day, by the shop’s clock', () => {
  const shop = createFormatter({
    locale: 'en-US',
    timeZone: 'Europe/Berlin',
    paper: 'Letter',
    torqueUnit: 'N.m',
  });
  const now = new Date('2026-11-30T22:30:00Z'); // 23:30 at the shop
  const said = (iso: string): string => shop.due(new Date(iso), now);
  expect(said('2026-11-30T14:30:00Z')).toBe('today 15:30');
  expect(said('2026-11-30T23:30:00Z')).toBe('tomorrow 00:30');
  expect(said('2026-11-29T08:00:00Z')).toBe('yesterday 09:00');
  expect(said('2026-12-04T08:00:00Z')).toBe('Fri 09:00');
  expect(said('2026-12-12T08:00:00Z')).toBe('Dec 12, 2026, 09:00');
  expect(said('2026-11-20T08:00:00Z')).toBe('Nov 20, 2026, 09:00');
});
