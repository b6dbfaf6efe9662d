import { adapterTop, angleDisc, type Drawing, type Shape } from '.';

const lines = (d: Drawing): number[][][] =>
  d.shapes.flatMap((s: Shape) => {
    if (s.kind !== 'path' || s.fill !== 'none') return [];
    const points = [...s.d.matchAll(/[ML](-?[\d.]+) (-?[\d.]+)/g)].map((m) => [
      Number(m[1]),
      Number(m[2]),
    ]);
    return points.length === 2 ? [points] : [];
  });
const lengthOf = ([a = [], b = []]: number[][]): number =>
  Math.hypot((b[0] ?? 0) - (a[0] ?? 0), (b[1] ?? 0) - (a[1] ?? 0));
const words = (d: Drawing): string[] =>
  d.shapes.flatMap((s) => (s.kind === 'text' ? [s.text] : []));

describe('the angle disc', () => {
  test('has a ruler of exactly 100 mm, and the square of its drive with what paper needs', () => {
    const disc = angleDisc([75, 65], '3/8');
    expect(lines(disc).some((l) => Math.abs(lengthOf(l) - 100) < 1e-9)).toBe(true);
    const square = disc.shapes.find(
      (s) => s.kind === 'path' && s.fill === 'paper' && s.d.endsWith('Z'),
    );
    const corners =
      square?.kind === 'path'
        ? [...square.d.matchAll(/[ML](-?[\d.]+) (-?[\d.]+)/g)].map((m) => Number(m[1]))
        : [];
    expect(Math.max(...corners) - Math.min(...corners)).toBeCloseTo(9.525 + 0.3, 1);
  });

  test('marks each angle where it ends, clockwise from its zero line', () => {
    const disc = angleDisc([90], '1/2');
    expect(words(disc)).toContain('+90°');
    const mark = lines(disc).find(
      ([a, b]) =>
        Math.abs((a?.[1] ?? 0) - (b?.[1] ?? 1)) < 1e-6 &&
        lengthOf([a ?? [], b ?? []]) > 50 &&
        lengthOf([a ?? [], b ?? []]) < 90,
    );
    expect(mark?.[1]?.[0]).toBeGreaterThan(mark?.[0]?.[0] ?? Infinity);
  });

  test('says whole turns apart', () =>
    expect(words(angleDisc([450], '1/2'))).toContain('1 turn +90°'));

  test('fits on both papers with a margin', () => {
    const { width, height } = angleDisc([75], '1');
    expect(width).toBeLessThanOrEqual(210 - 10);
    expect(height).toBeLessThanOrEqual(279.4 - 30);
  });
});

test('an adapter is drawn to the wrench’s scale: straight ahead beyond the square, square to it above', () => {
  const at = (deg: number) => adapterTop(400, 40, deg).shapes.filter((s) => s.kind === 'circle');
  const [ahead] = at(0);
  const [square] = at(90);
  const [folded] = at(180);
  if (ahead?.kind !== 'circle' || square?.kind !== 'circle' || folded?.kind !== 'circle')
    throw new Error('no bolt drawn');
  expect(ahead.x - square.x).toBeCloseTo(square.x - folded.x, 1);
  // The axis of the handle: square to it the bolt lies above it by as much as it lies beyond the
  // drive when straight.
  const grip = (deg: number): number =>
    adapterTop(400, 40, deg).shapes.flatMap((s) =>
      s.kind === 'circle' && s.fill === 'brand' ? [s.y] : [],
    )[0] ?? NaN;
  expect(grip(90) - square.y).toBeCloseTo(ahead.x - square.x, 1);
  expect(ahead.y).toBeCloseTo(grip(0), 6);
  expect(folded.y).toBeCloseTo(grip(180), 6);
});
