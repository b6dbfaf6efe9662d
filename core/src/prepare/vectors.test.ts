import vectors from '../../vectors/07_adapters.json';
import { AppError } from '../errors';
import { adapterSetting } from '../quantity';
import { clockAfter, flats, swings } from '.';

interface Case {
  name: string;
  input: Record<string, number | string | boolean>;
  expected: Record<string, number | string | boolean | null>;
}
const cases = vectors.cases as unknown as Case[];
const of = (op: string): [string, Case][] =>
  cases.filter((c) => c.input.op === op).map((c) => [c.name, c]);
const near = (got: unknown, want: unknown): void => {
  if (typeof want === 'number')
    expect(Math.abs(Number(got) - want)).toBeLessThanOrEqual(Math.max(1e-9, 1e-9 * Math.abs(want)));
  else expect(got).toBe(want);
};

test.each(of('adapter'))('%s', (_name, { input, expected }) => {
  const work = () =>
    adapterSetting(Number(input.torque_Nm), {
      lengthMm: Number(input.L_mm),
      offsetMm: Number(input.E_mm),
      angleDeg: Number(input.angle_deg),
    });
  if (expected.error) return expect(work).toThrow(AppError);
  const got = work();
  near(got.settingNm, expected.setting_Nm);
  near(got.factor, expected.factor);
  near(got.handleForceN, expected.handle_force_N);
  near(got.errorIfIgnoredPercent, expected.error_if_ignored_percent);
});

test.each(of('flats'))('%s', (_name, { input, expected }) => {
  const got = flats(Number(input.angle_deg));
  near(got.flats, expected.flats);
  near(got.points12, expected.points12);
  near(got.turns, expected.turns);
  expect([got.wholeFlats, got.wholePoints12]).toEqual([
    expected.whole_flats,
    expected.whole_points12,
  ]);
});

test.each(of('clock'))('%s', (_name, { input, expected }) => {
  const got = clockAfter(
    Number(input.start_hour),
    Number(input.angle_deg),
    input.clockwise === true,
  );
  near(got.hour, expected.hour);
  near(got.fullTurns, expected.full_turns);
  near(got.exactHour, expected.exact_hour);
  near(got.dialMinutes, expected.dial_minutes);
});

test.each(of('swings'))('%s', (_name, { input, expected }) => {
  const got = swings(Number(input.angle_deg), Number(input.limit_deg), Number(input.step_deg));
  near(got.usableDeg, expected.usable_deg);
  near(got.swings, expected.swings);
  near(got.swingsBest, expected.swings_best);
  near(got.lastStrokeDeg, expected.last_stroke_deg);
});

test('every op of the vectors is driven by a test somewhere', () => {
  expect([...new Set(cases.map((c) => c.input.op))].sort()).toEqual([
    'adapter',
    'clock',
    'flats',
    'swings',
    'wrench',
  ]);
});
