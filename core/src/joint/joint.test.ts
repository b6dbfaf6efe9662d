import fc from 'fast-check';
import vectors from '../../vectors/09_sequences.json';
import { AppError } from '../errors';
import { headSheet } from '../testing';
import {
  centreOut,
  crossIndices,
  evenness,
  orderByRule,
  pairs,
  spiral,
  starIndices,
  whereabouts,
  type OrderRule,
  type Position,
} from '.';

interface Case {
  name: string;
  input: {
    op: string;
    rule: string;
    n?: number;
    reverse?: boolean;
    tol_mm?: number;
    cap_order?: 'centre_out' | 'along';
    start?: string;
    direction?: 'cw' | 'ccw';
    points_mm?: { id: string; x: number; y: number; cap?: string }[];
  };
  expected: {
    order?: string[];
    error?: string;
    indices?: number[];
    step?: number | null;
    min_hop?: number;
    worst_centroid?: number;
    mean_centroid?: number;
  };
}
const cases = vectors.cases as Case[];
const positions = (points: Case['input']['points_mm']): Position[] =>
  (points ?? []).map((p) => ({
    label: p.id,
    xMm: p.x,
    yMm: p.y,
    ...(p.cap ? { cap: p.cap } : {}),
  }));

function orderOf({
  rule,
  points_mm,
  tol_mm,
  cap_order,
  start,
  direction,
  reverse,
}: Case['input']): string[] {
  const places = positions(points_mm);
  const order =
    rule === 'centre_out'
      ? centreOut(places, tol_mm)
      : rule === 'spiral'
        ? spiral(places, tol_mm)
        : rule === 'pairs'
          ? pairs(places, cap_order === 'along' ? 'along' : 'centreOut', tol_mm)
          : orderByRule(rule as OrderRule, places, { start, direction });
  return reverse ? order.reverse() : order;
}

test.each(cases.filter((c) => c.input.op === 'order').map((c) => [c.name, c] as const))(
  'order agrees with the vector “%s”',
  (_name, { input, expected }) => {
    if (expected.error) expect(() => orderOf(input)).toThrow(AppError);
    else expect(orderOf(input)).toEqual(expected.order);
  },
);

test.each(cases.filter((c) => c.input.op === 'evenness').map((c) => [c.name, c] as const))(
  '%s agrees with its vector',
  (_name, { input, expected }) => {
    const n = input.n ?? 0;
    const indices =
      input.rule === 'star'
        ? starIndices(n)
        : input.rule === 'cross'
          ? crossIndices(n)
          : Array.from({ length: n }, (_, i) => i);
    expect(indices).toEqual(expected.indices);
    const { minHop, worstCentroid, meanCentroid } = evenness(indices);
    expect(minHop).toBe(expected.min_hop);
    expect(worstCentroid).toBeCloseTo(expected.worst_centroid ?? NaN, 8);
    expect(meanCentroid).toBeCloseTo(expected.mean_centroid ?? NaN, 8);
  },
);

test('no vector is passed over', () =>
  expect(cases.every((c) => c.input.op === 'order' || c.input.op === 'evenness')).toBe(true));

test('alternating goes from one end, the sides in turn', () => {
  const places = [0, 80, 160].flatMap((x, i) => [
    { label: `T${i}`, xMm: x, yMm: 50 },
    { label: `B${i}`, xMm: x, yMm: 0 },
  ]);
  expect(orderByRule('alternating', places)).toEqual(['T0', 'B0', 'T1', 'B1', 'T2', 'B2']);
});

describe('any order', () => {
  const rows = fc.record({
    perRow: fc.integer({ min: 1, max: 9 }),
    pitch: fc.integer({ min: 20, max: 150 }),
    gap: fc.integer({ min: 30, max: 200 }),
  });
  const layout = ({
    perRow,
    pitch,
    gap,
  }: {
    perRow: number;
    pitch: number;
    gap: number;
  }): Position[] =>
    Array.from({ length: perRow }, (_, i) => [
      { label: `T${i}`, xMm: i * pitch, yMm: gap },
      { label: `B${i}`, xMm: i * pitch, yMm: 0 },
    ]).flat();

  test('names every place once, whatever the input order', () => {
    fc.assert(
      fc.property(rows, fc.infiniteStream(fc.nat()), (shape, keys) => {
        const given = layout(shape);
        const shuffled = [...given]
          .map((p) => ({ p, key: keys.next().value as number }))
          .sort((a, b) => a.key - b.key)
          .map((x) => x.p);
        const isLong = shape.perRow > 1 && (shape.perRow - 1) * shape.pitch > shape.gap;
        for (const rule of [
          'centreOut',
          'spiral',
          'ring',
          'cross',
          'pairs',
          'star',
          ...(isLong ? (['alternating'] as const) : []),
        ] as const) {
          const order = orderByRule(rule, shuffled);
          expect(order).toEqual(orderByRule(rule, given));
          expect([...order].sort()).toEqual(given.map((p) => p.label).sort());
        }
      }),
    );
  });

  test('survives coordinates that are off by a thousandth', () => {
    fc.assert(
      fc.property(
        rows,
        fc.array(fc.double({ min: -0.001, max: 0.001, noNaN: true }), {
          minLength: 36,
          maxLength: 36,
        }),
        (shape, jitter) => {
          const given = layout(shape);
          const moved = given.map((p, i) => ({
            ...p,
            xMm: p.xMm + (jitter[i] ?? 0),
            yMm: p.yMm + (jitter[i + 18] ?? 0),
          }));
          expect(centreOut(moved)).toEqual(centreOut(given));
        },
      ),
    );
  });
});

describe('where a place lies', () => {
  test('counts rows from the top and places from the left', () => {
    expect(whereabouts(headSheet.pattern, '4')).toEqual({
      shape: 'rows',
      row: 2,
      rows: 2,
      inRow: 4,
      ofRow: 5,
    });
    expect(whereabouts(headSheet.pattern, '9')).toEqual({
      shape: 'rows',
      row: 1,
      rows: 2,
      inRow: 1,
      ofRow: 5,
    });
    expect(whereabouts(headSheet.pattern, '99')).toBeUndefined();
  });

  test('a row that is slightly bent is one row', () => {
    const positions = [0, 1, 2, 3, 4].flatMap((i) => [
      { label: `t${i}`, xMm: i * 90, yMm: 100 + (i % 2) * 14 },
      { label: `b${i}`, xMm: i * 90, yMm: (i % 2) * 14 },
    ]);
    expect(whereabouts({ positions }, 't3')).toEqual({
      shape: 'rows',
      row: 1,
      rows: 2,
      inRow: 4,
      ofRow: 5,
    });
  });

  test('on a ring by the clock, with twelve at the top', () => {
    const positions = Array.from({ length: 8 }, (_, i) => ({
      label: String(i),
      xMm: 40 * Math.sin((i * Math.PI) / 4),
      yMm: 40 * Math.cos((i * Math.PI) / 4),
    }));
    expect(positions.map((p) => whereabouts({ positions }, p.label))).toMatchObject(
      [12, 2, 3, 5, 6, 8, 9, 11].map((hour) => ({ shape: 'ring', hour: expect.closeTo(hour, -1) })),
    );
    expect(whereabouts({ positions }, '2')).toEqual({ shape: 'ring', hour: 3 });
    expect(whereabouts({ positions }, '6')).toEqual({ shape: 'ring', hour: 9 });
  });
});
