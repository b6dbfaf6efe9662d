import fc from 'fast-check';
import threads from '../../vectors/02_threads.json';
import torques from '../../vectors/03_torque.json';
import frictions from '../../vectors/04_friction.json';
import angles from '../../vectors/05_angle.json';
import plausibilities from '../../vectors/06_plausibility.json';
import { AppError } from '../errors';
import { units, type UnitCode } from '../quantity';
import {
  frictionBands,
  hexHeadOf,
  lnSigma,
  propertyClassOf,
  threadOf,
  type FrictionCondition,
} from '../thread';
import {
  angleState,
  boltCompliance,
  frictionChange,
  headDiameters,
  muTotal,
  plateCompliance,
  plausibility,
  preloadBand,
  preloadByK,
  torqueByK,
  torqueForPreload,
  torqueLimit,
  torqueState,
  yieldTorques,
  type PlausibleFor,
} from '.';

interface Case {
  name: string;
  input: Record<string, never> & { op: string };
  expected: Record<string, unknown>;
  tol: Record<string, { rel?: number; abs?: number }>;
}

/** A number passes when |got − expected| ≤ max(abs, rel |expected|); words must match exactly. */
function agrees(
  got: unknown,
  expected: unknown,
  tol: { rel?: number; abs?: number },
  at: string,
): void {
  if (typeof expected === 'number') {
    if (typeof got !== 'number') throw new Error(`${at}: ${String(got)} is no number`);
    const allowed = Math.max(tol.abs ?? 0, (tol.rel ?? 0) * Math.abs(expected), 1e-12);
    if (!(Math.abs(got - expected) <= allowed))
      throw new Error(`${at}: ${got}, expected ${expected}`);
    return;
  }
  if (Array.isArray(expected)) {
    expect(got).toHaveLength(expected.length);
    expected.forEach((e, i) => agrees((got as unknown[])[i], e, tol, `${at}[${i}]`));
    return;
  }
  if (expected !== null && typeof expected === 'object') {
    for (const [k, e] of Object.entries(expected))
      agrees((got as Record<string, unknown>)[k], e, tol, `${at}.${k}`);
    return;
  }
  if (got !== expected) throw new Error(`${at}: ${String(got)}, expected ${String(expected)}`);
}

function runAll(
  title: string,
  cases: readonly unknown[],
  compute: (input: Case['input']) => Record<string, unknown>,
): void {
  test.each((cases as Case[]).map((c) => [c.name, c] as const))(
    `${title} agrees with “%s”`,
    (_name, c) => {
      const got = compute(c.input);
      for (const [field, expected] of Object.entries(c.expected))
        agrees(got[field], expected, c.tol[field] ?? c.tol['*'] ?? {}, field);
    },
  );
}

const i = (input: Case['input']): Record<string, number> & Record<string, string> => input as never;
const friction = (x: ReturnType<typeof i>) => ({
  thread: x.mu_thread ?? x.mu ?? 0,
  head: x.mu_head ?? x.mu ?? 0,
  meanHeadMm: x.Dkm_mm ?? 0,
});
const CONDITIONS: Record<string, FrictionCondition> = {
  dry: 'dry',
  light_oil: 'lightOil',
  engine_oil: 'engineOil',
  moly_paste: 'molyPaste',
  anti_seize: 'antiSeize',
  threadlocker: 'threadLocker',
  sealant: 'sealant',
  plated_waxed: 'platedWaxed',
};
const condition = (name: string | undefined): FrictionCondition => CONDITIONS[name ?? ''] ?? 'dry';
const unitOf = (symbol: string | undefined): UnitCode =>
  (Object.keys(units) as UnitCode[]).find((u) => units[u].symbol === symbol) ?? 'N.m';

runAll('thread geometry', threads.cases, (input) => {
  const x = i(input);
  if (input.op === 'class') {
    const c = propertyClassOf(x.class ?? '');
    return {
      class: c.name,
      proof_MPa: c.proofMPa,
      yield_MPa: c.yieldMPa,
      tensile_MPa: c.tensileMPa,
      d_from_mm: c.fromMm,
      d_to_mm: c.toMm,
    };
  }
  if (input.op === 'hex_head') {
    const h = hexHeadOf(x.d_mm ?? 0);
    return { s_mm: h.acrossFlatsMm, dw_mm: h.bearingMm, dh_mm: h.holeMm, Dkm_mm: h.meanMm };
  }
  const t = threadOf(x.thread ?? '');
  return {
    ...{
      name: t.name,
      system: t.system,
      series: t.series,
      d_mm: t.dMm,
      P_mm: t.pitchMm,
      d2_mm: t.d2Mm,
      d1_mm: t.d1Mm,
      d3_mm: t.d3Mm,
      ds_mm: t.dsMm,
    },
    ...{ As_mm2: t.stressAreaMm2, Ad3_mm2: t.rootAreaMm2, lead_angle_deg: t.leadAngleDeg },
  };
});

runAll('torque and preload', torques.cases, (input) => {
  const x = i(input);
  if (input.op === 'k_form') {
    return {
      torque_Nm:
        x.preload_kN === undefined ? undefined : torqueByK(x.preload_kN, x.d_mm ?? 0, x.K ?? 0),
      preload_kN: preloadByK(x.torque_Nm ?? NaN, x.d_mm ?? 0, x.K ?? 0),
    };
  }
  if (input.op === 'effective_head_diameter') {
    const d = headDiameters(x.dw_mm ?? 0, x.dh_mm ?? 0);
    return { mean_mm: d.meanMm, annulus_mm: d.annulusMm };
  }
  const thread = threadOf(x.thread ?? '');
  if (input.op === 'mu_total')
    return { mu_total: muTotal(x.torque_Nm ?? 0, x.preload_kN ?? 0, thread, x.Db_mm ?? 0) };
  const strength = propertyClassOf(x.class ?? '');
  if (input.op === 'state') {
    const s = torqueState(x.torque_Nm ?? 0, thread, strength, friction(x));
    return {
      ...{
        preload_kN: s.preloadKn,
        K: s.k,
        share_pitch: s.sharePitch,
        share_thread: s.shareThread,
        share_head: s.shareHead,
        thread_torque_Nm: s.threadTorqueNm,
      },
      ...{
        axial_MPa: s.axialMPa,
        shear_MPa: s.shearMPa,
        vonmises_MPa: s.vonMisesMPa,
        utilisation: s.utilisation,
        proof_ratio: s.proofRatio,
      },
      torque_exact_Nm: s.exactTorqueNm,
    };
  }
  const l = torqueLimit(thread, strength, friction(x), x.utilisation);
  return {
    ...{
      preload_max_kN: l.preloadMaxKn,
      torque_max_Nm: l.torqueMaxNm,
      yield_preload_kN: l.yieldPreloadKn,
      yield_torque_Nm: l.yieldTorqueNm,
    },
    ...{ k_tau: l.torsionFactor, K: l.k },
  };
});

runAll('a changed condition', frictions.cases, (input) => {
  const x = i(input);
  if (input.op === 'condition') {
    const b = frictionBands[condition(x.condition)];
    return {
      mu_low: b.low,
      mu_nominal: b.nominal,
      mu_high: b.high,
      confidence: b.confidence,
      ln_sigma: lnSigma(b),
    };
  }
  const thread = threadOf(x.thread ?? '');
  if (input.op === 'band') {
    const b = preloadBand(x.torque_Nm ?? 0, thread, condition(x.condition), x.Dkm_mm ?? 0);
    return { preload_low_kN: b.lowKn, preload_nominal_kN: b.nominalKn, preload_high_kN: b.highKn };
  }
  const c = frictionChange(
    x.torque_Nm ?? 0,
    thread,
    propertyClassOf(x.class ?? ''),
    condition(x.condition_spec),
    condition(x.condition_actual),
    x.Dkm_mm ?? 0,
  );
  return {
    ...{
      preload_spec_kN: c.preloadSpecKn,
      preload_actual_kN: c.preloadActualKn,
      change: c.change,
      change_low: c.changeLow,
      change_high: c.changeHigh,
    },
    ...{
      utilisation_spec: c.utilisationSpec,
      utilisation_actual: c.utilisationActual,
      utilisation_worst: c.utilisationWorst,
    },
    ...{ same_preload_torque_Nm: c.samePreloadTorqueNm, level: c.level },
  };
});

runAll('angle and preload', angles.cases, (input) => {
  const x = i(input);
  const joint = input.joint as unknown as 'through' | 'tapped';
  if (input.op === 'plate') {
    const p = plateCompliance({
      gripMm: x.grip_mm ?? 0,
      bearingMm: x.dW_mm ?? 0,
      holeMm: x.dh_mm ?? 0,
      outerMm: x.DA_mm ?? 0,
      joint,
      partMPa: x.E_MPa ?? 0,
    });
    return { kind: p.kind, tan_phi: p.tanPhi, DA_limit_mm: p.limitMm, compliance: p.compliance };
  }
  const thread = threadOf(x.thread ?? '');
  if (input.op === 'bolt') {
    const c = boltCompliance(thread, {
      ...{
        shankMm: x.shank_mm ?? 0,
        freeThreadMm: x.free_thread_mm ?? 0,
        joint,
        headFactor: x.head_factor ?? 0.5,
      },
      ...{ boltMPa: x.E_MPa ?? 0, internalMPa: x.E_internal_MPa ?? 0 },
    });
    return {
      compliance_mm_per_kN: {
        head: c.head,
        shank: c.shank,
        free_thread: c.freeThread,
        engaged_thread: c.engagedThread,
        nut: c.nut,
        total: c.total,
      },
    };
  }
  const s = angleState(
    {
      ...{
        thread,
        strength: propertyClassOf(x.class ?? ''),
        boltCompliance: x.bolt_compliance_mm_per_kN ?? 0,
        partCompliance: x.part_compliance_mm_per_kN ?? 0,
      },
      ...{
        snugPreloadKn: x.snug_preload_kN ?? 0,
        muThread: x.mu ?? 0,
        plasticLengthMm: x.plastic_length_mm ?? 0,
        boltMPa: x.E_MPa ?? 0,
        hardening: x.hardening_ratio ?? 0,
      },
    },
    x.angle_deg ?? 0,
  );
  return {
    ...{
      preload_kN: s.preloadKn,
      regime: s.regime === 'beyondTensile' ? 'beyond_tensile' : s.regime,
      kN_per_deg: s.knPerDeg,
      angle_to_yield_deg: s.angleToYieldDeg,
    },
    ...{
      yield_preload_kN: s.yieldPreloadKn,
      tensile_preload_kN: s.tensilePreloadKn,
      angle_to_tensile_deg: s.angleToTensileDeg,
      nut_travel_mm: s.nutTravelMm,
    },
    ...{
      bolt_stretch_mm: s.boltStretchMm,
      part_compression_mm: s.partCompressionMm,
      elastic_stretch_mm: s.elasticStretchMm,
      permanent_set_mm: s.permanentSetMm,
    },
    ...{ plastic_strain_percent: s.plasticStrainPercent, share_into_bolt: s.shareIntoBolt },
  };
});

const LEVELS = {
  ok: 'ok',
  noteLow: 'note_low',
  noteHigh: 'note_high',
  warn: 'warn',
  error: 'error',
} as const;
const slipName = (as: string): string =>
  as === 'x10' || as === '/10' || as === 'deg' ? as : units[as as UnitCode].symbol;

runAll('plausibility', plausibilities.cases, (input) => {
  const x = i(input);
  if (input.op === 'yield_torques') {
    const y = yieldTorques(threadOf(x.thread ?? ''), x.class ?? '');
    return { 'mu_0.08_Nm': y.lowMu, 'mu_0.12_Nm': y.ordinary, 'mu_0.20_Nm': y.highMu };
  }
  const p = plausibility(
    { value: x.value ?? 0, unit: unitOf(x.unit) },
    x.thread ?? '',
    x.class ?? '',
    x.purpose as unknown as PlausibleFor,
  );
  return {
    ...{
      r_low_mu: p.ratioLowMu,
      r_nom: p.ratio,
      r_high_mu: p.ratioHighMu,
      level: LEVELS[p.level],
      torque_Nm: p.torqueNm,
    },
    ...{
      yield_torque_low_mu_Nm: p.yieldTorquesNm.lowMu,
      yield_torque_nom_Nm: p.yieldTorquesNm.ordinary,
      yield_torque_high_mu_Nm: p.yieldTorquesNm.highMu,
    },
    slips: p.slips.map((s) => ({
      as: slipName(s.as),
      torque_Nm: s.torqueNm,
      r_nom: s.ratio,
      score: s.score,
    })),
  };
});

test('a thread or class that is not known is refused by name', () => {
  for (const name of ['M10x12', 'N10', '3/8', 'M3.7', ''])
    expect(() => threadOf(name)).toThrow(AppError);
  expect(() => propertyClassOf('11.9')).toThrow('“11.9” is no property class');
  expect(threadOf('M10 × 1.25')).toMatchObject({ series: 'fine', pitchMm: 1.25 });
});

test('preload goes to torque and back, and more friction never gives more preload', () => {
  fc.assert(
    fc.property(
      fc.constantFrom('M6', 'M8', 'M10', 'M11x1.5', '3/8-16', 'M14x1.5'),
      fc.double({ min: 0.06, max: 0.26, noNaN: true }),
      fc.double({ min: 1, max: 90, noNaN: true }),
      (name, mu, kn) => {
        const thread = threadOf(name);
        const f = { thread: mu, head: mu, meanHeadMm: hexHeadOf(thread.dMm).meanMm };
        const strength = propertyClassOf('10.9');
        const back = torqueState(torqueForPreload(kn, thread, f), thread, strength, f);
        expect(back.preloadKn).toBeCloseTo(kn, 9);
        expect(back.sharePitch + back.shareThread + back.shareHead).toBeCloseTo(1, 12);
        const rougher = torqueState(torqueForPreload(kn, thread, f), thread, strength, {
          ...f,
          thread: mu + 0.01,
          head: mu + 0.01,
        });
        expect(rougher.preloadKn).toBeLessThan(kn);
      },
    ),
  );
});
