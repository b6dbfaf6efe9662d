import fc from 'fast-check';
import scatterVectors from '../../vectors/clamp_scatter.json';
import statistics from '../../vectors/10_statistics.json';
import { frictionBands } from '../thread';
import {
  caliperSees,
  clampCurve,
  clampOf,
  clampSummary,
  groupMedians,
  scatterBolts,
  scatterInputs,
  scatterOf,
  torqueAloneNm,
  usesOf,
  type ClampCase,
  type ScatterInputs,
} from '.';

/** As the trace generator draws them; core/clamp may not ask it. */
function normals(seed: number): () => number {
  let a = seed >>> 0;
  const share = (): number => {
    a = (a + 0x6d2b79f5) >>> 0;
    let t = Math.imul(a ^ (a >>> 15), 1 | a);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
  return () => Math.sqrt(-2 * Math.log(1 - share())) * Math.cos(2 * Math.PI * share());
}

const head: ClampCase = {
  thread: 'M10',
  pitchMm: 1.5,
  propertyClass: '10.9',
  gripMm: 90,
  under: 'aluminum',
  gasket: 'metal',
  condition: 'engineOil',
  torqueNm: 50,
  angleDeg: 140,
};

describe('scatter of the clamp load', () => {
  const { bolt, inputs: x } = scatterVectors;
  const inputsFor = (mode: string): ScatterInputs => ({
    pitchMm: bolt.pitch_mm,
    pitchDiameterMm: bolt.pitch_diameter_mm,
    minorMm: bolt.minor_d3_mm,
    bearingDiameterMm: bolt.bearing_diameter_mm,
    threadMu: { mean: x.thread_mu_mean, cov: x.thread_mu_cov },
    headMu: { mean: x.bearing_mu_mean, cov: x.bearing_mu_cov },
    torqueNm:
      mode === 'torque_only'
        ? { mean: x.torque_only_Nm, cov: x.torque_cov }
        : { mean: x.snug_Nm, cov: x.snug_cov },
    angleDeg: {
      mean: mode === 'snug_angle_elastic' ? x.elastic_angle_deg : x.yield_angle_deg,
      sd: x.angle_sd_deg,
    },
    clampRate: { mean: x.clamp_rate_mean_N_per_deg, cov: x.clamp_rate_cov },
    yieldMPa: { mean: x.rp02_mean_N_per_mm2, cov: x.rp02_cov },
    hardening: x.hardening_ratio,
  });
  test.each(scatterVectors.cases.map((c) => [c.mode, c] as const))('%s', (mode, c) => {
    const forces = scatterBolts(
      inputsFor(mode),
      mode === 'torque_only' ? 'torqueOnly' : 'angle',
      c.tol.samples,
      normals(7),
    );
    const got = scatterOf(forces);
    expect(Math.abs(got.meanN - c.expected_mean_N)).toBeLessThan(c.tol.mean_abs_N);
    expect(Math.abs(got.cov - c.expected_cov)).toBeLessThan(c.tol.cov_abs);
    for (const q of ['p01', 'p05', 'p50', 'p95', 'p99'] as const)
      expect(Math.abs(got[q] / c.expected_quantiles_N[q] - 1)).toBeLessThan(c.tol.quantile_rel);
  });

  test('more torque or angle never clamps less; more friction never more', () => {
    const z = fc.double({ min: -3, max: 3, noNaN: true });
    const six = fc.tuple(z, z, z, z, z, z);
    const of = scatterInputs(head);
    fc.assert(
      fc.property(six, fc.integer({ min: 0, max: 5 }), (all, which) => {
        const more = [...all] as typeof all;
        more[which] = (more[which] ?? 0) + 0.5;
        const [was, is] = [clampOf(of, 'angle', all), clampOf(of, 'angle', more)];
        if (which < 2) expect(is).toBeLessThanOrEqual(was + 1e-6);
        else expect(is).toBeGreaterThanOrEqual(was - 1e-6);
      }),
    );
  });

  test('an angle scatters less than a torque that aims at the same', () => {
    const alone = { ...head, torqueNm: torqueAloneNm(head), angleDeg: 0 };
    const spread = (of: ClampCase): number =>
      scatterOf(
        scatterBolts(scatterInputs(of), of.angleDeg > 0 ? 'angle' : 'torqueOnly', 4000, normals(3)),
      ).cov;
    expect(spread(head)).toBeLessThan(0.6 * spread(alone));
  });
});

describe('clamp load by torque and angle', () => {
  const conditions = fc.constantFrom('dry', 'engineOil', 'molyPaste', 'threadLocker' as const);
  const cases = fc.record({
    torqueNm: fc.double({ min: 1, max: 150, noNaN: true }),
    angleDeg: fc.double({ min: 0, max: 270, noNaN: true }),
    gripMm: fc.double({ min: 10, max: 200, noNaN: true }),
    condition: conditions,
    gasket: fc.constantFrom('none', 'metal', 'soft' as const),
  });
  test('rises all the way, begins at nothing and never passes the tensile strength', () => {
    fc.assert(
      fc.property(cases, (some) => {
        const curve = clampCurve({ ...head, ...some } as ClampCase);
        const all = [...curve.byTorque, ...curve.byAngle].map((p) => p.preloadKn);
        expect(all[0]).toBe(0);
        for (const [i, kn] of all.entries())
          expect(kn).toBeGreaterThanOrEqual((all[i - 1] ?? 0) - 1e-9);
        expect(curve.finalKn).toBeLessThanOrEqual(curve.tensileKn + 1e-9);
      }),
    );
  });

  test('dry clamps less than oiled at the same torque, and the angle makes up most of it', () => {
    const at = (condition: ClampCase['condition'], angleDeg: number): number =>
      clampCurve({ ...head, condition, angleDeg }).finalKn;
    const byTorque = at('dry', 0) / at('engineOil', 0);
    const byAngle = at('dry', 140) / at('engineOil', 140);
    expect(byTorque).toBeLessThan(0.8);
    expect(byAngle).toBeGreaterThan(0.9);
  });

  test('a softer joint takes more angle to the same load; iron gives more than steel', () => {
    const final = (of: Partial<ClampCase>): number =>
      clampCurve({ ...head, angleDeg: 40, ...of }).finalKn;
    expect(final({ gasket: 'soft' })).toBeLessThan(final({ gasket: 'none' }));
    expect(final({ under: 'aluminum' })).toBeLessThan(final({ under: 'steel' }));
    expect(final({ bearingMm: 22 })).not.toBe(final({}));
  });

  test('each use of a stretch bolt takes nearly as much again; an elastic one takes nothing', () => {
    const uses = usesOf(head);
    expect(uses).toHaveLength(3);
    const [first, second] = uses;
    if (!first || !second) throw new Error('no uses');
    expect(first.setMm).toBeCloseTo(clampCurve(head).permanentSetMm, 9);
    expect(second.used / first.used).toBeGreaterThan(1.7);
    expect(second.used / first.used).toBeLessThanOrEqual(2);
    expect(caliperSees(first.setMm)).toBe(true);
    expect(usesOf({ ...head, angleDeg: 10 })).toEqual([]);
    expect(caliperSees(0.01)).toBe(false);
  });

  test('its nominal case lies in the middle of its scatter', () => {
    const band = frictionBands[head.condition];
    const elastic = { ...head, angleDeg: 0, torqueNm: 40 };
    const p50 = scatterOf(scatterBolts(scatterInputs(elastic), 'torqueOnly', 8000, normals(5))).p50;
    expect(p50 / 1000 / clampCurve(elastic, band.nominal).finalKn).toBeCloseTo(1, 1);
  });
});

describe('clamp loads of one joint beside each other', () => {
  interface Case {
    name: string;
    input: {
      op: string;
      preloads_kN?: number[];
      gasket_area_mm2?: number;
      ring?: boolean;
      groups?: Record<string, number[]>;
    };
    expected: Record<string, unknown>;
  }
  const of = (op: string) =>
    (statistics.cases as unknown as Case[])
      .filter((c) => c.input.op === op)
      .map((c) => [c.name, c] as const);
  const close = (got: unknown, want: unknown): void =>
    typeof want === 'number'
      ? expect(got as number).toBeCloseTo(want, 8)
      : expect(got ?? null).toBe(want ?? null);

  test.each(of('clamp'))('%s', (_name, { input, expected }) => {
    const got = clampSummary(input.preloads_kN ?? [], input.gasket_area_mm2, input.ring);
    if ('error' in expected) return expect(got).toBeNull();
    const names = {
      n: got?.n,
      total_kN: got?.totalKn,
      mean_kN: got?.meanKn,
      median_kN: got?.medianKn,
      min_kN: got?.minKn,
      max_kN: got?.maxKn,
      sd_kN: got?.sdKn,
      cv: got?.cv,
      scatter_max_min: got?.maxToMin,
      low_to_mean: got?.lowToMean,
      pressure_MPa: got?.pressureMPa,
      neighbour_ratio: got?.neighborRatio,
      lowest_index: got?.lowestIndex,
    };
    for (const [name, want] of Object.entries(expected))
      close(names[name as keyof typeof names], want);
  });

  test.each(of('group_compare'))('%s', (_name, { input, expected }) => {
    const got = groupMedians(input.groups ?? {});
    expect(got.medians).toEqual(expected.medians);
    close(got.overall, expected.overall_median);
    close(got.spread, expected.spread_of_medians);
  });
});
