import { guarded, guardedBand, worst, type Verdict } from './verdict';

const EQUAL = 1e-9;

export interface RunOut {
  /** Total indicated reading. */
  tirMm: number;
  /** Half of it: how far a shaft is bent, where nothing else is off. */
  bendMm: number;
  /** null with fewer than four readings. */
  eccentricityMm: number | null;
  /** Where it is high, in degrees from the first reading; null where it runs true. */
  highSideDeg: number | null;
  /** What is left of it when the eccentricity is taken out. */
  formMm: number | null;
  verdict: Verdict;
}

/**
 * Run-out from readings at equal angles of one turn: the first harmonic is the eccentricity, the
 * rest is form (from four readings on). A V-block adds lobing error. Source: Fourier analysis, from
 * engineering practice.
 */
export function runOut(
  readingsMm: readonly number[],
  limitMm: number,
  uncertaintyMm: number,
): RunOut {
  const n = readingsMm.length;
  const tirMm = Math.max(...readingsMm) - Math.min(...readingsMm);
  const mean = readingsMm.reduce((s, r) => s + r, 0) / n;
  const angle = (i: number): number => (2 * Math.PI * i) / n;
  const a = (2 / n) * readingsMm.reduce((s, r, i) => s + r * Math.cos(angle(i)), 0);
  const b = (2 / n) * readingsMm.reduce((s, r, i) => s + r * Math.sin(angle(i)), 0);
  const eccentricityMm = Math.hypot(a, b);
  const rest = readingsMm.map((r, i) => r - mean - a * Math.cos(angle(i)) - b * Math.sin(angle(i)));
  const verdict = guarded(tirMm, uncertaintyMm, limitMm);
  if (n < 4)
    return {
      tirMm,
      bendMm: tirMm / 2,
      eccentricityMm: null,
      highSideDeg: null,
      formMm: null,
      verdict,
    };
  return {
    tirMm,
    bendMm: tirMm / 2,
    eccentricityMm,
    highSideDeg: eccentricityMm <= EQUAL ? null : ((Math.atan2(b, a) * 180) / Math.PI + 360) % 360,
    formMm: Math.max(...rest) - Math.min(...rest),
    verdict,
  };
}

export interface Protrusion {
  valuesMm: number[];
  stepMm: number;
  tiltMm: number;
  verdicts: Verdict[];
  verdictStep: Verdict;
  verdictTilt: Verdict;
  verdict: Verdict;
}
export interface ProtrusionLimits {
  minMm: number;
  maxMm: number;
  stepMm: number;
  tiltMm: number;
}

/**
 * How far parts stand proud of a face (depth is negative): each in its band, neighbors alike, none
 * tilted.
 */
export function protrusion(
  parts: readonly (readonly number[])[],
  baseMm: number,
  limits: ProtrusionLimits,
  uncertaintyMm: number,
): Protrusion {
  const valuesMm = parts.map((r) => r.reduce((s, x) => s + x, 0) / r.length - baseMm);
  const stepMm = Math.max(0, ...valuesMm.slice(1).map((v, i) => Math.abs(v - (valuesMm[i] ?? v))));
  const tiltMm = Math.max(0, ...parts.map((r) => Math.max(...r) - Math.min(...r)));
  const verdicts = valuesMm.map((v) => guardedBand(v, uncertaintyMm, limits.minMm, limits.maxMm));
  const verdictStep = guarded(stepMm, 2 * uncertaintyMm, limits.stepMm);
  const verdictTilt = guarded(tiltMm, 2 * uncertaintyMm, limits.tiltMm);
  return {
    valuesMm,
    stepMm,
    tiltMm,
    verdicts,
    verdictStep,
    verdictTilt,
    verdict: worst([...verdicts, verdictStep, verdictTilt]),
  };
}

export interface Gap {
  estimateMm: number;
  uncertaintyMm: number;
  verdict: Verdict;
}

/** A gap between the leaf that enters and the one that does not, in its band. */
export function gap(goMm: number, nogoMm: number, minMm: number, maxMm: number): Gap {
  const isIn = goMm >= minMm - EQUAL && nogoMm <= maxMm + EQUAL;
  // The gap is narrower than the leaf that does not enter.
  const isOut = goMm > maxMm + EQUAL || nogoMm <= minMm + EQUAL;
  return {
    estimateMm: (goMm + nogoMm) / 2,
    uncertaintyMm: (nogoMm - goMm) / 2,
    verdict: isIn ? 'pass' : isOut ? 'fail' : 'marginal',
  };
}

export interface BoltLength {
  permanentStretchMm: number;
  usedShareOfMargin: number;
  instrument: 'good' | 'usable' | 'too_coarse';
  verdict: 'reuse' | 'near_limit' | 'replace' | 'wrong_part' | 'instrument_too_coarse';
}

/**
 * Whether a bolt may go in again by its length. The maker's limit stands alone; an instrument
 * coarser than a quarter of the margin between new and limit decides nothing, unless the bolt is
 * over it already, or shorter than a new one can be.
 */
export function boltLength(
  measuredMm: number,
  newMm: number,
  maxMm: number,
  resolutionMm: number,
  singleUse: boolean,
): BoltLength {
  const margin = maxMm - newMm;
  const instrument =
    resolutionMm <= margin / 10 + EQUAL
      ? 'good'
      : resolutionMm <= margin / 4 + EQUAL
        ? 'usable'
        : 'too_coarse';
  const verdict = (): BoltLength['verdict'] => {
    if (measuredMm < newMm - 2 * resolutionMm - EQUAL) return 'wrong_part';
    if (singleUse || measuredMm > maxMm + EQUAL) return 'replace';
    if (instrument === 'too_coarse') return 'instrument_too_coarse';
    return measuredMm + resolutionMm <= maxMm + EQUAL ? 'reuse' : 'near_limit';
  };
  return {
    permanentStretchMm: measuredMm - newMm,
    usedShareOfMargin: (measuredMm - newMm) / margin,
    instrument,
    verdict: verdict(),
  };
}
