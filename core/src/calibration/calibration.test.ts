import fc from 'fast-check';
import * as v from 'valibot';
import {
  CHECK_PERCENTS,
  checkPoints,
  dueAfter,
  judgeCheck,
  usualTolerance,
  WrenchCheckSchema,
  type CheckReading,
  type WrenchCheck,
} from '.';

/** To the right, twice at each point: off by the percents given. */
function checkOff(
  off: (percent: number, again: number) => number,
  of: Partial<WrenchCheck> = {},
): WrenchCheck {
  const max = of.max ?? 200;
  return {
    day: '2026-11-16',
    unit: 'N.m',
    max,
    graduation: 1,
    tolerancePercent: 4,
    reference: { name: 'Torque transducer, 250 N·m', uncertaintyPercent: 0.5 },
    readings: CHECK_PERCENTS.flatMap((percent) =>
      [0, 1].map((again): CheckReading => ({
        percent,
        direction: 'right',
        wrench: (max * percent) / 100,
        reference: (max * percent) / 100 / (1 + off(percent, again) / 100),
      })),
    ),
    ...of,
  };
}

describe('a wrench checked against a reference', () => {
  test('deviation, uncertainty and verdict of a check that was worked out by hand', () => {
    // Set to 100 of 100 in steps of 1: the reference read 99 and 101, at the others 20 and 60.
    const check = checkOff(() => 0, { max: 100 });
    const readings = check.readings.map((r, i) =>
      r.percent === 100 ? { ...r, reference: i % 2 ? 101 : 99 } : r,
    );
    const { points, verdict } = judgeCheck({ ...check, readings });
    const top = points.find((p) => p.percent === 100);
    expect(top?.deviationPercent).toBeCloseTo(0.0100010001, 9);
    // s = √(Σd²/3) = 0.8165 of one reading; u = √(0.25² + 0.28868² + 0.57735²) = 0.6920;
    // (0.692/0.57735)⁴ · 3 = 6.2 degrees of freedom: k = 2.52.
    expect(top?.uncertaintyPercent).toBeCloseTo(2.52 * 0.69206, 2);
    expect(verdict).toBe('within');
  });

  test.each([
    ['on the value', 0, 'within'],
    ['2 % off, well inside 4 %', 2, 'within'],
    ['at its limit: nobody can say', 4, 'unsure'],
    ['7 % off', 7, 'outside'],
    ['7 % off the other way', -7, 'outside'],
  ] as const)('%s', (_what, off, verdict) => {
    expect(judgeCheck(checkOff(() => off)).verdict).toBe(verdict);
  });

  test('one point outside is enough, and it is the one that is named', () => {
    const judged = judgeCheck(checkOff((percent) => (percent === 20 ? 9 : 0.5)));
    expect(judged.verdict).toBe('outside');
    expect(judged.worst).toMatchObject({ percent: 20, direction: 'right' });
  });

  test('a reference coarser than a quarter of the tolerance tells nothing', () => {
    const judged = judgeCheck(
      checkOff(() => 9, { reference: { name: 'Another wrench', uncertaintyPercent: 2 } }),
    );
    expect(judged).toMatchObject({ verdict: 'unsure', isCoarse: true });
  });

  test('more scatter never makes it surer, and units change nothing', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -8, max: 8, noNaN: true }),
        fc.double({ min: 0, max: 3, noNaN: true }),
        fc.double({ min: 0.01, max: 50, noNaN: true }),
        (off, scatter, scale) => {
          const of = (spread: number, by = 1) => {
            const check = checkOff((_p, again) => off + (again ? spread : -spread), {
              max: 200 * by,
              graduation: by,
            });
            return judgeCheck(check);
          };
          const wide = of(scatter);
          // The mean of what the reference read moves with the square of the scatter: 0.0009 of it.
          for (const [i, p] of of(0).points.entries())
            expect(wide.points[i]?.uncertaintyPercent).toBeGreaterThanOrEqual(
              p.uncertaintyPercent * (1 - 1e-3),
            );
          const other = of(scatter, scale);
          expect(other.verdict).toBe(wide.verdict);
          for (const [i, p] of wide.points.entries())
            expect(other.points[i]?.uncertaintyPercent).toBeCloseTo(p.uncertaintyPercent, 6);
        },
      ),
    );
  });
});

describe('what is entered of a check', () => {
  const isTaken = (check: unknown): boolean => v.is(WrenchCheckSchema, check);
  test('two readings at each point to the right, and to the left all or none', () => {
    const check = checkOff(() => 1);
    const left = check.readings.map((r) => ({ ...r, direction: 'left' as const }));
    expect(isTaken(check)).toBe(true);
    expect(isTaken({ ...check, readings: [...check.readings, ...left] })).toBe(true);
    expect(isTaken({ ...check, readings: check.readings.slice(1) })).toBe(false);
    expect(isTaken({ ...check, readings: left })).toBe(false);
    expect(isTaken({ ...check, readings: [...check.readings, ...left.slice(1)] })).toBe(false);
  });

  test('points on the scale of the wrench, not below its lowest value', () => {
    expect(checkPoints({ min: 40, max: 200, graduation: 1 }).map((p) => p.value)).toEqual([
      40, 120, 200,
    ]);
    expect(checkPoints({ min: 12, max: 60, graduation: 0.5 }).map((p) => p.value)).toEqual([
      12, 36, 60,
    ]);
    expect(checkPoints({ min: 20, max: 75, graduation: 2 }).map((p) => p.value)).toEqual([
      20, 44, 74,
    ]);
  });

  test('the usual tolerance is wider for a small wrench, in whatever unit', () => {
    expect(usualTolerance({ max: 10, unit: 'N.m' })).toBe(6);
    expect(usualTolerance({ max: 60, unit: '[in_i].[lbf_av]' })).toBe(6);
    expect(usualTolerance({ max: 60, unit: 'N.m' })).toBe(4);
  });

  test('due a year later; the end of February where there is no 29th', () => {
    expect(dueAfter('2026-11-16')).toBe('2027-11-16');
    expect(dueAfter('2028-02-29')).toBe('2029-02-28');
    expect(dueAfter('2026-08-31', 6)).toBe('2027-02-28');
  });
});
