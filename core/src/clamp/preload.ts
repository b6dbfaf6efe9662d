import type { PropertyClass, Thread } from '../thread';

/** Friction of one fastener: under the head acting at the mean diameter of the bearing face. */
export interface Friction {
  thread: number;
  head: number;
  meanHeadMm: number;
}

/**
 * mm per unit of preload: T = F × lever. VDI 2230 form, P/2π + d2 μ/√3 + (Dkm/2) μ.
 * The exact wedge form is up to 1.1 % higher; see `exactTorqueNm`.
 */
const threadLever = (t: Thread, mu: number): number =>
  t.pitchMm / (2 * Math.PI) + (t.d2Mm * mu) / Math.sqrt(3);
const lever = (t: Thread, f: Friction): number =>
  threadLever(t, f.thread) + (f.meanHeadMm / 2) * f.head;

/** Torque in N·m for a preload in kN. Source: VDI 2230, from engineering practice. */
export const torqueForPreload = (preloadKn: number, thread: Thread, friction: Friction): number =>
  preloadKn * lever(thread, friction);
/**
 * Preload in kN that a torque in N·m gives; real scatter with a torque wrench is about ±20…30 %.
 */
export const preloadForTorque = (torqueNm: number, thread: Thread, friction: Friction): number =>
  torqueNm / lever(thread, friction);

/** How a fastener stands under a torque: where the torque goes and what it does to the shank. */
export interface TorqueState {
  preloadKn: number;
  /** Torque coefficient T/(F d). */
  k: number;
  sharePitch: number;
  shareThread: number;
  shareHead: number;
  threadTorqueNm: number;
  axialMPa: number;
  shearMPa: number;
  vonMisesMPa: number;
  /** Von Mises stress over yield. */
  utilisation: number;
  /** Axial stress over proof stress; null where the class has none. */
  proofRatio: number | null;
  exactTorqueNm: number;
}

/**
 * What a torque does to a fastener. Torsion of a fully plastic section π ds³/12.
 * @param torqueNm N·m
 * @returns preload kN, stresses MPa, shares of the torque that sum to 1
 */
export function torqueState(
  torqueNm: number,
  thread: Thread,
  strength: PropertyClass,
  friction: Friction,
): TorqueState {
  const preloadKn = preloadForTorque(torqueNm, thread, friction);
  const threadTorqueNm = preloadKn * threadLever(thread, friction.thread);
  const axialMPa = (preloadKn * 1000) / thread.stressAreaMm2;
  const shearMPa = (threadTorqueNm * 1000) / ((Math.PI * thread.dsMm ** 3) / 12);
  const vonMisesMPa = Math.hypot(axialMPa, Math.sqrt(3) * shearMPa);
  const whole = lever(thread, friction);
  return {
    preloadKn,
    k: whole / thread.dMm,
    sharePitch: thread.pitchMm / (2 * Math.PI) / whole,
    shareThread: (thread.d2Mm * friction.thread) / Math.sqrt(3) / whole,
    shareHead: ((friction.meanHeadMm / 2) * friction.head) / whole,
    threadTorqueNm,
    axialMPa,
    shearMPa,
    vonMisesMPa,
    utilisation: vonMisesMPa / strength.yieldMPa,
    proofRatio: strength.proofMPa === null ? null : axialMPa / strength.proofMPa,
    exactTorqueNm: exactTorqueNm(preloadKn, thread, friction),
  };
}

/** Wedge form F d2/2 tan(φ + ρ′) + F Dkm/2 μ; for information. */
export function exactTorqueNm(preloadKn: number, thread: Thread, friction: Friction): number {
  const phi = Math.atan(thread.pitchMm / (Math.PI * thread.d2Mm));
  const rho = Math.atan(friction.thread / Math.cos(Math.PI / 6));
  return (
    preloadKn *
    ((thread.d2Mm / 2) * Math.tan(phi + rho) + (friction.meanHeadMm / 2) * friction.head)
  );
}

/** By how much torsion raises the stress over the axial one: √(1 + 3 (τ/σ)²). */
export function torsionFactor(thread: Thread, muThread: number): number {
  const ratio =
    1.5 *
    (thread.d2Mm / thread.dsMm) *
    (thread.pitchMm / (Math.PI * thread.d2Mm) + (2 * muThread) / Math.sqrt(3));
  return Math.sqrt(1 + 3 * ratio ** 2);
}

export interface TorqueLimit {
  preloadMaxKn: number;
  torqueMaxNm: number;
  yieldPreloadKn: number;
  yieldTorqueNm: number;
  torsionFactor: number;
  k: number;
}

/**
 * Preload and torque at a share of yield (VDI 2230, utilisation 0.9 by default), and at yield
 * itself. For order of magnitude and comparison; the maker's torque always prevails.
 */
export function torqueLimit(
  thread: Thread,
  strength: PropertyClass,
  friction: Friction,
  utilisation = 0.9,
): TorqueLimit {
  const factor = torsionFactor(thread, friction.thread);
  const yieldPreloadKn = (thread.stressAreaMm2 * strength.yieldMPa) / factor / 1000;
  const preloadMaxKn = yieldPreloadKn * utilisation;
  const torqueMaxNm = torqueForPreload(preloadMaxKn, thread, friction);
  return {
    preloadMaxKn,
    torqueMaxNm,
    yieldPreloadKn,
    yieldTorqueNm: torqueForPreload(yieldPreloadKn, thread, friction),
    torsionFactor: factor,
    k: torqueMaxNm / (preloadMaxKn * thread.dMm),
  };
}

/** One μ for thread and head from measured torque and preload. Source: ISO 16047, inverted. */
export const muTotal = (
  torqueNm: number,
  preloadKn: number,
  thread: Thread,
  bearingMeanMm: number,
): number =>
  (torqueNm / preloadKn - thread.pitchMm / (2 * Math.PI)) /
  (thread.d2Mm / Math.sqrt(3) + bearingMeanMm / 2);

/**
 * Mean friction diameter under a head: as the mean of the two diameters, and of the annulus of even
 * pressure.
 */
export function headDiameters(
  bearingMm: number,
  holeMm: number,
): { meanMm: number; annulusMm: number } {
  return {
    meanMm: (bearingMm + holeMm) / 2,
    annulusMm: ((2 / 3) * (bearingMm ** 3 - holeMm ** 3)) / (bearingMm ** 2 - holeMm ** 2),
  };
}

/** Simple form T = K F d, in N·m from kN and mm. */
export const torqueByK = (preloadKn: number, dMm: number, k: number): number => k * preloadKn * dMm;
export const preloadByK = (torqueNm: number, dMm: number, k: number): number =>
  torqueNm / (k * dMm);
