import flatness from '../../vectors/08a_flatness.json';
import gaugeVectors from '../../vectors/08b_gauges.json';
import { AppError } from '../errors';
import {
  bearing,
  boltLength,
  feelerFlatness,
  flangeWarp,
  gap,
  planeFlatness,
  protrusion,
  runOut,
  stripClearance,
  stripTaper,
} from '.';

type Value = number | string | boolean | null | Value[] | { [name: string]: Value };
interface Case {
  name: string;
  // eslint-disable-next-line @typescript-eslint/no-explicit-any
  input: any;
  expected: Record<string, Value>;
  tol: { '*': { rel: number; abs: number } };
}
const cases = [...flatness.cases, ...gaugeVectors.cases] as unknown as Case[];
const of = (op: string): [string, Case][] =>
  cases.filter((c) => c.input.op === op).map((c) => [c.name, c]);

/** Numbers within the vector's own tolerance, everything else to the letter. */
function same(got: unknown, want: Value, tol: { rel: number; abs: number }, where: string): void {
  if (typeof want === 'number') {
    if (!(Math.abs(Number(got) - want) <= Math.max(tol.abs, tol.rel * Math.abs(want))))
      throw new Error(`${where}: ${String(got)} is not ${want}`);
  } else if (Array.isArray(want)) {
    expect((got as unknown[]).length).toBe(want.length);
    for (const [i, w] of want.entries()) same((got as unknown[])[i], w, tol, `${where}[${i}]`);
  } else if (want !== null && typeof want === 'object') {
    for (const [name, w] of Object.entries(want))
      same((got as Record<string, unknown>)[name], w, tol, `${where}.${name}`);
  } else if (got !== want) throw new Error(`${where}: ${String(got)} is not ${String(want)}`);
}

const runs: Record<string, (x: Case['input']) => Record<string, unknown>> = {
  feeler_lines: (x) => {
    const lines = x.lines.map(
      (l: { name: string; points: { pos: number; go: number; nogo: number }[] }) => ({
        name: l.name,
        points: l.points.map((p) => ({ posMm: p.pos, goMm: p.go, nogoMm: p.nogo })),
      }),
    );
    const r = feelerFlatness(lines, {
      overallMm: x.limit_overall_mm,
      windowMm: x.window_mm,
      localMm: x.limit_window_mm,
    });
    return {
      lines: r.lines.map((l) => ({
        name: l.name,
        worst_mm: l.worstMm,
        worst_go_mm: l.worstGoMm,
        worst_nogo_mm: l.worstNogoMm,
        at_pos_mm: l.atPosMm,
        local_mm: l.localMm,
        minzone_mm: l.minZoneMm,
      })),
      overall_mm: r.overallMm,
      worst_line: r.worstLine,
      local_mm: r.localMm,
      local_u_mm: r.localUncertaintyMm,
      local_line: r.localLine,
      verdict_overall: r.verdictOverall,
      verdict_local: r.verdictLocal,
      verdict: r.verdict,
    };
  },
  plane: (x) => {
    const r = planeFlatness(x.points_mm, x.limit_mm, x.u_mm);
    return {
      slope_x_mm_per_m: r.slopeXMmPerM,
      slope_y_mm_per_m: r.slopeYMmPerM,
      flatness_mm: r.flatnessMm,
      rms_mm: r.rmsMm,
      highest_index: r.highest,
      lowest_index: r.lowest,
      verdict: r.verdict,
    };
  },
  flange_warp: (x) => {
    const flanges = x.flanges.map((f: { name: string; x: number; gaps: number[] }) => ({
      name: f.name,
      xMm: f.x,
      gapsMm: f.gaps,
    }));
    const r = flangeWarp(
      flanges,
      { overallMm: x.limit_overall_mm, stepMm: x.limit_step_mm, tiltMm: x.limit_tilt_mm },
      x.u_mm,
    );
    return {
      flange_mean_mm: r.meansMm,
      overall_mm: r.overallMm,
      worst_flange: r.worstFlange,
      step_mm: r.stepMm,
      step_after: r.stepAfter,
      tilt_mm: r.tiltMm,
      bow_mm: r.bowMm,
      verdict_overall: r.verdictOverall,
      verdict_step: r.verdictStep,
      verdict_tilt: r.verdictTilt,
      verdict: r.verdict,
    };
  },
  strip: (x) => {
    const r = stripClearance(x.table_width_clearance_mm, x.width_mm);
    return {
      clearance_mm: r.clearanceMm,
      flag: r.flag === 'inside' ? r.flag : `${r.flag}_than_scale`,
    };
  },
  strip_taper: (x) => {
    const r = stripTaper(x.table_width_clearance_mm, x.width_a_mm, x.width_b_mm);
    return {
      clearance_a_mm: r.aMm,
      clearance_b_mm: r.bMm,
      difference_mm: r.differenceMm,
      reliable: r.reliable,
    };
  },
  bearing: (x) => {
    const limits = {
      clearanceMinMm: x.clearance_min_mm,
      clearanceMaxMm: x.clearance_max_mm,
      ovalityMm: x.limit_ovality_mm,
      taperMm: x.limit_taper_mm,
    };
    const r = bearing(x.bore_planes_mm, x.journal_planes_mm, limits, x.u_mm);
    const round = (o: typeof r.bore) => ({
      mean_mm: o.meanMm,
      min_mm: o.minMm,
      max_mm: o.maxMm,
      ovality_mm: o.ovalityMm,
      taper_mm: o.taperMm,
    });
    return {
      bore: round(r.bore),
      journal: round(r.journal),
      clearance_mm: r.clearanceMm,
      clearance_least_mm: r.leastMm,
      clearance_most_mm: r.mostMm,
      u_clearance_mm: r.uncertaintyMm,
      verdict_clearance: r.verdictClearance,
      verdict_journal_ovality: r.verdictJournalOvality,
      verdict_journal_taper: r.verdictJournalTaper,
      verdict_bore_ovality: r.verdictBoreOvality,
      verdict: r.verdict,
    };
  },
  runout: (x) => {
    const r = runOut(x.readings_mm, x.limit_mm, x.u_mm);
    return {
      tir_mm: r.tirMm,
      bend_estimate_mm: r.bendMm,
      eccentricity_mm: r.eccentricityMm,
      high_side_deg: r.highSideDeg,
      form_mm: r.formMm,
      verdict: r.verdict,
    };
  },
  protrusion: (x) => {
    const limits = {
      minMm: x.min_mm,
      maxMm: x.max_mm,
      stepMm: x.limit_step_mm,
      tiltMm: x.limit_tilt_mm,
    };
    const parts = x.parts.map((p: { readings: number[] }) => p.readings);
    const r = protrusion(parts, x.base_mm, limits, x.u_mm);
    return {
      values_mm: r.valuesMm,
      step_mm: r.stepMm,
      tilt_mm: r.tiltMm,
      verdicts: r.verdicts,
      verdict_step: r.verdictStep,
      verdict_tilt: r.verdictTilt,
      verdict: r.verdict,
    };
  },
  gap: (x) => {
    const r = gap(x.go_mm, x.nogo_mm, x.min_mm, x.max_mm);
    return { estimate_mm: r.estimateMm, u_mm: r.uncertaintyMm, verdict: r.verdict };
  },
  bolt_length: (x) => {
    const r = boltLength(
      x.measured_mm,
      x.new_length_mm,
      x.max_length_mm,
      x.resolution_mm,
      x.single_use,
    );
    return {
      permanent_stretch_mm: r.permanentStretchMm,
      used_share_of_margin: r.usedShareOfMargin,
      instrument: r.instrument,
      verdict: r.verdict,
    };
  },
};

describe.each(Object.keys(runs))('%s', (op) => {
  test.each(of(op))('%s', (_name, { input, expected, tol }) => {
    const run = runs[op];
    if (!run) throw new Error(op);
    if (expected.error) return expect(() => run(input)).toThrow(AppError);
    const got = run(input);
    for (const [name, want] of Object.entries(expected)) same(got[name], want, tol['*'], name);
  });
});

test('every op of the vectors is driven', () => {
  expect([...new Set(cases.map((c) => c.input.op))].sort()).toEqual(Object.keys(runs).sort());
});
