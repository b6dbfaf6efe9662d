import fc from 'fast-check';
import * as v from 'valibot';
import {
  lookAtPulls,
  shownCurve,
  simulateWrench,
  thinOut,
  TraceSchema,
  type TracedPull,
  type WrenchTask,
} from '.';

const pulled = (id: string, how: WrenchTask['how'], seed: number, torque = 62): TracedPull => ({
  id,
  targetNm: torque,
  trace: simulateWrench({ to: { unit: 'N.m', value: torque }, how }, seed, 'Wrench 4').trace,
});
const sound = (count: number, from: number): TracedPull[] =>
  Array.from({ length: count }, (_, i) => pulled(String(i + 1), 'ok', from + i));

test('among sound neighbors nothing stands out', () => {
  for (const from of [100, 200, 300])
    expect(lookAtPulls(sound(8, from)).map((p) => p.look?.is)).toEqual(
      Array.from({ length: 8 }, () => 'ok'),
    );
});

test.each(['bottoming', 'strip', 'stick_slip', 'liquid_lock'] as const)(
  'one that is %s stands out among its neighbours',
  (how) => {
    const found = lookAtPulls([...sound(7, 400), pulled('8', how, 41)]);
    expect(found.at(-1)?.look?.is).toBe(how);
    expect(found.slice(0, 7).every((p) => p.look?.is === 'ok')).toBe(true);
  },
);

test('one alone is held against itself: a dry one cannot be told from a sound one, and nothing is claimed', () => {
  expect(lookAtPulls([pulled('1', 'wrong_lube', 7)])[0]?.look?.is).not.toBe('wrong_lube');
  expect(lookAtPulls([...sound(7, 500), pulled('8', 'wrong_lube', 7)]).at(-1)?.look?.is).toBe(
    'wrong_lube',
  );
});

test('what was pulled further from tight has a curve and no verdict', () => {
  const { trace, turnedDeg } = simulateWrench({ to: { unit: 'deg', value: 90 } }, 3, 'Wrench 4');
  expect(turnedDeg).toBeGreaterThan(85);
  const [found] = lookAtPulls([{ id: '1', trace, targetNm: null }]);
  expect(found?.look).toBeNull();
  expect(found?.curve.torqueNm.length).toBeGreaterThan(20);
});

test('the same hand and seed give the same trace, whatever it aims at, and it fits its form', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 0, max: 4_000_000_000 }),
      fc.integer({ min: 8, max: 250 }),
      (seed, torque) => {
        const task: WrenchTask = { to: { unit: 'N.m', value: torque } };
        const { trace, peakNm } = simulateWrench(task, seed, 'Wrench 4');
        expect(simulateWrench(task, seed, 'Wrench 4').trace).toEqual(trace);
        expect(v.is(TraceSchema, trace)).toBe(true);
        expect(peakNm / torque).toBeGreaterThan(0.97);
        expect(peakNm / torque).toBeLessThan(1.12);
      },
    ),
    { numRuns: process.env.STENNET_ALL ? 200 : 10 },
  );
});

test('thinned out, first and last stay, times rise and no sample is made up', () => {
  const of = fc.array(fc.double({ min: -50, max: 200, noNaN: true }), {
    minLength: 2,
    maxLength: 300,
  });
  fc.assert(
    fc.property(of, fc.integer({ min: 2, max: 60 }), (torqueNm, count) => {
      const whole = {
        tS: torqueNm.map((_, i) => i / 100),
        torqueNm,
        angleDeg: torqueNm.map((_, i) => i),
      };
      const thin = thinOut(whole, count);
      expect(thin.tS.length).toBe(Math.min(count, torqueNm.length));
      expect(thin.tS[0]).toBe(0);
      expect(thin.tS.at(-1)).toBe(whole.tS.at(-1));
      for (const [i, t] of thin.tS.entries()) {
        if (i > 0) expect(t).toBeGreaterThan(thin.tS[i - 1] ?? Infinity);
        expect(thin.torqueNm[i]).toBe(torqueNm[Math.round(t * 100)]);
      }
    }),
  );
});

test('a trace whose columns differ or whose time stands still is none', () => {
  const { trace } = simulateWrench({ to: { unit: 'N.m', value: 30 } }, 1, 'Wrench 4');
  expect(v.is(TraceSchema, { ...trace, tS: trace.tS.slice(1) })).toBe(false);
  expect(
    v.is(TraceSchema, { ...trace, tS: trace.tS.map((t, i) => (i === 5 ? (trace.tS[4] ?? 0) : t)) }),
  ).toBe(false);
});

test('whatever a wrench may send within the form, looking at it neither throws nor hangs', () => {
  const column = (most: number) =>
    fc.array(fc.double({ min: -most, max: most, noNaN: true }), { minLength: 40, maxLength: 40 });
  const made = fc.record({
    count: fc.integer({ min: 2, max: 40 }),
    step: fc.double({ min: 0.001, max: 3, noNaN: true }),
    torque: column(3000),
    angle: column(20_000),
    target: fc.option(fc.integer({ min: 1, max: 400 })),
  });
  fc.assert(
    fc.property(fc.array(made, { minLength: 1, maxLength: 5 }), (pulls) => {
      const looked = lookAtPulls(
        pulls.map((p, i) => {
          const cut = (values: number[]): number[] => values.slice(0, p.count);
          const trace = {
            format: 'stennet-trace',
            v: 1,
            wrench: 'Wrench 4',
            simulated: true,
            tS: cut(p.torque).map((_, k) => k * p.step),
            torqueNm: cut(p.torque),
            angleDeg: cut(p.angle),
          };
          return { id: String(i), trace: v.parse(TraceSchema, trace), targetNm: p.target };
        }),
      );
      expect(looked).toHaveLength(pulls.length);
      for (const l of looked) expect(shownCurve(l).angleDeg.length).toBeGreaterThan(0);
    }),
    { numRuns: process.env.STENNET_ALL ? 100 : 5 },
  );
}, 60_000);
