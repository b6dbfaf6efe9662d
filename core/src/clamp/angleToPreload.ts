import type { PropertyClass, Thread } from '../thread';
import { torsionFactor } from './preload';

/** A joint as an angle stage sees it; compliances in mm per kN. */
export interface AngleJoint {
  thread: Thread;
  strength: PropertyClass;
  boltCompliance: number;
  partCompliance: number;
  snugPreloadKn: number;
  muThread: number;
  /** Free thread and half a diameter: where the bolt gives past yield. */
  plasticLengthMm: number;
  boltMPa?: number;
  /** Tangent modulus past yield over Young's; 0.005…0.02 is plausible. */
  hardening?: number;
}

export interface AngleState {
  preloadKn: number;
  regime: 'elastic' | 'plastic' | 'beyondTensile';
  knPerDeg: number;
  angleToYieldDeg: number;
  yieldPreloadKn: number;
  tensilePreloadKn: number;
  angleToTensileDeg: number;
  nutTravelMm: number;
  boltStretchMm: number;
  partCompressionMm: number;
  elasticStretchMm: number;
  /** What stays when the bolt is slackened: why a stretch bolt is used once. */
  permanentSetMm: number;
  plasticStrainPercent: number;
  shareIntoBolt: number;
}

/**
 * Follows a bolt from snug through an angle: elastic F = F_snug + (angle/360) P/(δS + δP); yield at
 * k_τ F/As = Rp; past it the bolt gives more by l_pl/(E As)(1/h − 1); capped at tensile, further
 * travel goes into the bolt. Torsion is kept as at yield, no gasket, no embedding. Bilinear law
 * defined here. Explains angle tightening, never makes a value.
 * @param angleDeg from snug
 */
export function angleState(joint: AngleJoint, angleDeg: number): AngleState {
  const { thread, strength, boltCompliance: dS, partCompliance: dP, snugPreloadKn: snug } = joint;
  const h = joint.hardening ?? 0.01;
  const factor = torsionFactor(thread, joint.muThread);
  const yieldPreloadKn = (thread.stressAreaMm2 * strength.yieldMPa) / factor / 1000;
  const tensilePreloadKn = (thread.stressAreaMm2 * strength.tensileMPa) / factor / 1000;
  const extra =
    (joint.plasticLengthMm / ((joint.boltMPa ?? 205_000) * thread.stressAreaMm2)) *
    (1 / h - 1) *
    1000;
  const travel = (deg: number): number => (deg / 360) * thread.pitchMm;
  const knPerDeg = travel(1) / (dS + dP);
  const angleToYieldDeg = (yieldPreloadKn - snug) / knPerDeg;
  const angleToTensileDeg =
    angleToYieldDeg + (tensilePreloadKn - yieldPreloadKn) / (travel(1) / (dS + dP + extra));
  const regime =
    angleDeg <= angleToYieldDeg
      ? 'elastic'
      : angleDeg <= angleToTensileDeg
        ? 'plastic'
        : 'beyondTensile';
  const preloadKn =
    regime === 'elastic'
      ? snug + knPerDeg * angleDeg
      : regime === 'plastic'
        ? yieldPreloadKn + travel(angleDeg - angleToYieldDeg) / (dS + dP + extra)
        : tensilePreloadKn;
  const partCompressionMm = preloadKn * dP;
  const boltStretchMm = snug * (dS + dP) + travel(angleDeg) - partCompressionMm;
  const elasticStretchMm = preloadKn * dS;
  const permanentSetMm = regime === 'elastic' ? 0 : boltStretchMm - elasticStretchMm;
  return {
    preloadKn,
    regime,
    knPerDeg,
    angleToYieldDeg,
    yieldPreloadKn,
    tensilePreloadKn,
    angleToTensileDeg,
    nutTravelMm: travel(angleDeg),
    boltStretchMm,
    partCompressionMm,
    elasticStretchMm,
    permanentSetMm,
    plasticStrainPercent: (permanentSetMm / joint.plasticLengthMm) * 100,
    shareIntoBolt: dS / (dS + dP),
  };
}
