import * as fc from 'fast-check';
import { dayOf, momentAt, ofDay, onShopClock } from './dates';

test('the shop’s clock and back, on both sides of a change of hour', () => {
  for (const [day, time] of [
    ['2026-11-26', '16:30'],
    ['2026-07-01', '08:05'],
    ['2026-10-25', '04:00'],
    ['2026-03-29', '04:00'],
  ] as const)
    expect(onShopClock(momentAt(day, time, 'Europe/Berlin'), 'Europe/Berlin')).toEqual({
      day,
      time,
    });
  expect(momentAt('2026-11-26', '16:30', 'America/Chicago')).toBe('2026-11-26T22:30:00.000Z');
  expect(momentAt('2026-11-26', '25:00', 'America/Chicago')).toBe('');
});

test('every minute comes back as it was, in any zone', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 0, max: 66_000_000 }),
      fc.constantFrom('Europe/Berlin', 'America/Chicago', 'Asia/Kathmandu', 'UTC'),
      (minute, zone) => {
        const { day, time } = onShopClock(new Date(minute * 60_000).toISOString(), zone);
        const again = onShopClock(momentAt(day, time, zone), zone);
        expect(again).toEqual({ day, time });
      },
    ),
    // The year that began in this zone with a quarter of an hour that never was.
    { examples: [[Date.parse('1986-04-13T00:00Z') / 60_000, 'Asia/Kathmandu']] },
  );
});

test('a day from a calendar is the day that is kept', () => {
  expect(dayOf(ofDay('2018-03-12') ?? new Date(0))).toBe('2018-03-12');
  expect(ofDay('2018-02-31')).toBeUndefined();
  expect(ofDay('')).toBeUndefined();
});
