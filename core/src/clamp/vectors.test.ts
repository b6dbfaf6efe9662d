import threads from '../../vectors/02_threads.json';
import torques from '../../vectors/03_torque.json';
import frictions from '../../vectors/04_friction.json';
import angles from '../../vectors/05_angle.json';
import { frictionBands, hexHeadOf, lnSigma, propertyClassOf, threadOf } from '../thread';
import {
  angleState,
  boltCompliance,
  frictionChange,
  headDiameters,
  muTotal,
  plateCompliance,
  preloadBand,
  preloadByK,
  torqueByK,
  torqueLimit,
  torqueState,
} from '.';
import { runAll, i, friction, condition } from '../testing/vectorCases';

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
