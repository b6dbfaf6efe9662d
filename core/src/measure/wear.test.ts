import statistics from '../../vectors/10_statistics.json';
import { robustZ } from '.';

interface Case {
  name: string;
  input: { op: string; values: number[]; n_min: number };
  expected: {
    n: number;
    median: number | null;
    mad: number | null;
    method: string;
    z: number[] | null;
    flags: string[] | null;
  };
}
const cases = (statistics.cases as unknown as Case[]).filter((c) => c.input.op === 'robust_z');

test.each(cases.map((c) => [c.name, c] as const))('%s', (_name, { input, expected }) => {
  const got = robustZ(input.values, input.n_min);
  expect(got.n).toBe(expected.n);
  expect(got.method).toBe(expected.method === 'too_few' ? 'tooFew' : expected.method);
  expect(got.flags).toEqual(expected.flags);
  for (const name of ['median', 'mad'] as const) {
    const want = expected[name];
    if (want === null) expect(got[name]).toBeNull();
    else
      expect(Math.abs((got[name] ?? NaN) - want)).toBeLessThanOrEqual(
        1e-9 * Math.max(1, Math.abs(want)),
      );
  }
  expect(got.z?.length).toBe(expected.z?.length);
  for (const [i, want] of (expected.z ?? []).entries()) expect(got.z?.[i]).toBeCloseTo(want, 8);
});
