import { frictionBands, hexHeadOf, lnSigma, propertyClassOf, threadOf } from '../thread';
import { angleState } from './angleToPreload';
import { angleJointOf, type ClampCase } from './clampCase';

/** Six things that differ from bolt to bolt; mean and coefficient of variation. */
export interface ScatterInputs {
  pitchMm: number;
  pitchDiameterMm: number;
  minorMm: number;
  bearingDiameterMm: number;
  threadMu: Varying;
  headMu: Varying;
  torqueNm: Varying;
  angleDeg: { mean: number; sd: number };
  /** N of clamp load for each degree after snug. */
  clampRate: Varying;
  yieldMPa: Varying;
  /** Slope past yield over the elastic one. */
  hardening: number;
}
interface Varying {
  mean: number;
  cov: number;
}
export type ScatterMode = 'torqueOnly' | 'angle';

/**
 * Clamp load of one bolt from six standard normal numbers: friction of thread and head (lognormal),
 * torque, clamp rate, angle, yield strength. Past yield it grows by the hardening ratio. Torsion
 * section π d0³/12. Friction does not depend on torque; no settling, no crosstalk.
 * @returns N
 */
export function clampOf(
  of: ScatterInputs,
  mode: ScatterMode,
  z: readonly [number, number, number, number, number, number],
): number {
  const thread = lognormal(of.threadMu, z[0]);
  const head = lognormal(of.headMu, z[1]);
  const threadLever =
    of.pitchMm / (2 * Math.PI) + (thread * of.pitchDiameterMm) / (2 * Math.cos(Math.PI / 6));
  const lever = threadLever + (head * of.bearingDiameterMm) / 2;
  const snug = (normal(of.torqueNm, z[2]) * 1000) / lever;
  const d0 = (of.pitchDiameterMm + of.minorMm) / 2;
  const area = (Math.PI / 4) * d0 ** 2;
  const torsion = (12 * threadLever * area) / (Math.PI * d0 ** 3);
  const yields = (normal(of.yieldMPa, z[5]) * area) / Math.sqrt(1 + 3 * torsion ** 2);
  const force =
    mode === 'torqueOnly'
      ? snug
      : snug + normal(of.clampRate, z[3]) * (of.angleDeg.mean + of.angleDeg.sd * z[4]);
  return force <= yields ? force : yields + of.hardening * (force - yields);
}

const normal = ({ mean, cov }: Varying, z: number): number => mean * (1 + cov * z);
function lognormal({ mean, cov }: Varying, z: number): number {
  const sigma = Math.sqrt(Math.log(1 + cov ** 2));
  return mean * Math.exp(sigma * z - sigma ** 2 / 2);
}

export interface Scatter {
  meanN: number;
  cov: number;
  p01: number;
  p05: number;
  p50: number;
  p95: number;
  p99: number;
}

export function scatterOf(forces: Float64Array): Scatter {
  const sorted = Float64Array.from(forces).sort();
  const n = sorted.length;
  const meanN = sorted.reduce((a, b) => a + b, 0) / n;
  const variance = sorted.reduce((sum, f) => sum + (f - meanN) ** 2, 0) / n;
  const at = (share: number): number => {
    const place = share * (n - 1);
    const [low = 0, high = 0] = [sorted[Math.floor(place)], sorted[Math.ceil(place)]];
    return low + (high - low) * (place - Math.floor(place));
  };
  return {
    meanN,
    cov: Math.sqrt(variance) / meanN,
    p01: at(0.01),
    p05: at(0.05),
    p50: at(0.5),
    p95: at(0.95),
    p99: at(0.99),
  };
}

/** How a wrench, an angle gauge, parts and bolts differ: illustrative, from practice. */
const TORQUE_COV = 0.03;
const SNUG_COV = 0.04;
const ANGLE_SD = 2;
const RATE_COV = 0.05;
const YIELD_COV = 0.03;
/** A bolt of a class yields above the least that the class asks for. */
const OVER_LEAST = 1.085;

/** What varies from bolt to bolt in a case: its friction band, and usual spreads of the rest. */
export function scatterInputs(of: ClampCase): ScatterInputs {
  const band = frictionBands[of.condition];
  const sigma = lnSigma(band);
  const cov = Math.sqrt(Math.exp(sigma ** 2) - 1);
  const thread = threadOf(of.thread, of.pitchMm);
  const joint = angleJointOf(of, of.torqueNm, band.nominal);
  const { knPerDeg } = angleState(joint, 0);
  // The median of the band is its nominal value.
  const mean = band.nominal * Math.exp(sigma ** 2 / 2);
  const elastic = joint.boltCompliance + joint.partCompliance;
  const soft = (joint.plasticLengthMm / (205_000 * thread.stressAreaMm2)) * (1 / 0.01 - 1) * 1000;
  return {
    pitchMm: thread.pitchMm,
    pitchDiameterMm: thread.d2Mm,
    minorMm: thread.d3Mm,
    bearingDiameterMm: hexHeadOf(thread.dMm, of.bearingMm).meanMm,
    threadMu: { mean, cov },
    headMu: { mean, cov },
    torqueNm: { mean: of.torqueNm, cov: of.angleDeg > 0 ? SNUG_COV : TORQUE_COV },
    angleDeg: { mean: of.angleDeg, sd: ANGLE_SD },
    clampRate: { mean: knPerDeg * 1000, cov: RATE_COV },
    yieldMPa: { mean: propertyClassOf(of.propertyClass).yieldMPa * OVER_LEAST, cov: YIELD_COV },
    hardening: elastic / (elastic + soft),
  };
}

/**
 * So many made-up bolts of one case.
 * @param normals standard normal numbers, as many as are asked for
 * @param onPart is told how far it is, 0 to 1
 */
export function scatterBolts(
  of: ScatterInputs,
  mode: ScatterMode,
  count: number,
  normals: () => number,
  onPart?: (share: number) => void,
): Float64Array {
  const forces = new Float64Array(count);
  for (let i = 0; i < count; i += 1) {
    const z = [normals(), normals(), normals(), normals(), normals(), normals()] as const;
    forces[i] = clampOf(of, mode, [...z]);
    if (onPart && i % 1000 === 0) onPart(i / count);
  }
  return forces;
}
