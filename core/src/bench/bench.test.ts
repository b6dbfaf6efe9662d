import fc from 'fast-check';
import { orderByRule } from '../joint';
import { demoSheet, demoSheets, Technician } from '../testing';
import { runRecord } from '../record';
import {
  benchJointOf,
  clampOfRecord,
  compareOrders,
  compareWays,
  EXAMPLES,
  examplePlaces,
  FLANGES,
  pullByPull,
  type BenchJoint,
} from '.';

const example = (of: Partial<BenchJoint> = {}): BenchJoint => ({
  places: examplePlaces('twoRows', 10, 90),
  bolt: { thread: 'M10', propertyClass: '10.9', gripMm: 90, under: 'aluminum', gasket: 'metal' },
  condition: 'engineOil',
  flange: 'head',
  torquesNm: [25, 50],
  anglesDeg: [],
  published: null,
  ...of,
});
const labels = (joint: BenchJoint): string[] => joint.places.map((p) => p.label);

describe('a joint on the bench', () => {
  test('every sheet of the demo world can be looked at', () => {
    const found = demoSheets.map((sheet) => ({ sheet, joint: benchJointOf(sheet) }));
    expect(found.filter((f) => f.joint).length).toBeGreaterThan(found.length * 0.8);
    for (const { joint } of found) {
      if (!joint || joint.places.length < 2) continue;
      const order = joint.published ?? labels(joint);
      const { passes } = pullByPull(joint, order, 1, false);
      expect(passes).toHaveLength(joint.torquesNm.length + joint.anglesDeg.length);
      const last = passes.at(-1)?.pulls.at(-1)?.forcesKn ?? [];
      for (const kn of last) expect(kn).toBeGreaterThanOrEqual(0);
    }
  });

  test('places of an example are numbered in an order from where they lie', () => {
    fc.assert(
      fc.property(fc.constantFrom(...EXAMPLES), fc.integer({ min: 2, max: 24 }), (kind, n) => {
        const places = examplePlaces(kind, n, 60);
        const numbers = places.map((p) => Number(p.label)).sort((a, b) => a - b);
        expect(numbers).toEqual(Array.from({ length: n }, (_, i) => i + 1));
        for (const [i, a] of places.entries())
          for (const b of places.slice(i + 1))
            expect(Math.hypot(a.xMm - b.xMm, a.yMm - b.yMm)).toBeGreaterThan(50);
      }),
    );
  });
});

describe('orders beside each other', () => {
  const joint = example();
  const byRow = labels(joint);
  const centreOut = orderByRule('centreOut', joint.places);
  const { orders, frictionAlone } = compareOrders(
    joint,
    [
      { id: 'row', order: byRow },
      { id: 'centreOut', order: centreOut },
    ],
    40,
    5,
  );

  test('from the middle it closes more evenly; friction leaves what no order takes away', () => {
    const [row, middle] = orders;
    if (!row || !middle) throw new Error('no orders');
    expect(middle.unevenMm).toBeLessThan(row.unevenMm);
    for (const o of [row, middle]) {
      expect(o.spreadSettled ?? 0).toBeLessThan(o.spreadOnce);
      expect(o.spreadSettled ?? 0).toBeGreaterThan(0.8 * frictionAlone);
      expect(o.passes ?? 0).toBeGreaterThan(1);
    }
  });

  test('the same seed says the same, and tells how far it is', () => {
    const parts: number[] = [];
    const tried = [{ id: 'row', order: byRow }];
    const once = compareOrders(joint, tried, 40, 9, (share) => parts.push(share));
    expect(compareOrders(joint, tried, 40, 9)).toEqual(once);
    expect(parts).toEqual([0.5, 1]);
  });

  test('the softer the flange and its gasket, the more a pull takes from the others', () => {
    const spread = (flange: BenchJoint['flange'], gasket: 'metal' | 'soft'): number =>
      compareOrders(
        example({ flange, bolt: { ...joint.bolt, gasket } }),
        [{ id: 'row', order: byRow }],
        10,
        1,
      ).orders[0]?.spreadOnce ?? 0;
    expect(spread('head', 'soft')).toBeGreaterThan(spread('head', 'metal'));
    expect(FLANGES.map((f) => spread(f, 'metal')).every((s) => s > 0)).toBe(true);
  });
});

describe('one joint pull for pull', () => {
  test('a pull gives its bolt what the torque gives, whatever the others do; angles follow the last torque', () => {
    const joint = example({ anglesDeg: [90] });
    const { passes, pulledToKn } = pullByPull(joint, labels(joint), 3, true);
    expect(passes.map((p) => p.mode).slice(0, 2)).toEqual(['torque', 'torque']);
    expect(passes.at(-1)?.mode).toBe('angle');
    expect(passes.length).toBeGreaterThan(3);
    expect(pulledToKn.every((kn) => kn > 0)).toBe(true);
    for (const p of passes.at(-1)?.pulls ?? []) expect(p.turnedDeg).toBeCloseTo(90, 6);
  });
});

test('an angle is compared with a torque alone; a torque alone stands by itself', () => {
  const of = {
    ...example().bolt,
    condition: 'engineOil' as const,
    torqueNm: 50,
    angleDeg: 140,
  };
  const parts: number[] = [];
  const both = compareWays(of, 2000, 1, (share) => parts.push(share));
  expect(both.alone?.cov ?? 0).toBeGreaterThan(both.procedure.cov);
  expect(parts.every((p) => p >= 0 && p <= 1)).toBe(true);
  expect(compareWays({ ...of, angleDeg: 0 }, 500, 1).alone).toBeNull();
});

describe('the clamp load of a recorded joint', () => {
  test('is what its torque and angles give, as far as friction is known; nothing where nothing was tightened', () => {
    const sheet = demoSheet('brenna-2-0-head');
    const t = new Technician(sheet);
    expect(clampOfRecord(runRecord(sheet, t.state.events))).toBeNull();
    t.finish();
    const clamp = clampOfRecord(runRecord(sheet, t.state.events));
    expect(clamp?.bolts).toHaveLength(10);
    for (const b of clamp?.bolts ?? []) {
      expect(b.lowKn).toBeLessThanOrEqual(b.nominalKn);
      expect(b.highKn).toBeGreaterThanOrEqual(b.nominalKn);
    }
    expect(clamp?.byFriction.less ?? 1).toBeLessThan(0.15);
    expect(clamp?.summary.totalKn ?? 0).toBeCloseTo(10 * (clamp?.summary.meanKn ?? 0), 6);
  });
});
