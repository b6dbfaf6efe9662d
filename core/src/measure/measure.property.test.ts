import fc from 'fast-check';
import {
  bearing,
  feelerFlatness,
  flangeWarp,
  guarded,
  planeFlatness,
  protrusion,
  runOut,
  stripClearance,
  type StripTable,
} from '.';

fc.configureGlobal({ seed: process.env.STENNET_ALL ? Date.now() : 7 });

const mm = fc.double({ min: 0, max: 0.5, noNaN: true });
const leaf = fc
  .record({
    posMm: fc.integer({ min: 0, max: 500 }),
    go: fc.integer({ min: 0, max: 30 }),
    step: fc.integer({ min: 1, max: 5 }),
  })
  .map(({ posMm, go, step }) => ({
    posMm,
    goMm: go / 100,
    nogoMm: (go + step) / 100,
  }));
const lines = fc
  .array(fc.array(leaf, { minLength: 1, maxLength: 6 }), { minLength: 1, maxLength: 5 })
  .map((l) => l.map((points, i) => ({ name: `line ${i}`, points })));
const limits = { overallMm: 0.05, windowMm: 100, localMm: 0.03 };

test('a guarded verdict gets no better with a worse instrument, and no worse with a smaller value', () => {
  const rank = { pass: 0, marginal: 1, fail: 2 } as const;
  fc.assert(
    fc.property(mm, mm, mm, mm, (value, u, more, limit) => {
      if (guarded(value, u, limit) === 'marginal')
        expect(guarded(value, u + more, limit)).toBe('marginal');
      expect(rank[guarded(value, u, limit)]).toBeLessThanOrEqual(
        rank[guarded(value + more, u, limit)],
      );
    }),
  );
});

test('flatness by feelers: the order of lines and of places changes no number and no verdict', () => {
  fc.assert(
    fc.property(lines, (l) => {
      const other = [...l].reverse().map((x) => ({ ...x, points: [...x.points].reverse() }));
      const [a, b] = [feelerFlatness(l, limits), feelerFlatness(other, limits)];
      expect(b.overallMm).toBeCloseTo(a.overallMm, 9);
      expect(b.localMm).toBeCloseTo(a.localMm, 9);
      expect([b.verdictOverall, b.verdictLocal]).toEqual([a.verdictOverall, a.verdictLocal]);
    }),
  );
});

test('the narrowest zone is never wider than the whole spread', () => {
  fc.assert(
    fc.property(lines, (l) => {
      for (const line of feelerFlatness(l, limits).lines)
        expect(line.minZoneMm).toBeLessThanOrEqual(line.worstMm + 1e-9);
    }),
  );
});

test('a face measured in inches and turned into mm has the same flatness, and tilting it changes nothing', () => {
  const heights = fc.array(fc.double({ min: -0.2, max: 0.2, noNaN: true }), {
    minLength: 12,
    maxLength: 12,
  });
  const tilt = fc.double({ min: -0.01, max: 0.01, noNaN: true });
  fc.assert(
    fc.property(heights, tilt, tilt, (z, a, b) => {
      const points = z.map((h, i) => [(i % 4) * 90, Math.floor(i / 4) * 70, h] as const);
      const flat = planeFlatness(points, 0.05, 0.002);
      const tilted = planeFlatness(
        points.map(([x, y, h]) => [x, y, h + a * x + b * y] as const),
        0.05,
        0.002,
      );
      const inch = planeFlatness(
        points.map(([x, y, h]) => [x / 25.4, y / 25.4, h / 25.4] as const),
        0.05 / 25.4,
        0.002 / 25.4,
      );
      expect(tilted.flatnessMm).toBeCloseTo(flat.flatnessMm, 8);
      // What counts as flat is a billionth of the unit it is computed in.
      expect(inch.flatnessMm * 25.4).toBeCloseTo(flat.flatnessMm, 6);
      expect(inch.verdict).toBe(flat.verdict);
    }),
  );
});

test('run-out is the same wherever the first reading is taken; a constant on top changes nothing', () => {
  const readings = fc.array(fc.double({ min: -0.1, max: 0.1, noNaN: true }), {
    minLength: 4,
    maxLength: 16,
  });
  fc.assert(
    fc.property(readings, fc.nat({ max: 15 }), mm, (r, by, more) => {
      const n = by % r.length;
      const turned = [...r.slice(n), ...r.slice(0, n)].map((x) => x + more);
      const [a, b] = [runOut(r, 0.05, 0.005), runOut(turned, 0.05, 0.005)];
      expect(b.tirMm).toBeCloseTo(a.tirMm, 9);
      expect(b.eccentricityMm).toBeCloseTo(a.eccentricityMm ?? NaN, 9);
      expect(b.formMm).toBeCloseTo(a.formMm ?? NaN, 9);
    }),
  );
});

test('a bearing: clearance lies between least and most; swapping planes changes nothing', () => {
  const planes = (around: number) =>
    fc.array(
      fc.tuple(
        fc.double({ min: around, max: around + 0.05, noNaN: true }),
        fc.double({ min: around, max: around + 0.05, noNaN: true }),
      ),
      { minLength: 2, maxLength: 4 },
    );
  fc.assert(
    fc.property(planes(54.04), planes(53.95), (bores, journals) => {
      const limit = { clearanceMinMm: 0.02, clearanceMaxMm: 0.06, ovalityMm: 0.01, taperMm: 0.01 };
      const a = bearing(bores, journals, limit, 0.002);
      const b = bearing([...bores].reverse(), [...journals].reverse(), limit, 0.002);
      expect(a.leastMm).toBeLessThanOrEqual(a.clearanceMm + 1e-9);
      expect(a.mostMm).toBeGreaterThanOrEqual(a.clearanceMm - 1e-9);
      expect(b.clearanceMm).toBeCloseTo(a.clearanceMm, 9);
      expect(b.verdict).toBe(a.verdict);
    }),
  );
});

test('a wider strip never means more clearance', () => {
  const table: StripTable = [
    [1, 0.08],
    [1.5, 0.051],
    [3, 0.02],
  ];
  const width = fc.double({ min: 0.5, max: 4, noNaN: true });
  fc.assert(
    fc.property(width, width, (a, b) => {
      const [narrow, wide] = a < b ? [a, b] : [b, a];
      expect(stripClearance(table, wide).clearanceMm).toBeLessThanOrEqual(
        stripClearance(table, narrow).clearanceMm + 1e-12,
      );
    }),
  );
});

test('shifting a zero moves protrusions and nothing else; flanges are judged the same from either end', () => {
  const parts = fc.array(fc.tuple(mm, mm), { minLength: 2, maxLength: 6 });
  fc.assert(
    fc.property(parts, mm, (p, base) => {
      const limit = { minMm: 0, maxMm: 0.1, stepMm: 0.05, tiltMm: 0.05 };
      const [a, b] = [
        protrusion(p, 0, limit, 0.005),
        protrusion(
          p.map(([x, y]) => [x + base, y + base]),
          base,
          limit,
          0.005,
        ),
      ];
      expect(b.stepMm).toBeCloseTo(a.stepMm, 9);
      for (const [i, v] of a.valuesMm.entries()) expect(b.valuesMm[i]).toBeCloseTo(v, 9);
      const flanges = p.map((gapsMm, i) => ({ name: `${i}`, xMm: i * 90, gapsMm }));
      const warp = { overallMm: 0.2, stepMm: 0.1, tiltMm: 0.1 };
      const [c, d] = [
        flangeWarp(flanges, warp, 0.01),
        flangeWarp([...flanges].reverse(), warp, 0.01),
      ];
      expect([d.overallMm, d.tiltMm, d.verdict]).toEqual([c.overallMm, c.tiltMm, c.verdict]);
      // Two bows alike to a billionth: which one is named may differ.
      expect(Math.abs(d.bowMm)).toBeCloseTo(Math.abs(c.bowMm), 7);
    }),
  );
});
