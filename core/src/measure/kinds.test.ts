import fc from 'fast-check';
import {
  implausible,
  judgeMeasured,
  measureKinds,
  MEASURE_KINDS,
  readingsOf,
  type Measured,
} from '.';

fc.configureGlobal({ seed: process.env.STENNET_ALL ? Date.now() : 7 });

const strip: Measured['strip'] = [
  [1, 0.08],
  [1.5, 0.051],
  [3, 0.02],
];
const rows = (lines: Record<string, (number | null)[]>): Measured['rows'] =>
  Object.entries(lines).map(([row, values]) => ({ row, values }));

describe('what is on the order is judged', () => {
  test('a head with a marginal face: the limit’s own leaf enters', () => {
    const judged = judgeMeasured({
      what: 'flatness',
      unit: 'mm',
      uncertainty: 0,
      limits: { overall: 0.05, window: 100, local: 0.05 },
      rows: [
        { row: 'long A', values: [0, 0, 0.02] },
        { row: 'long A', values: [200, 0.05, 0.06] },
        { row: 'long A', values: [400, 0, 0.02] },
      ],
    });
    expect(judged.verdict).toBe('marginal');
    expect(judged.found[0]).toMatchObject({
      what: 'Overall, worst on long A',
      verdict: 'marginal',
    });
  });

  test('strips: in the band, tighter than the strip’s chart, conical', () => {
    const judged = judgeMeasured({
      what: 'strip',
      unit: 'mm',
      uncertainty: 0.003,
      limits: { min: 0.02, max: 0.07, taper: 0.01 },
      strip,
      rows: rows({ '1': [1.5, 1.5], '2': [3.2, 3.2], '3': [1.2, 1.6] }),
    });
    expect(judged.found.map((f) => f.verdict)).toEqual(['pass', 'marginal', 'fail']);
    expect(judged.found[1]?.note).toBe('tighter than the strip’s chart');
    expect(judged.verdict).toBe('fail');
  });

  test('wear: the one that is unlike the others is looked at again, and too few say nothing', () => {
    const lobes = {
      '1': [38.01],
      '2': [38.0],
      '3': [38.02],
      '4': [36.4],
      '5': [38.01],
      '6': [38.0],
      '7': [38.02],
      '8': [38.01],
    };
    const judged = judgeMeasured({
      what: 'wear',
      unit: 'mm',
      uncertainty: 0,
      limits: {},
      rows: rows(lobes),
    });
    expect(judged.found.filter((f) => f.note).map((f) => f.what)).toEqual(['4']);
    expect(
      judgeMeasured({
        what: 'wear',
        unit: 'mm',
        uncertainty: 0,
        limits: {},
        rows: rows({ '1': [1], '2': [9] }),
      }),
    ).toMatchObject({
      verdict: 'marginal',
      found: [{ note: 'too few of its kind to compare' }, {}],
    });
  });

  test.each([
    [
      'lobes, intake with intake',
      {
        '1 in': [42.31],
        '1 ex': [41.02],
        '2 in': [42.3],
        '2 ex': [41.03],
        '3 in': [41.5],
        '3 ex': [41.02],
        '4 in': [42.32],
        '4 ex': [41.01],
      },
      ['3 in'],
    ],
    ['shells', { '1': [1.998], '2': [1.997], '3': [1.999], '4': [1.968], '5': [1.998] }, ['4']],
    ['a step', { '1': [0.02], '2': [0.02], '3': [0.12], '4': [0.03] }, ['3']],
    [
      'a tilt among straight ones',
      { '1 a': [10], '1 b': [10], '2 a': [10.01], '2 b': [10], '3 a': [10], '3 b': [10.4] },
      ['3 b'],
    ],
    [
      'all alike, as they come from a lathe',
      { '1': [38.01], '2': [38], '3': [38.02], '4': [38.01], '5': [37.99], '6': [38] },
      [],
    ],
  ] as [string, Record<string, number[]>, string[]][])('wear: %s', (_what, values, odd) => {
    const judged = judgeMeasured({
      what: 'wear',
      unit: 'mm',
      uncertainty: 0.004,
      limits: {},
      rows: rows(values),
    });
    expect(judged.found.filter((f) => f.note).map((f) => f.what)).toEqual(odd);
    expect(judged.verdict).toBe(odd.length > 0 ? 'marginal' : 'pass');
  });

  test('a face is not within limits before all places are in; out of them it is at once', () => {
    const limits = { overall: 0.05, window: 150, local: 0.02 };
    const row = (at: number, go: number, nogo: number) => [at, go, nogo] as const;
    const some = [
      { row: 'long A', values: [...row(0, 0, 0.01)] },
      { row: 'long A', values: [...row(100, 0, 0.01)] },
      { row: 'long A', values: [...row(200, 0, 0.01)] },
    ];
    const open = { row: 'long B', values: [null, null, null] };
    const m = { what: 'flatness', unit: 'mm', uncertainty: 0, limits, rows: some } as const;
    expect(judgeMeasured(m)).toMatchObject({ verdict: 'pass' });
    expect(judgeMeasured({ ...m, rows: [...some, open] })).toMatchObject({
      verdict: 'marginal',
      missing: 1,
      soFar: 'pass',
    });
    const bad = [
      ...some.slice(0, 1),
      { row: 'long A', values: [...row(100, 0.08, 0.09)] },
      ...some.slice(2),
      open,
    ];
    expect(judgeMeasured({ ...m, rows: bad })).toMatchObject({ verdict: 'fail', missing: 1 });
  });

  test('without its limit or with half a row nothing is judged', () => {
    const half = {
      what: 'gap',
      unit: 'mm',
      uncertainty: 0,
      limits: { min: 0.2, max: 0.4 },
      rows: rows({ '1': [0.25, null] }),
    } as const;
    expect(() => judgeMeasured(half)).toThrow(
      expect.objectContaining({ code: 'MEASUREMENTS_NEEDED' }),
    );
    expect(() => judgeMeasured({ ...half, limits: {}, rows: rows({ '1': [0.25, 0.3] }) })).toThrow(
      expect.objectContaining({ code: 'MEASUREMENTS_NEEDED' }),
    );
  });
});

test('inches or millimetres: the same part has the same verdict', () => {
  const value = fc.double({ min: 0.001, max: 3, noNaN: true });
  const kinds = fc.constantFrom(...MEASURE_KINDS.filter((k) => k !== 'strip' && k !== 'bearing'));
  fc.assert(
    fc.property(kinds, fc.array(value, { minLength: 24, maxLength: 24 }), (what, numbers) => {
      const kind = measureKinds[what];
      const mm: Measured = {
        what,
        unit: 'mm',
        uncertainty: 0.004,
        limits: Object.fromEntries(
          kind.limits.map((l, i) => [l.key, [0.05, 1.2, 0.4, 0.2][i] ?? 0.1]),
        ),
        rows: kind.rows.slice(0, 8).map((row, i) => ({
          row,
          values: kind.columns.map((_c, k) => numbers[(i * 3 + k) % 24] ?? 1),
        })),
      };
      const inch = (x: number): number => x / 25.4;
      const typed: Measured = {
        ...mm,
        unit: '[in_i]',
        uncertainty: inch(mm.uncertainty),
        limits: Object.fromEntries(Object.entries(mm.limits).map(([k, v]) => [k, inch(v)])),
        rows: mm.rows.map((r) => ({
          row: r.row,
          values: r.values.map((v) => (v === null ? null : inch(v))),
        })),
      };
      expect(judgeMeasured(typed).verdict).toBe(judgeMeasured(mm).verdict);
    }),
    { numRuns: 200 },
  );
});

test('a value that cannot be is questioned, and so is one that is far from the others', () => {
  const kind = measureKinds.boltLength;
  expect(implausible(kind, rows({ '1': [139], '2': [139.2], '3': [1391], '4': [139.1] }))).toEqual([
    { row: 2, column: 0 },
  ]);
  expect(
    implausible(
      measureKinds.gap,
      rows({ '1': [0.2, 0.3], '2': [0.25, 0.3], '3': [0.2, 0.25], '4': [2.5, 0.3] }),
    ),
  ).toEqual([{ row: 3, column: 0 }]);
  expect(implausible(kind, rows({ '1': [139], '2': [null] }))).toEqual([]);
});

test('readings are turned into millimetres once', () => {
  expect(
    readingsOf({
      what: 'gap',
      unit: '[in_i]',
      uncertainty: 0.001,
      limits: { min: 0.01 },
      rows: rows({ '1': [0.012, null] }),
    }),
  ).toMatchObject({
    rows: [{ values: [0.3048, null] }],
    limits: { min: 0.254 },
    uncertaintyMm: 0.0254,
  });
});
