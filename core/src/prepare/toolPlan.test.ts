import fc from 'fast-check';
import { convert, scaleFactor, wrenchSetting, type UnitCode, type Wrench } from '../quantity';
import { demoSheet, demoSheets, headSheet } from '../testing';
import { barLengthMm, sockets, toolPlan, type ListedTool } from '.';

const TODAY = '2026-11-25';
const wrench = (
  n: number,
  unit: UnitCode,
  min: number,
  max: number,
  graduation: number,
  more: Partial<Wrench> = {},
): ListedTool =>
  ({
    kind: 'click',
    id: `5e000000-0000-4000-8000-${String(n).padStart(12, '0')}`,
    name: `W${n}`,
    unit,
    min,
    max,
    graduation,
    calibratedUntil: '2027-01-01',
    ...more,
  }) as ListedTool;

const tools = fc.array(
  fc.record({
    unit: fc.constantFrom<UnitCode>('N.m', '[ft_i].[lbf_av]', '[in_i].[lbf_av]'),
    max: fc.integer({ min: 5, max: 400 }),
    low: fc.double({ min: 0, max: 0.6, noNaN: true }),
    graduation: fc.constantFrom(0.1, 0.5, 1, 2.5, 5),
    until: fc.constantFrom('2026-11-24', '2026-11-25', '2027-05-01'),
    lengthMm: fc.option(fc.integer({ min: 150, max: 900 }), { nil: undefined }),
  }),
  { maxLength: 6 },
);

test('a plan never picks a wrench out of range or out of calibration, and only misses where none would do', () => {
  fc.assert(
    fc.property(fc.constantFrom(...demoSheets), tools, (sheet, made) => {
      const list = made.map((w, i) =>
        wrench(i + 1, w.unit, w.max * w.low, w.max, w.graduation, {
          calibratedUntil: w.until,
          ...(w.lengthMm ? { lengthMm: w.lengthMm } : {}),
        }),
      );
      for (const { fit, target } of toolPlan(sheet, list, TODAY).lines) {
        const values =
          'value' in target
            ? [target]
            : [target.min, target.max].map((value) => ({ value, unit: target.unit }));
        if (fit.kind === 'wrench') {
          expect(fit.wrench.calibratedUntil >= TODAY).toBe(true);
          for (const v of values) expect(() => wrenchSetting(fit.wrench, v)).not.toThrow();
        } else if (fit.kind === 'missing') {
          const serves = (t: ListedTool): boolean =>
            t.kind === 'click' &&
            t.calibratedUntil >= TODAY &&
            values.every(
              (v) => convert(v, t.unit) >= t.min - 1e-9 && convert(v, t.unit) <= t.max + 1e-9,
            );
          expect(list.some(serves)).toBe(false);
        }
      }
    }),
    { numRuns: 300, seed: 7 },
  );
});

test('a wrench that cannot be set finely enough is taken only where no other reaches, and says so', () => {
  const coarse = wrench(1, 'N.m', 20, 200, 20);
  const fine = wrench(2, 'N.m', 20, 200, 1);
  const snug = (list: ListedTool[]) =>
    toolPlan(headSheet, list, TODAY).lines.find((l) => l.stage.id === 'snug')?.fit;
  expect(snug([coarse, fine])).toMatchObject({
    kind: 'wrench',
    wrench: { id: fine.id },
    tooCoarse: false,
  });
  expect(snug([coarse])).toMatchObject({
    kind: 'wrench',
    wrench: { id: coarse.id },
    tooCoarse: true,
  });
});

test('for an angle: a gauge that fits the bar, a digital wrench in calibration that reaches the end', () => {
  const id = (n: number): string => `5e000000-0000-4000-8000-00000000000${n}`;
  const bar = { id: id(3), kind: 'bar', name: 'Bar', drive: '1/2', lengthMm: 900 } as const;
  const gauge = (drive: '1/2' | '3/8') =>
    ({ id: id(4), kind: 'angleGauge', name: `Gauge ${drive}`, drive, stepDeg: 2 }) as const;
  const digital = (max: number, calibratedUntil: string) =>
    ({
      id: id(5),
      kind: 'digital',
      name: 'Digital',
      unit: 'N.m',
      min: 5,
      max,
      graduation: 0.1,
      calibratedUntil,
    }) as const;
  const at = (...list: ListedTool[]) =>
    toolPlan(headSheet, list, TODAY).lines.find((l) => l.stage.id === 'second-angle')?.fit;
  expect(at(bar, gauge('3/8'), digital(340, '2020-01-01'))).toMatchObject({
    gauge: null,
    digital: null,
  });
  expect(at(bar, gauge('1/2'), digital(30, '2099-01-01'))).toMatchObject({
    gauge: 'Gauge 1/2',
    digital: null,
  });
  expect(at(bar, gauge('1/2'), digital(340, '2099-01-01'))).toMatchObject({ digital: 'Digital' });
});

test('no other choice of wrenches has fewer changes', () => {
  fc.assert(
    fc.property(fc.constantFrom(...demoSheets), tools, (sheet, made) => {
      // All finely graduated: a coarse one is avoided at the cost of a change.
      const list = made.slice(0, 3).map((w, i) => wrench(i + 1, w.unit, w.max * w.low, w.max, 0.1));
      const plan = toolPlan(sheet, list, TODAY);
      const wanted = plan.lines.filter((l) => l.fit.kind === 'wrench');
      const serving = wanted.map(({ target }) => {
        const values =
          'value' in target
            ? [target]
            : [target.min, target.max].map((value) => ({ value, unit: target.unit }));
        return list
          .filter(
            (t) =>
              t.kind === 'click' &&
              values.every(
                (v) => convert(v, t.unit) >= t.min - 1e-9 && convert(v, t.unit) <= t.max + 1e-9,
              ),
          )
          .map((t) => t.id);
      });
      // All ways there are, tried one by one.
      let least = Infinity;
      const walk = (at: number, last: string | null, changes: number): void => {
        if (changes >= least) return;
        if (at === serving.length) return void (least = changes);
        for (const id of serving[at] ?? [])
          walk(at + 1, id, changes + (last !== null && last !== id ? 1 : 0));
      };
      walk(0, null, 0);
      expect(plan.changes).toBe(least);
    }),
    { numRuns: 200, seed: 11 },
  );
});

test('the corrected setting gives the wanted torque, whatever the adapter', () => {
  const scale = fc.record({
    torqueNm: fc.double({ min: 5, max: 300, noNaN: true }),
    lengthMm: fc.integer({ min: 200, max: 900 }),
    offsetMm: fc.integer({ min: 5, max: 150 }),
    angleDeg: fc.integer({ min: 0, max: 180 }),
  });
  fc.assert(
    fc.property(scale, ({ torqueNm, lengthMm, offsetMm, angleDeg }) => {
      const w = {
        ...(wrench(1, 'N.m', 0, 9000, 0.01, { lengthMm }) as unknown as Wrench),
        adapter: { tool: '5e000000-0000-4000-8000-000000000099', name: 'C', offsetMm, angleDeg },
      };
      const set = wrenchSetting(w, { value: torqueNm, unit: 'N.m' });
      // The hand's force at the grip, times its distance from the bolt.
      const force = (set.value * 1000) / lengthMm;
      const along = offsetMm * Math.cos((angleDeg * Math.PI) / 180);
      expect(Math.abs((force * (lengthMm + along)) / 1000 - torqueNm)).toBeLessThanOrEqual(
        0.005 / scaleFactor(w) + 1e-6,
      );
    }),
    { numRuns: 400, seed: 3 },
  );
});

describe('a stage that no wrench serves', () => {
  const intake = demoSheet('cv30-intake');
  const first = (list: ListedTool[]) => toolPlan(intake, list, TODAY).lines[0]?.fit;

  test('too low for all: the lowest one is named', () => {
    expect(
      first([wrench(1, 'N.m', 12, 60, 0.5), wrench(2, '[in_i].[lbf_av]', 50, 250, 1)]),
    ).toMatchObject({
      kind: 'missing',
      why: 'tooLow',
      nearest: { name: 'W2' },
      byFeel: false,
    });
  });
  test('too high for all, between two, or none at all', () => {
    expect(first([wrench(1, 'N.m', 0.5, 3, 0.1)])).toMatchObject({
      why: 'tooHigh',
      nearest: { name: 'W1' },
    });
    expect(first([wrench(1, 'N.m', 0.5, 3, 0.1), wrench(2, 'N.m', 10, 60, 0.5)])).toMatchObject({
      why: 'between',
      nearest: null,
    });
    expect(first([])).toMatchObject({ why: 'none' });
  });
  test('overdue is another thing than missing', () => {
    expect(first([wrench(1, 'N.m', 1, 20, 0.1, { calibratedUntil: '2026-11-24' })])).toMatchObject({
      why: 'overdue',
      nearest: { name: 'W1' },
    });
  });
});

test('angle stages prefer a plain bar, the shortest that one arm can pull', () => {
  const bar = (lengthMm: number): ListedTool => ({
    kind: 'bar',
    id: `5e000000-0000-4000-8000-${String(lengthMm).padStart(12, '0')}`,
    name: `bar ${lengthMm}`,
    drive: '1/2',
    lengthMm,
  });
  const angle = toolPlan(headSheet, [bar(1000), bar(600), bar(200)], TODAY).lines.find(
    (l) => l.stage.action === 'angle',
  );
  expect(angle?.fit).toMatchObject({ kind: 'angle', bar: { name: 'bar 600' } });
  expect(angle?.fit.kind === 'angle' && angle.fit.pushN).toBeGreaterThan(100);
  expect(barLengthMm(120)).toBe(300);
});

test('sockets are laid out as the sheet names them', () => {
  expect(sockets(headSheet)).toEqual([
    { socket: 'hex 16 mm, deep', groups: ['Head bolts'], count: 10 },
  ]);
});
