// 24 bolts, 200 joints, 4 passes: the tableau against solving the condensed n × n system for each
// pull with the heads in contact found by trial. Prints JSON.
import perf from '../core/vectors/crosstalk_perf_24x200.json';
import {
  complianceOf,
  flexibilityAtBolts,
  meshOf,
  tightenPasses,
  torqueLever,
  type BoltFriction,
  type JointBolt,
  type Square,
} from '../core/src/interaction';
import { randomFrom } from '../core/src/trace';

const { joint, passes } = perf;
const section = (s: {
  EI_N_mm2: number;
  GJ_N_mm2: number;
  foundation_N_per_mm2: number;
  seal_width_mm: number;
}) => ({
  ei: s.EI_N_mm2,
  gj: s.GJ_N_mm2,
  foundation: s.foundation_N_per_mm2,
  sealMm: s.seal_width_mm,
});
const flexibility = flexibilityAtBolts(
  meshOf({
    layout: 'twoRow',
    bolts: joint.n_bolts,
    parts: joint.flange.sub_elements_between_bolts,
    section: section(joint.flange),
    spacingMm: joint.bolt_spacing_mm,
    overhangMm: joint.overhang_mm,
    rowSpacingMm: joint.row_spacing_mm,
    cross: {
      parts: joint.flange.cross_beam.sub_elements,
      section: section(joint.flange.cross_beam),
    },
  }),
);
const bolt: JointBolt = {
  pitchMm: joint.bolt.pitch_mm,
  pitchDiameterMm: joint.bolt.pitch_diameter_mm,
  bearingDiameterMm: joint.bolt.bearing_diameter_mm,
  stiffness: joint.bolt.bolt_stiffness_N_per_mm,
  localStiffness: joint.bolt.local_member_stiffness_N_per_mm,
};
const frictions = Array.from({ length: perf.trials }, (_, trial): BoltFriction => {
  const random = randomFrom(1000 + trial);
  const pairs = Array.from({ length: 24 }, () => [
    Math.max(0.06, 0.12 + 0.012 * random.normal()),
    Math.max(0.06, 0.12 + 0.012 * random.normal()),
  ]);
  return { thread: pairs.map((p) => p[0] ?? 0), head: pairs.map((p) => p[1] ?? 0) };
});

/** x of A x = b by elimination; A is n × n, row by row, and is used up. */
function solve(a: Float64Array, b: Float64Array, n: number): Float64Array {
  for (let k = 0; k < n; k += 1)
    for (let i = k + 1; i < n; i += 1) {
      const f = (a[i * n + k] ?? 0) / (a[k * n + k] ?? 1);
      for (let j = k; j < n; j += 1) a[i * n + j] = (a[i * n + j] ?? 0) - f * (a[k * n + j] ?? 0);
      b[i] = (b[i] ?? 0) - f * (b[k] ?? 0);
    }
  for (let i = n - 1; i >= 0; i -= 1) {
    let sum = b[i] ?? 0;
    for (let j = i + 1; j < n; j += 1) sum -= (a[i * n + j] ?? 0) * (b[j] ?? 0);
    b[i] = sum / (a[i * n + i] ?? 1);
  }
  return b;
}

/** Forces for the ways that the nuts have gone: heads that would pull are slack, and it is solved again. */
function forcesFor(c: Square, way: Float64Array): Float64Array {
  const { size } = c;
  const slack = new Set<number>();
  for (;;) {
    const on = Array.from({ length: size }, (_, i) => i).filter((i) => !slack.has(i));
    const a = new Float64Array(on.length ** 2);
    for (const [r, i] of on.entries())
      for (const [s, j] of on.entries()) a[r * on.length + s] = c.at[i * size + j] ?? 0;
    const x = solve(
      a,
      Float64Array.from(on, (i) => way[i] ?? 0),
      on.length,
    );
    const pulls = on.filter((_, r) => (x[r] ?? 0) < 0);
    if (pulls.length === 0) {
      const forces = new Float64Array(size);
      for (const [r, i] of on.entries()) forces[i] = x[r] ?? 0;
      return forces;
    }
    for (const i of pulls) slack.add(i);
  }
}

/** One solve for where it is, one for what a turn does: as simply as it can be put. */
function bySolving(friction: BoltFriction): Float64Array {
  const c = complianceOf(flexibility, bolt);
  const way = new Float64Array(24);
  let forces = new Float64Array(24);
  for (const pass of passes)
    for (const i of pass.order) {
      const goal =
        (pass.value * 1000) / torqueLever(bolt, friction.thread[i] ?? 0, friction.head[i] ?? 0);
      if (goal <= (forces[i] ?? 0)) continue;
      const tried = Float64Array.from(way);
      tried[i] = (tried[i] ?? 0) + 0.01;
      const rate = ((forcesFor(c, tried)[i] ?? 0) - (forces[i] ?? 0)) / 0.01;
      way[i] = (way[i] ?? 0) + (goal - (forces[i] ?? 0)) / rate;
      forces = forcesFor(c, way);
    }
  return forces;
}

const timed = (work: () => void): number => {
  const from = performance.now();
  work();
  return performance.now() - from;
};
const rounds = Array.from({ length: 5 }, () => ({
  tableau: timed(() => {
    for (const f of frictions) tightenPasses(flexibility, bolt, f, passes as never);
  }),
  solving: timed(() => {
    for (const f of frictions) bySolving(f);
  }),
}));
const median = (of: number[]): number => [...of].sort((a, b) => a - b)[of.length >> 1] ?? 0;
console.log(
  JSON.stringify({
    tableau: median(rounds.map((r) => r.tableau)),
    solving: median(rounds.map((r) => r.solving)),
  }),
);
