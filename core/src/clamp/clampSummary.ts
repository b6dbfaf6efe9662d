import { medianOf } from '../measure';

/** What can be said of the clamp loads of one joint beside each other. */
export interface ClampSummary {
  n: number;
  totalKn: number;
  meanKn: number;
  medianKn: number;
  minKn: number;
  maxKn: number;
  /** Sample standard deviation; null for one. */
  sdKn: number | null;
  cv: number | null;
  maxToMin: number | null;
  lowToMean: number | null;
  /** Over the area of the gasket; null where that is not known. */
  pressureMPa: number | null;
  /** The smallest ratio of two neighbors in a row or ring. */
  neighborRatio: number | null;
  lowestIndex: number;
}

/**
 * Sum, spread and the weakest place of a joint's clamp loads.
 * @param loadsKn in the order in which they lie beside each other
 * @param isRing the last lies beside the first
 * @returns null for none
 */
export function clampSummary(
  loadsKn: readonly number[],
  areaMm2 = 0,
  isRing = false,
): ClampSummary | null {
  const n = loadsKn.length;
  if (n === 0) return null;
  const totalKn = loadsKn.reduce((a, b) => a + b, 0);
  const meanKn = totalKn / n;
  const [minKn, maxKn] = [Math.min(...loadsKn), Math.max(...loadsKn)];
  const sdKn =
    n < 2 ? null : Math.sqrt(loadsKn.reduce((sum, f) => sum + (f - meanKn) ** 2, 0) / (n - 1));
  return {
    n,
    totalKn,
    meanKn,
    medianKn: medianOf(loadsKn) ?? 0,
    minKn,
    maxKn,
    sdKn,
    cv: sdKn === null || meanKn === 0 ? null : sdKn / meanKn,
    maxToMin: minKn === 0 ? null : maxKn / minKn,
    lowToMean: meanKn === 0 ? null : minKn / meanKn,
    pressureMPa: areaMm2 > 0 ? (totalKn * 1000) / areaMm2 : null,
    neighborRatio: neighborRatio(loadsKn, isRing),
    lowestIndex: loadsKn.indexOf(minKn),
  };
}

function neighborRatio(of: readonly number[], isRing: boolean): number | null {
  if (of.length === 1) return of[0] === 0 ? null : 1;
  const pairs = of.slice(1).map((f, i) => [of[i] ?? 0, f] as const);
  if (isRing && of.length > 2) pairs.push([of.at(-1) ?? 0, of[0] ?? 0]);
  const ratios = pairs.flatMap(([a, b]) =>
    Math.max(a, b) === 0 ? [] : [Math.min(a, b) / Math.max(a, b)],
  );
  return ratios.length === 0 ? null : Math.min(...ratios);
}

/** Groups beside each other: their medians, and how far these lie apart over the median of all. */
export function groupMedians(groups: Readonly<Record<string, readonly number[]>>): {
  medians: Record<string, number>;
  overall: number;
  spread: number | null;
} {
  const medians = Object.fromEntries(
    Object.entries(groups).map(([name, of]) => [name, medianOf(of) ?? 0]),
  );
  const values = Object.values(medians);
  const overall = medianOf(Object.values(groups).flat()) ?? 0;
  return {
    medians,
    overall,
    spread: overall === 0 ? null : (Math.max(...values) - Math.min(...values)) / overall,
  };
}
