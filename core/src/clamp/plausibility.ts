import { convert, units, type Quantity, type UnitCode } from '../quantity';
import { hexHeadOf, propertyClassOf, threadOf, type Thread } from '../thread';
import { evenFriction } from './frictionChange';
import { torqueLimit } from './preload';

export type PlausibleFor = 'final' | 'snug' | 'settling' | 'seal' | 'unknown';
export type PlausibilityLevel = 'ok' | 'noteLow' | 'noteHigh' | 'warn' | 'error';

/** The same number read in another unit, with a decimal slip, or as an angle. */
export interface UnitSlip {
  as: UnitCode | 'x10' | '/10';
  torqueNm: number | null;
  ratio: number | null;
  /** 0 fits best. */
  score: number;
}

export interface Plausibility {
  level: PlausibilityLevel;
  torqueNm: number;
  /** Torque over yield torque at low (0.08), ordinary (0.12) and high (0.20) friction. */
  ratioLowMu: number;
  ratio: number;
  ratioHighMu: number;
  yieldTorquesNm: { lowMu: number; ordinary: number; highMu: number };
  slips: UnitSlip[];
}

const MU = { lowMu: 0.08, ordinary: 0.12, highMu: 0.2 } as const;
const EQUAL = 1e-9;
const TORQUE_UNITS: readonly UnitCode[] = [
  'N.m',
  '[ft_i].[lbf_av]',
  '[in_i].[lbf_av]',
  'kgf.m',
  'kgf.cm',
];
const USUAL_ANGLES_DEG: readonly number[] = [
  30, 45, 60, 75, 90, 105, 120, 135, 150, 180, 210, 240, 270, 360,
];

/**
 * Torque in N·m at which the thread yields, for three frictions.
 * @param bearingMm of a flange or washer; a plain hexagon head where it is left out
 */
export function yieldTorques(
  thread: Thread,
  className: string,
  bearingMm?: number,
): Plausibility['yieldTorquesNm'] {
  const strength = propertyClassOf(className);
  const head = hexHeadOf(thread.dMm, bearingMm).meanMm;
  const at = (mu: number): number =>
    torqueLimit(thread, strength, evenFriction(mu, head)).yieldTorqueNm;
  return { lowMu: at(MU.lowMu), ordinary: at(MU.ordinary), highMu: at(MU.highMu) };
}

/**
 * Whether thread and class can plausibly take a torque: a question to the person, never a silent
 * correction. A low value is never more than a note (an angle may follow); soft metal that the
 * thread goes into is not seen. Thresholds defined here: error T ≤ 0 or beyond yield at high
 * friction; warn ratio > 1.15; note > 1; ok from 0.60; below that by purpose. A factor of 1.36
 * (lbf·ft typed as N·m) lies inside the band and cannot be seen here.
 */
export function plausibility(
  torque: Quantity,
  threadName: string,
  className: string,
  purpose: PlausibleFor,
  pitchMm?: number,
  bearingMm?: number,
): Plausibility {
  const thread = threadOf(threadName, pitchMm);
  const yieldTorquesNm = yieldTorques(thread, className, bearingMm);
  const torqueNm = convert(torque, 'N.m');
  const ratio = torqueNm / yieldTorquesNm.ordinary;
  const level = levelOf(torqueNm, ratio, yieldTorquesNm.highMu, purpose);
  return {
    level,
    torqueNm,
    ratioLowMu: torqueNm / yieldTorquesNm.lowMu,
    ratio,
    ratioHighMu: torqueNm / yieldTorquesNm.highMu,
    yieldTorquesNm,
    slips: torqueNm > 0 ? slipsOf(torque, ratio, level, purpose, yieldTorquesNm.ordinary) : [],
  };
}

function levelOf(
  torqueNm: number,
  ratio: number,
  yieldHighNm: number,
  purpose: PlausibleFor,
): PlausibilityLevel {
  if (torqueNm <= 0 || torqueNm > yieldHighNm * (1 + EQUAL)) return 'error';
  if (ratio > 1.15 + EQUAL) return 'warn';
  if (ratio > 1 + EQUAL) return 'noteHigh';
  if (ratio >= 0.6 - EQUAL || purpose === 'settling' || purpose === 'seal') return 'ok';
  return purpose === 'snug' && ratio >= 0.15 - EQUAL ? 'ok' : 'noteLow';
}

function slipsOf(
  torque: Quantity,
  ratio: number,
  level: PlausibilityLevel,
  purpose: PlausibleFor,
  yieldNm: number,
): UnitSlip[] {
  const isHigh = ratio > 1.05 + EQUAL;
  const isLow = ratio < 0.15 - EQUAL && purpose !== 'settling' && purpose !== 'seal';
  if (!isHigh && !isLow) return [];
  const candidate = (as: UnitSlip['as'], torqueNm: number, penalty: number): UnitSlip => {
    const r = torqueNm / yieldNm;
    return { as, torqueNm, ratio: r, score: Math.abs(Math.log(r / 0.8)) + penalty };
  };
  const own = convert(torque, 'N.m');
  const read: UnitSlip[] = [
    ...TORQUE_UNITS.filter((u) => u !== torque.unit).map((u) =>
      candidate(u, torque.value * units[u].toBase, u === 'kgf.cm' ? 0.2 : 0),
    ),
    candidate('x10', own * 10, 0.3),
    candidate('/10', own / 10, 0.3),
  ].filter((s) => s.ratio !== null && s.ratio >= 0.4 - EQUAL && s.ratio <= 1.05 + EQUAL);
  if (isHigh && USUAL_ANGLES_DEG.includes(torque.value))
    read.push({ as: 'deg', torqueNm: null, ratio: null, score: 0.5 });
  const worst = level === 'noteHigh' ? 0.25 : Infinity;
  return read.filter((s) => s.score <= worst + EQUAL).sort((a, b) => a.score - b.score);
}
