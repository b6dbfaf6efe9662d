import type { Thread } from '../thread';

/** Through-bolted with a nut, or tapped into a part. */
export type JointKind = 'through' | 'tapped';
const STEEL_MPA = 205_000;

/** Compliances in mm per kN. */
export interface BoltCompliance {
  head: number;
  shank: number;
  freeThread: number;
  engagedThread: number;
  nut: number;
  total: number;
}

/**
 * How far a bolt gives: sum of l/(E A) over head (0.5 d; a socket head 0.4 d), shank on d, free
 * thread and engaged 0.5 d on d3, nut 0.4 d, or 0.33 d of the tapped part. Source: VDI 2230
 * sections, from engineering practice.
 * @param internalMPa Young's modulus of the part that the thread goes into
 */
export function boltCompliance(
  thread: Thread,
  bolt: {
    shankMm: number;
    freeThreadMm: number;
    joint: JointKind;
    headFactor?: number;
    boltMPa?: number;
    internalMPa?: number;
  },
): BoltCompliance {
  const e = bolt.boltMPa ?? STEEL_MPA;
  const area = (dMm: number): number => (Math.PI / 4) * dMm ** 2;
  const part = (lengthMm: number, areaMm2: number, modulusMPa = e): number =>
    (lengthMm / (modulusMPa * areaMm2)) * 1000;
  const d = thread.dMm;
  const parts = {
    head: part((bolt.headFactor ?? 0.5) * d, area(d)),
    shank: part(bolt.shankMm, area(d)),
    freeThread: part(bolt.freeThreadMm, thread.rootAreaMm2),
    engagedThread: part(0.5 * d, thread.rootAreaMm2),
    nut: part((bolt.joint === 'through' ? 0.4 : 0.33) * d, area(d), bolt.internalMPa ?? e),
  };
  return {
    ...parts,
    total: parts.head + parts.shank + parts.freeThread + parts.engagedThread + parts.nut,
  };
}

export interface PlateCompliance {
  kind: 'cone' | 'cone+sleeve' | 'sleeve';
  tanPhi: number | null;
  /** Outer diameter in mm up to which the cone spreads. */
  limitMm: number;
  /** mm per kN. */
  compliance: number;
}

/**
 * How far the clamped parts give: a deformation cone, a cone that meets the outer diameter, or a
 * sleeve. One material, no gasket; a gasket makes it larger, the real preload after an angle is
 * then lower. Source: VDI 2230, as above.
 */
export function plateCompliance(plate: {
  gripMm: number;
  bearingMm: number;
  holeMm: number;
  outerMm: number;
  joint: JointKind;
  partMPa: number;
}): PlateCompliance {
  const { gripMm: lK, bearingMm: dW, holeMm: dh, outerMm: dA, partMPa: e } = plate;
  if (dA <= dW)
    return {
      kind: 'sleeve',
      tanPhi: null,
      limitMm: dW,
      compliance: (4 * lK * 1000) / (e * Math.PI * (dA ** 2 - dh ** 2)),
    };
  const w = plate.joint === 'through' ? 1 : 2;
  const bL = lK / dW;
  const y = dA / dW;
  const tanPhi =
    plate.joint === 'through'
      ? 0.362 + 0.032 * Math.log(bL / 2) + 0.153 * Math.log(y)
      : 0.348 + 0.013 * Math.log(bL) + 0.193 * Math.log(y);
  const limitMm = dW + w * lK * tanPhi;
  const reachMm = Math.min(dA, limitMm);
  const cone =
    (2 / (w * dh * tanPhi)) * Math.log(((dW + dh) * (reachMm - dh)) / ((dW - dh) * (reachMm + dh)));
  const sleeve = dA < limitMm ? (4 / (dA ** 2 - dh ** 2)) * (lK - (dA - dW) / (w * tanPhi)) : 0;
  return {
    kind: dA < limitMm ? 'cone+sleeve' : 'cone',
    tanPhi,
    limitMm,
    compliance: ((cone + sleeve) * 1000) / (e * Math.PI),
  };
}
