import { measureKinds, MEASURE_KINDS } from '../measure';
import { measuredDrawing } from '.';

test.each(MEASURE_KINDS)(
  '%s: every row has its place inside the drawing, none on another',
  (id) => {
    const rows = measureKinds[id].rows.map((row, i) => ({
      row,
      mm: i % 3 === 0 ? null : 100 + i / 10,
      verdict: null,
    }));
    const { drawing, places } = measuredDrawing(id, rows, 0, { min: 99, max: 101 });
    expect(places.map((p) => p.row).sort((a, b) => a - b)).toEqual(rows.map((_r, i) => i));
    for (const [i, p] of places.entries()) {
      expect(p.x).toBeGreaterThanOrEqual(drawing.x);
      expect(p.x).toBeLessThanOrEqual(drawing.x + drawing.width);
      expect(p.y).toBeGreaterThanOrEqual(drawing.y);
      expect(p.y).toBeLessThanOrEqual(drawing.y + drawing.height);
      for (const q of places.slice(i + 1))
        expect(Math.hypot(p.x - q.x, p.y - q.y)).toBeGreaterThan(8);
    }
  },
);

test('signs, not colors: fail is a cross, marginal a bar across, now a ring', () => {
  const shapes = (verdict: 'pass' | 'marginal' | 'fail', current: number) =>
    measuredDrawing('gap', [{ row: '1', mm: 1, verdict }], current, {}).drawing.shapes.length;
  const plain = shapes('pass', -1);
  expect([
    shapes('marginal', -1) - plain,
    shapes('fail', -1) - plain,
    shapes('pass', 0) - plain,
  ]).toEqual([1, 2, 1]);
});

test('a face is a map: the ring round a place grows with its gap, and a flat place has none', () => {
  const radii = (gaps: (number | null)[]): number[] => {
    const rows = gaps.map((mm) => ({ row: 'long A', mm, verdict: null }));
    return measuredDrawing('flatness', rows, -1, { max: 0.05 }).drawing.shapes.flatMap((s) =>
      s.kind === 'circle' && s.r > 6 ? [s.r] : [],
    );
  };
  const [small = 0, large = 0] = radii([0.01, 0.04, 0, null]);
  expect(radii([0.01, 0.04, 0, null])).toHaveLength(2);
  expect(large).toBeGreaterThan(small);
  expect(Math.max(...radii([0.2, 0.05]))).toBe(22);
});
