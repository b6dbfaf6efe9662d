import fc from 'fast-check';
import {
  addDays,
  correctedDay,
  dayIn,
  dueDay,
  followUpsOf,
  kmPerDay,
  standingOn,
  toKm,
  USUAL_KM_PER_DAY,
} from '.';

const plan = { distanceKm: 500, days: null };

describe('when something is due', () => {
  test('by distance, by days, the sooner of both, at once', () => {
    expect(dueDay(plan, '2026-03-01', 50)).toBe('2026-03-11');
    expect(dueDay({ distanceKm: null, days: 30 }, '2026-03-01', 50)).toBe('2026-03-31');
    expect(dueDay({ distanceKm: 500, days: 5 }, '2026-03-01', 50)).toBe('2026-03-06');
    expect(dueDay({ distanceKm: null, days: null }, '2026-03-01', 50)).toBe('2026-03-01');
  });

  test('how far it goes in a day: seen twice, else since it was built, else the usual; nonsense is not believed', () => {
    expect(
      kmPerDay('2020-01-01', [
        { day: '2026-01-01', km: 10_000 },
        { day: '2026-03-02', km: 13_000 },
      ]),
    ).toBe(50);
    expect(kmPerDay('2025-12-22', [{ day: '2026-04-01', km: 10_000 }])).toBe(100);
    expect(kmPerDay('2020-01-01', [])).toBe(USUAL_KM_PER_DAY);
    // Typed backwards, or by a factor: nothing to count with.
    expect(
      kmPerDay('2026-03-01', [
        { day: '2026-01-01', km: 90_000 },
        { day: '2026-03-02', km: 13_000 },
      ]),
    ).toBe(USUAL_KM_PER_DAY);
  });

  test('corrected when the odometer is seen again', () => {
    const from = { day: '2026-03-01', km: 10_000 };
    expect(correctedDay(plan, from, { day: '2026-03-05', km: 10_400 }, 50)).toBe('2026-03-07');
    expect(correctedDay(plan, from, { day: '2026-03-05', km: 12_000 }, 50)).toBe('2026-03-05');
    expect(
      correctedDay({ distanceKm: 500, days: 3 }, from, { day: '2026-03-02', km: 10_000 }, 50),
    ).toBe('2026-03-04');
    // Seen lower than it was: typed wrong, the first expectation stands.
    expect(correctedDay(plan, from, { day: '2026-03-05', km: 900 }, 50)).toBe('2026-03-11');
  });

  test('seen at the usual pace it stays the same day', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 300 }),
        fc.integer({ min: 2, max: 900 }),
        fc.integer({ min: 1, max: 60 }),
        (perDay, dueDays, seenAfter) => {
          const p = { distanceKm: perDay * dueDays, days: null };
          const from = { day: '2026-01-01', km: 1000 };
          const seen = { day: addDays(from.day, seenAfter), km: 1000 + perDay * seenAfter };
          const expected = dueDay(p, from.day, perDay);
          expect(correctedDay(p, from, seen, perDay)).toBe(
            seen.day > expected ? seen.day : expected,
          );
        },
      ),
    );
  });

  test('overdue, today, soon, later, settled', () => {
    const on = (dueOn: string, state: 'open' | 'done' = 'open'): string =>
      standingOn('2026-03-10', { dueOn, state });
    expect([
      on('2026-03-09'),
      on('2026-03-10'),
      on('2026-03-20'),
      on('2026-04-20'),
      on('2026-03-01', 'done'),
    ]).toEqual(['overdue', 'today', 'soon', 'later', 'settled']);
  });

  test('miles are counted in kilometres', () => {
    expect(toKm({ value: 100, unit: 'mi' })).toBeCloseTo(160.9344, 9);
    expect(toKm({ value: 100, unit: 'km' })).toBe(100);
  });
});

test('advice, break-in and refill stand on the hand-over sheet; the rest is asked for', () => {
  const after = [
    { id: 'hot', kind: 'retighten' as const, text: 'Tighten again.', when: { celsius: 85 } },
    { id: 'run-in', kind: 'breakIn' as const, text: 'No full load.' },
    {
      id: 'oil',
      kind: 'fluid' as const,
      text: 'Change the oil.',
      when: { distanceKm: 500, days: 60 },
    },
  ];
  expect(followUpsOf({ after })).toEqual([
    {
      after: 'hot',
      kind: 'retighten',
      text: 'Tighten again.',
      distanceKm: null,
      days: null,
      celsius: 85,
    },
    {
      after: 'oil',
      kind: 'fluid',
      text: 'Change the oil.',
      distanceKm: 500,
      days: 60,
      celsius: null,
    },
  ]);
});

test.each([
  ['2026-11-24T23:30:00Z', 'Europe/Berlin', '2026-11-25'],
  ['2026-11-24T23:30:00Z', 'UTC', '2026-11-24'],
  ['2026-01-01T03:00:00Z', 'America/Chicago', '2025-12-31'],
])('at %s it is in %s the %s', (at, zone, day) => expect(dayIn(new Date(at), zone)).toBe(day));
