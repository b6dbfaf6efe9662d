import { frictionBands, type FrictionCondition, type PropertyClass, type Thread } from '../thread';
import { preloadForTorque, torqueForPreload, torqueState, type Friction } from './preload';

/** How much a changed condition matters; thresholds are defined here. */
export type ChangeLevel = 'ok' | 'note' | 'warn' | 'stop';
const EQUAL = 1e-9;

export interface FrictionChange {
  preloadSpecKn: number;
  preloadActualKn: number;
  /**
   * Relative change of the preload: nominal, at the high and at the low friction of the new band.
   */
  change: number;
  changeLow: number;
  changeHigh: number;
  utilisationSpec: number;
  utilisationActual: number;
  utilisationWorst: number;
  /** For explanation only: never a torque for the technician. */
  samePreloadTorqueNm: number;
  level: ChangeLevel;
}

/** The same friction in thread and under the head. */
export const evenFriction = (mu: number, meanHeadMm: number): Friction => ({
  thread: mu,
  head: mu,
  meanHeadMm,
});

/** Preload in kN at one torque over the band of a condition. */
export function preloadBand(
  torqueNm: number,
  thread: Thread,
  condition: FrictionCondition,
  meanHeadMm: number,
): { lowKn: number; nominalKn: number; highKn: number } {
  const { low, nominal, high } = frictionBands[condition];
  const at = (mu: number): number =>
    preloadForTorque(torqueNm, thread, evenFriction(mu, meanHeadMm));
  return { lowKn: at(high), nominalKn: at(nominal), highKn: at(low) };
}

/**
 * What another lubricant or locker than the published one does to the clamp load at the same
 * torque. stop: |change| > 0.45, or utilisation > 1.15; warn: > 0.25 or > 1; note: > 0.10 or > 1 at
 * the lowest friction. Utilisation counts only when the change raised it. Defined here.
 */
export function frictionChange(
  torqueNm: number,
  thread: Thread,
  strength: PropertyClass,
  spec: FrictionCondition,
  actual: FrictionCondition,
  meanHeadMm: number,
): FrictionChange {
  const was = frictionBands[spec];
  const is = frictionBands[actual];
  const preload = (mu: number): number =>
    preloadForTorque(torqueNm, thread, evenFriction(mu, meanHeadMm));
  const utilisation = (mu: number): number =>
    torqueState(torqueNm, thread, strength, evenFriction(mu, meanHeadMm)).utilisation;
  const preloadSpecKn = preload(was.nominal);
  const change = preload(is.nominal) / preloadSpecKn - 1;
  const utilisations = {
    utilisationSpec: utilisation(was.nominal),
    utilisationActual: utilisation(is.nominal),
    utilisationWorst: utilisation(is.low),
  };
  return {
    preloadSpecKn,
    preloadActualKn: preload(is.nominal),
    change,
    changeLow: preload(is.high) / preloadSpecKn - 1,
    changeHigh: preload(is.low) / preloadSpecKn - 1,
    ...utilisations,
    samePreloadTorqueNm: torqueForPreload(
      preloadSpecKn,
      thread,
      evenFriction(is.nominal, meanHeadMm),
    ),
    level: levelOf(Math.abs(change), utilisations),
  };
}

/**
 * How much a change of clamp load matters where an angle follows: yield is the sheet's own affair
 * there.
 */
export const levelOfChange = (change: number): ChangeLevel =>
  levelOf(Math.abs(change), { utilisationSpec: 0, utilisationActual: 0, utilisationWorst: 0 });

function levelOf(
  change: number,
  u: Pick<FrictionChange, 'utilisationSpec' | 'utilisationActual' | 'utilisationWorst'>,
): ChangeLevel {
  const raised = u.utilisationActual > u.utilisationSpec + EQUAL;
  const over = (value: number, limit: number): boolean => value > limit + EQUAL;
  if (over(change, 0.45) || (raised && over(u.utilisationActual, 1.15))) return 'stop';
  if (over(change, 0.25) || (raised && over(u.utilisationActual, 1))) return 'warn';
  return over(change, 0.1) || (raised && over(u.utilisationWorst, 1)) ? 'note' : 'ok';
}
