import fc from 'fast-check';
import { headSheet } from '../testing';
import { viewedFrom, type MapView } from './view';
import { whereabouts } from './whereabouts';

const { pattern } = headSheet;
const viewArbitrary: fc.Arbitrary<MapView> = fc.record({
  quarters: fc.constantFrom(0, 1, 2, 3),
  mirrored: fc.boolean(),
});

test('four quarters, or two mirrorings, give the pattern back', () => {
  let turned = pattern;
  for (let i = 0; i < 4; i += 1) turned = viewedFrom(turned, { quarters: 1, mirrored: false });
  expect(turned).toEqual(pattern);
  expect(
    viewedFrom(viewedFrom(pattern, { quarters: 0, mirrored: true }), {
      quarters: 0,
      mirrored: true,
    }),
  ).toEqual(pattern);
});

test('distances stay, labels stay, and words follow the eye', () => {
  fc.assert(
    fc.property(viewArbitrary, (view) => {
      const seen = viewedFrom(pattern, view);
      expect(seen.positions.map((p) => p.label)).toEqual(pattern.positions.map((p) => p.label));
      for (const [i, a] of pattern.positions.entries()) {
        for (const [k, b] of pattern.positions.entries()) {
          const [c, d] = [seen.positions[i], seen.positions[k]];
          expect(
            Math.hypot((c?.xMm ?? 0) - (d?.xMm ?? 0), (c?.yMm ?? 0) - (d?.yMm ?? 0)),
          ).toBeCloseTo(Math.hypot(a.xMm - b.xMm, a.yMm - b.yMm), 9);
        }
      }
    }),
    { seed: 5 },
  );
  const [first] = pattern.positions;
  const was = whereabouts(pattern, first?.label ?? '');
  const mirrored = whereabouts(
    viewedFrom(pattern, { quarters: 0, mirrored: true }),
    first?.label ?? '',
  );
  if (was?.shape !== 'rows' || mirrored?.shape !== 'rows') throw new Error('rows were expected');
  expect(mirrored.inRow).toBe(was.ofRow + 1 - was.inRow);
});

test('turned a quarter clockwise what was at the left is at the top', () => {
  const [landmark] = viewedFrom(
    { ...pattern, landmarks: [{ side: 'left', text: 'front of engine' }] },
    { quarters: 1, mirrored: false },
  ).landmarks;
  expect(landmark).toEqual({ side: 'top', text: 'front of engine' });
  const [x, y] =
    viewedFrom(
      {
        ...pattern,
        outline: [
          [-10, 0],
          [5, 5],
          [5, -5],
        ],
      },
      { quarters: 1, mirrored: false },
    ).outline[0] ?? [];
  expect([x, y]).toEqual([0, 10]);
});
