import {
  analyseTrace,
  classifyTrace,
  featuresOf,
  lookAtPulls,
  toolStiffness,
  TRACE_CLASSES,
  variedJoint,
  variedPull,
  type TraceClass,
  type Variation,
} from '.';

/** Seeds that no rule was chosen on; `--all` draws many more. docs/TRACES.md has the figures. */
const SEED = 61_000_000;
const MANY = process.env.STENNET_ALL ? 60 : 6;
const loose: Partial<Variation> = { begins: 'loose', hz: 100, keeps: null, noise: 1 };

function judged(seed: number, is: TraceClass, only: Partial<Variation>): TraceClass {
  const { joint, samples } = variedPull(seed, is, only);
  const { findings, work } = analyseTrace(samples, joint);
  return classifyTrace(findings, featuresOf(findings, work, joint), joint).is;
}
const share = (of: readonly boolean[]): number => of.filter(Boolean).length / of.length;

test.each<[string, Partial<Variation>]>([
  ['torque', { ...loose, kind: 'torque' }],
  ['torque from snug', { ...loose, kind: 'torqueFromSnug' }],
  ['torque, then angle', { ...loose, kind: 'torqueThenAngle' }],
  ['angle alone', { ...loose, kind: 'angleOnly' }],
  ['heard from shortly before snug', { ...loose, kind: 'torqueThenAngle', begins: 'late' }],
  ['20 Hz', { ...loose, kind: 'torqueThenAngle', hz: 20 }],
  ['200 Hz', { ...loose, kind: 'torqueThenAngle', hz: 200 }],
  ['thinned', { ...loose, kind: 'torqueThenAngle', keeps: 240 }],
  ['noisy', { ...loose, kind: 'torqueThenAngle', noise: 2.5 }],
])('a sound pull is not flagged: %s', (_name, only) => {
  const found = Array.from({ length: 2 * MANY }, (_, i) => judged(SEED + i, 'ok', only));
  expect(share(found.map((is) => is !== 'ok'))).toBeLessThanOrEqual(0.05);
});

test('a fault in a pull that was heard whole is found, and called by its name', () => {
  const faults = TRACE_CLASSES.filter((c) => c !== 'ok');
  const found = faults.flatMap((is) =>
    Array.from({ length: MANY }, (_, i) => ({
      is,
      called: judged(SEED + 1000 + i, is, { ...loose, kind: 'torqueThenAngle' }),
    })),
  );
  expect(share(found.map((f) => f.called === f.is))).toBeGreaterThan(0.93);
  expect(share(found.map((f) => f.called === 'ok'))).toBeLessThan(0.04);
});

test.each([true, false])(
  'long bolts are not held against short ones, whether the wrench says how stiff it is or not: %s',
  (says) => {
    const looks = Array.from({ length: MANY / 3 }, (_, i) =>
      lookAtPulls(variedJoint(SEED + i, 'ok', says, { ...loose, kind: 'torqueThenAngle' }).pulls),
    ).flat();
    expect(share(looks.map((l) => l.look !== null && l.look.is !== 'ok'))).toBeLessThanOrEqual(
      0.025,
    );
    expect(looks.every((l) => l.look !== null)).toBe(true);
  },
);

test('held against all bolts of the joint, long ones would be flagged: like is compared with like', () => {
  const { pulls } = variedJoint(SEED + 3, 'ok', true, { ...loose, kind: 'torqueThenAngle' });
  const mixed = lookAtPulls(pulls.map(({ like: _like, ...pull }) => pull));
  expect(mixed.some((l) => l.look?.is === 'wrong_lube')).toBe(true);
});

test('the one bolt of a joint that is faulty is the one that is named', () => {
  for (const is of ['strip', 'bottoming', 'wrong_lube', 'angle_slip'] as const) {
    const { pulls, faulty } = variedJoint(SEED + 9, is, false, {
      ...loose,
      kind: 'torqueThenAngle',
    });
    const odd = lookAtPulls(pulls).filter((l) => l.look?.is !== 'ok');
    expect(odd.map((l) => [l.id, l.look?.is])).toEqual([[faulty, is]]);
  }
});

test('a wrench’s stiffness is read from its back-swings; without one nothing is said', () => {
  const made = Array.from({ length: 6 }, (_, i) =>
    variedPull(SEED + i, 'ok', loose, { seed: SEED, softer: 1 }),
  );
  const shown = toolStiffness(made.map((m) => m.samples)) ?? 0;
  expect(shown / (made[0]?.joint.toolStiffnessNmPerDeg ?? 1)).toBeCloseTo(1, 0);
  expect(Math.abs(shown / (made[0]?.joint.toolStiffnessNmPerDeg ?? 1) - 1)).toBeLessThan(0.12);
  const rising = { tS: [0, 1, 2], torqueNm: [1, 20, 40], angleDeg: [0, 30, 60] };
  expect(toolStiffness([rising])).toBeNull();
});

test('where only the angle was heard of a bolt that no one knows to be tight, nothing is said', () => {
  const { pulls } = variedJoint(SEED, 'ok', true, { ...loose, kind: 'angleOnly' });
  const unknown = lookAtPulls(pulls.map(({ tightNm: _tight, ...pull }) => pull));
  expect(unknown.every((l) => l.look === null)).toBe(true);
});
