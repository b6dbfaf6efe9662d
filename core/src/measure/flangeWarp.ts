import { guarded, worst, type Verdict } from './verdict';

/** Gaps under a straight-edge over one flange of a manifold, in mm; x along the manifold. */
export interface Flange {
  name: string;
  xMm: number;
  gapsMm: readonly number[];
}

export interface FlangeWarp {
  meansMm: number[];
  /** The largest gap of all. */
  overallMm: number;
  worstFlange: string;
  /** Largest step between the means of neighbors. */
  stepMm: number;
  stepAfter: string;
  /** Largest difference inside one flange. */
  tiltMm: number;
  /** Against the line through the two end flanges; below it negative. */
  bowMm: number;
  verdictOverall: Verdict;
  verdictStep: Verdict;
  verdictTilt: Verdict;
  verdict: Verdict;
}
const EQUAL = 1e-9;

/**
 * Warp of a manifold's flanges. Differences carry twice the uncertainty. Source: plain geometry,
 * verdicts defined here.
 */
export function flangeWarp(
  flanges: readonly Flange[],
  limits: { overallMm: number; stepMm: number; tiltMm: number },
  uncertaintyMm: number,
): FlangeWarp {
  const [first, last] = [flanges[0], flanges.at(-1)];
  if (!first || !last) throw new Error('nothing was measured');
  const means = flanges.map((f) => f.gapsMm.reduce((s, g) => s + g, 0) / f.gapsMm.length);
  const steps = means.slice(1).map((m, i) => Math.abs(m - (means[i] ?? m)));
  const largest = flanges.map((f) => Math.max(...f.gapsMm));
  const tilts = flanges.map((f) => Math.max(...f.gapsMm) - Math.min(...f.gapsMm));
  const at = (list: readonly number[]): number =>
    list.findIndex((v) => v >= Math.max(...list) - EQUAL);
  const slope =
    last.xMm === first.xMm ? 0 : ((means.at(-1) ?? 0) - (means[0] ?? 0)) / (last.xMm - first.xMm);
  const bows = flanges.map(
    (f, i) => (means[i] ?? 0) - (means[0] ?? 0) - slope * (f.xMm - first.xMm),
  );
  const [overallMm, stepMm, tiltMm] = [
    Math.max(...largest),
    Math.max(0, ...steps),
    Math.max(...tilts),
  ];
  const verdictOverall = guarded(overallMm, uncertaintyMm, limits.overallMm);
  const verdictStep = guarded(stepMm, 2 * uncertaintyMm, limits.stepMm);
  const verdictTilt = guarded(tiltMm, 2 * uncertaintyMm, limits.tiltMm);
  return {
    meansMm: means,
    overallMm,
    worstFlange: flanges[at(largest)]?.name ?? '',
    stepMm,
    stepAfter: steps.length > 0 ? (flanges[at(steps)]?.name ?? '') : '',
    tiltMm,
    bowMm: bows.reduce((most, b) => (Math.abs(b) > Math.abs(most) + EQUAL ? b : most), 0),
    verdictOverall,
    verdictStep,
    verdictTilt,
    verdict: worst([verdictOverall, verdictStep, verdictTilt]),
  };
}
