import { demoSheet, headSheet } from '../testing';
import { checkSheet } from './checks';
import type { Group, Sheet } from './sheet';
import { usedOnce } from './usedOnce';

const of = (sheet: typeof headSheet) => {
  const [group] = sheet.groups;
  return group ? usedOnce(sheet, group) : null;
};

test('a stretch bolt is explained: where it yields, how far it is turned, how much longer it stays', () => {
  const head = of(headSheet);
  expect(head).toMatchObject({ turnedDeg: 140, passesYield: true });
  expect(head?.permanentSetMm).toBeGreaterThan(0.02);
  expect(head?.permanentSetMm).toBeLessThan(0.6);
  expect(head?.text).toMatch(/^These bolts stretch for good when tightened \(about 0\.\d mm\)/);
  expect(head?.why).toMatch(
    /^Turned 140°; yield starts after about \d+° to \d+°, depending on friction/,
  );
});

test('a shorter turn springs back', () => {
  const gentle = {
    ...headSheet,
    stages: headSheet.stages.map((s) =>
      s.action === 'angle' ? { ...s, target: { value: 5, unit: 'deg' as const } } : s,
    ),
  };
  expect(of(gentle)).toMatchObject({ turnedDeg: 10, passesYield: false, permanentSetMm: 0 });
});

test('angles before a slackening do not count, parts of a list do', () => {
  expect(of(demoSheet('bv48-head'))?.turnedDeg).toBe(160);
  expect(of(demoSheet('ob20-rod-caps'))?.turnedDeg).toBe(60);
});

test('inner and outer bolts are turned by their own angles, never by both added up', () => {
  const head = of(demoSheet('tf25-head'));
  expect(head).toMatchObject({ turnedDeg: 90, turnsDeg: [90, 65] });
  expect(head?.why).toMatch(/Turned 90° or 65°/);
});

test('without a grip length, a torque or an angle nothing is claimed', () => {
  expect(of(demoSheet('cv30-intake'))).toBeNull();
});

test('a flange, aluminum under the head and a soft gasket count', () => {
  const withGroup = (change: Partial<Group>): Sheet => ({
    ...headSheet,
    groups: headSheet.groups.map((g) => ({ ...g, ...change })),
  });
  const plain = of(withGroup({}));
  // More torque goes into a wider flange: less is left for the bolt, and it yields later.
  expect(of(withGroup({ bearingMm: 21 }))?.angleToYieldDeg).toBeGreaterThan(
    plain?.angleToYieldDeg ?? 0,
  );
  // Aluminum gives: more of the angle is spent before the bolt yields.
  expect(of(withGroup({ under: 'aluminum' }))?.angleToYieldDeg).toBeGreaterThan(
    plain?.angleToYieldDeg ?? 0,
  );
  expect(of(withGroup({ gasket: 'soft' }))).toBeNull();
  const tight = { ...withGroup({}), stages: headSheet.stages.slice(0, 2) };
  const codes = (sheet: Sheet) => checkSheet(sheet).map((f) => `${f.code} ${f.level}`);
  const at = (nm: number, bearingMm?: number): Sheet => ({
    ...tight,
    groups: tight.groups.map((g) => ({ ...g, ...(bearingMm ? { bearingMm } : {}) })),
    stages: tight.stages.map((s, i) =>
      i === 1 ? { ...s, target: { value: nm, unit: 'N.m' } } : s,
    ),
  });
  expect(codes(at(92))).toContain('implausible warning');
  expect(codes(at(92, 22))).not.toContain('implausible warning');
});
