import { guarded, guardedBand, worst, type Verdict } from './verdict';

/** Diameters of a bore or a journal in mm: planes along it, in each the same directions. */
export type Planes = readonly (readonly number[])[];

export interface Roundness {
  meanMm: number;
  minMm: number;
  maxMm: number;
  /** Largest difference in one plane. */
  ovalityMm: number;
  /** Largest difference along one direction. */
  taperMm: number;
}

export function roundness(planes: Planes): Roundness {
  const all = planes.flat();
  const spread = (list: readonly number[]): number => Math.max(...list) - Math.min(...list);
  const directions = (planes[0] ?? []).map((_d, i) =>
    planes.flatMap((p) => (p[i] === undefined ? [] : [p[i]])),
  );
  return {
    meanMm: all.reduce((s, d) => s + d, 0) / all.length,
    minMm: Math.min(...all),
    maxMm: Math.max(...all),
    ovalityMm: Math.max(...planes.map(spread)),
    taperMm: Math.max(...directions.map(spread)),
  };
}

export interface BearingLimits {
  clearanceMinMm: number;
  clearanceMaxMm: number;
  ovalityMm: number;
  taperMm: number;
}
export interface Bearing {
  bore: Roundness;
  journal: Roundness;
  clearanceMm: number;
  leastMm: number;
  mostMm: number;
  uncertaintyMm: number;
  verdictClearance: Verdict;
  verdictJournalOvality: Verdict;
  verdictJournalTaper: Verdict;
  verdictBoreOvality: Verdict;
  verdict: Verdict;
}

/**
 * Clearance of a bearing from its diameters: mean bore less mean journal; at least the smallest
 * bore less the largest journal. A difference of two readings carries √2 times the uncertainty of
 * one.
 */
export function bearing(
  bores: Planes,
  journals: Planes,
  limits: BearingLimits,
  uncertaintyMm: number,
): Bearing {
  const [bore, journal] = [roundness(bores), roundness(journals)];
  const u = uncertaintyMm * Math.SQRT2;
  const clearanceMm = bore.meanMm - journal.meanMm;
  const verdictClearance = guardedBand(
    clearanceMm,
    u,
    limits.clearanceMinMm,
    limits.clearanceMaxMm,
  );
  const verdictJournalOvality = guarded(journal.ovalityMm, u, limits.ovalityMm);
  const verdictJournalTaper = guarded(journal.taperMm, u, limits.taperMm);
  const verdictBoreOvality = guarded(bore.ovalityMm, u, limits.ovalityMm);
  return {
    bore,
    journal,
    clearanceMm,
    leastMm: bore.minMm - journal.maxMm,
    mostMm: bore.maxMm - journal.minMm,
    uncertaintyMm: u,
    verdictClearance,
    verdictJournalOvality,
    verdictJournalTaper,
    verdictBoreOvality,
    verdict: worst([
      verdictClearance,
      verdictJournalOvality,
      verdictJournalTaper,
      verdictBoreOvality,
    ]),
  };
}
