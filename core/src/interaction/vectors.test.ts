import head10 from '../../vectors/crosstalk_head10_torque_angle_yield.json';
import perf from '../../vectors/crosstalk_perf_24x200.json';
import ring6 from '../../vectors/crosstalk_ring6_symmetry_uniform.json';
import ring8 from '../../vectors/crosstalk_ring8_star_single_then_repeat.json';
import row5 from '../../vectors/crosstalk_row5_soft_gasket_slack_events.json';
import row6 from '../../vectors/crosstalk_row6_centre_out_2stage.json';
import { randomFrom } from '../trace';
import {
  complianceOf,
  flexibilityAtBolts,
  meshOf,
  orderOutcome,
  spreadOf,
  tightenPasses,
  torqueLever,
  type FlangeSection,
  type JointBolt,
  type Layout,
  type Pass,
} from '.';

type Joint = (typeof head10 | typeof ring6 | typeof row5)['joint'];
interface RawSection {
  EI_N_mm2: number;
  GJ_N_mm2: number;
  foundation_N_per_mm2: number;
  seal_width_mm: number;
}
const sectionOf = (s: RawSection): FlangeSection => ({
  ei: s.EI_N_mm2,
  gj: s.GJ_N_mm2,
  foundation: s.foundation_N_per_mm2,
  sealMm: s.seal_width_mm,
});

function layoutOf(joint: Joint): Layout {
  const common = {
    bolts: joint.n_bolts,
    parts: joint.flange.sub_elements_between_bolts,
    section: sectionOf(joint.flange),
  };
  if ('bolt_circle_diameter_mm' in joint)
    return { layout: 'ring', ...common, circleMm: joint.bolt_circle_diameter_mm };
  const line = { ...common, spacingMm: joint.bolt_spacing_mm, overhangMm: joint.overhang_mm };
  if (!('row_spacing_mm' in joint)) return { layout: 'row', ...line };
  const { cross_beam: cross } = joint.flange;
  return {
    layout: 'twoRow',
    ...line,
    rowSpacingMm: joint.row_spacing_mm,
    cross: { parts: cross.sub_elements, section: sectionOf(cross) },
  };
}

function boltOf(b: Joint['bolt']): JointBolt {
  return {
    pitchMm: b.pitch_mm,
    pitchDiameterMm: b.pitch_diameter_mm,
    bearingDiameterMm: b.bearing_diameter_mm,
    stiffness: b.bolt_stiffness_N_per_mm,
    localStiffness: b.local_member_stiffness_N_per_mm,
    ...('yield_force_N' in b ? { yieldN: b.yield_force_N, hardening: b.hardening_ratio } : {}),
  };
}

describe.each([row6, row5, ring6, ring8, head10].map((v) => [v.name, v] as const))(
  '%s',
  (_n, v) => {
    const flexibility = flexibilityAtBolts(meshOf(layoutOf(v.joint)));
    const bolt = boltOf(v.joint.bolt);
    const friction = { thread: v.friction.thread_mu, head: v.friction.bearing_mu };
    const { size } = flexibility;

    test('levers and how far it gives at each bolt', () => {
      for (const [i, lever] of v.expected.torque_factor_mm.entries())
        expect(torqueLever(bolt, friction.thread[i] ?? 0, friction.head[i] ?? 0)).toBeCloseTo(
          lever,
          7,
        );
      const compliance = complianceOf(flexibility, bolt);
      for (const [i, row] of v.expected.compliance_matrix_C_mm_per_N.entries())
        for (const [j, value] of row.entries())
          expect(Math.abs((compliance.at[i * size + j] ?? 0) - value)).toBeLessThan(
            v.tol.compliance_rel_to_row_diagonal * (row[i] ?? 0),
          );
    });

    test('clamp on every bolt after every pull', () => {
      const done = tightenPasses(flexibility, bolt, friction, v.passes as Pass[], {
        breakaway: v.breakaway_ratio,
        settledDeg: v.settled_turn_deg,
      });
      expect(done.settledAt).toBe(v.expected.settled_at_pass);
      expect(done.pivots).toBe(v.expected.contact_pivots);
      for (const [p, pass] of v.expected.passes.entries()) {
        expect(done.passes[p]?.isSettled).toBe(pass.settled);
        for (const [k, pull] of pass.pulls.entries()) {
          const got = done.passes[p]?.pulls[k];
          expect(Math.abs((got?.turnedDeg ?? NaN) - pull.turn_deg)).toBeLessThan(
            v.tol.turn_abs_deg,
          );
          for (const [i, force] of pull.preload_after_pull_N.entries())
            expect(Math.abs((got?.forces[i] ?? NaN) - force)).toBeLessThan(
              v.tol.preload_abs_N + v.tol.preload_rel * force,
            );
        }
        const spread = spreadOf(done.passes[p]?.forces ?? []);
        expect(Math.abs(spread.cov - pass.residual_stats.cov)).toBeLessThan(v.tol.residual_cov_abs);
      }
    });

    test('orders beside each other', () => {
      const torque = v.passes.filter((p) => p.mode === 'torque').at(-1)?.value ?? 0;
      for (const o of v.expected_order_comparison) {
        const shares = o.staging === 'single' ? [1] : [0.5, 1];
        const { yieldN: _never, ...elastic } = bolt;
        const got = orderOutcome(flexibility, elastic, friction, torque, o.order, shares);
        const want = o.residual_after_first_full_torque_pass;
        expect(Math.abs(got.spread.minN - want.min_N)).toBeLessThan(v.tol.preload_abs_N);
        expect(Math.abs(got.spread.cov - want.cov)).toBeLessThan(v.tol.residual_cov_abs);
        expect(Math.abs(got.unevenMm - o.peak_uneven_closure_mm)).toBeLessThan(
          v.tol.closure_abs_mm,
        );
        expect(Math.abs(got.leastMm - o.min_closure_mm)).toBeLessThan(v.tol.closure_abs_mm);
        expect(got.passesUntilSettled).toBe(o.passes_until_settled_including_the_settled_one);
      }
    });
  },
);

test('24 bolts, 200 joints of made-up friction, four passes', () => {
  const flexibility = flexibilityAtBolts(meshOf(layoutOf(perf.joint as Joint)));
  const bolt = boltOf(perf.joint.bolt as Joint['bolt']);
  const all: number[][][] = [];
  for (let trial = 0; trial < perf.trials; trial += 1) {
    const random = randomFrom(1000 + trial);
    const pairs = Array.from({ length: 24 }, () => ({
      thread: Math.max(0.06, 0.12 + 0.012 * random.normal()),
      head: Math.max(0.06, 0.12 + 0.012 * random.normal()),
    }));
    const friction = { thread: pairs.map((p) => p.thread), head: pairs.map((p) => p.head) };
    const { passes } = tightenPasses(flexibility, bolt, friction, perf.passes as Pass[]);
    all.push(passes.map((p) => p.forces));
  }
  for (const [p, want] of perf.expected.per_pass.entries()) {
    const forces = all.flatMap((passes) => passes[p] ?? []);
    const got = spreadOf(forces);
    expect(Math.abs(got.meanN - want.mean_N)).toBeLessThan(perf.tol.mean_abs_N);
    expect(Math.abs(got.cov - want.cov)).toBeLessThan(perf.tol.cov_abs);
    expect(Math.abs(got.minN - want.min_N)).toBeLessThan(perf.tol.preload_abs_N);
  }
  for (const [i, want] of perf.expected.trial199_residual_after_pass4_N.entries())
    expect(Math.abs((all[199]?.[3]?.[i] ?? NaN) - want)).toBeLessThan(perf.tol.preload_abs_N);
});
