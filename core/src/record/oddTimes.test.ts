import fc from 'fast-check';
import { oddTimes, oddTimeText, waitedAtMost, type StoredEvent } from '.';

const FROM = Date.parse('2026-11-24T09:00:00Z');
const iso = (minutes: number): string => new Date(FROM + minutes * 60_000).toISOString();
/** Entries by the minute of the device and of the server. */
const chain = (...times: [device: number, server: number][]): StoredEvent[] =>
  times.map(([device, server], i) => ({
    position: i + 1,
    receivedAt: iso(server),
    prevHash: '',
    event: { deviceTime: iso(device), type: 'paused', payload: {} } as never,
  }));

test('what is dated before the entry before it, or after the server had it, is named; a little of either is two clocks', () => {
  const odd = oddTimes(chain([0, 0], [1, 1], [-30, 2], [0.5, 3], [2, 3], [60, 4], [5, 5]));
  expect(odd).toEqual([
    { entry: 3, why: 'beforeLast', minutes: 31 },
    { entry: 6, why: 'ahead', minutes: 56 },
    { entry: 7, why: 'beforeLast', minutes: 55 },
  ]);
  for (const one of odd) expect(oddTimeText(one)).toMatch(/^Entry \d is dated \d+ min .*\.$/);
  expect(oddTimes(chain([0, 0], [1.9, 0], [0, 2]))).toEqual([]);
});

test('entries of a clock that is right are never odd, however late they were sent', () => {
  fc.assert(
    fc.property(
      fc.array(fc.tuple(fc.integer({ min: 0, max: 500 }), fc.integer({ min: 0, max: 500 })), {
        maxLength: 30,
      }),
      (steps) => {
        let [device, server] = [0, 0];
        const times = steps.map(([later, late]): [number, number] => {
          device += later;
          server = Math.max(server, device + late);
          return [device, server];
        });
        expect(oddTimes(chain(...times))).toEqual([]);
      },
    ),
  );
});

test('how long was waited is known by the server’s clock, whatever the device says and however late it sent', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: -600, max: 600 }),
      fc.integer({ min: 0, max: 300 }),
      fc.integer({ min: 0, max: 300 }),
      (off, lateMin, waited) => {
        // Begun at minute 0 on a clock that is off; sent lateMin later, confirmed `waited` later,
        // received at once.
        const begun = chain([off, lateMin])[0] as StoredEvent;
        const at = iso(Math.max(waited, lateMin));
        expect(waitedAtMost(begun, lateMin * 60_000, at)).toBe(Math.max(waited, lateMin) * 60_000);
      },
    ),
  );
});
