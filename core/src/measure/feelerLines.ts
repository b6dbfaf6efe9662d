import { guarded, worst, type Verdict } from './verdict';

const EQUAL = 1e-9;

/**
 * Under a straight-edge at one place: the thickest leaf that enters, and the next, which does not.
 * In mm.
 */
export interface FeelerPoint {
  posMm: number;
  goMm: number;
  nogoMm: number;
}
export interface FeelerLine {
  name: string;
  points: readonly FeelerPoint[];
}

export interface LineFlatness {
  name: string;
  worstMm: number;
  worstGoMm: number;
  worstNogoMm: number;
  atPosMm: number;
  /** Largest difference of two places within the window. */
  localMm: number;
  /** Narrowest strip that holds all places. */
  minZoneMm: number;
}

export interface Flatness {
  lines: LineFlatness[];
  overallMm: number;
  worstLine: string;
  localMm: number;
  localUncertaintyMm: number;
  localLine: string;
  verdictOverall: Verdict;
  verdictLocal: Verdict;
  verdict: Verdict;
}

const estimate = ({ goMm, nogoMm }: FeelerPoint): number => (goMm + nogoMm) / 2;
const halfStep = ({ goMm, nogoMm }: FeelerPoint): number => (nogoMm - goMm) / 2;

/**
 * Flatness of a face from straight-edge lines and feeler leaves: the true gap lies between the leaf
 * that enters and the one that does not, its estimate is their mean. Overall: the worst line; fail
 * when a leaf above the limit enters, pass when every leaf that does not enter is within it. Per
 * length: the largest difference of two places of one line within the window; it holds edge tilt
 * too and errs on the safe side. A straight-edge reads hollow form; it cannot tell a hollow face
 * from a bent edge. Source: plain geometry, verdicts defined here.
 */
export function feelerFlatness(
  lines: readonly FeelerLine[],
  limits: { overallMm: number; windowMm: number; localMm: number },
): Flatness {
  const each = lines.map((l) => ofLine(l, limits.windowMm));
  const flat = each.map((l) => l.line);
  const over = firstLargest(flat, (l) => l.worstMm);
  const local = firstLargest(each, (l) => l.line.localMm);
  const points = lines.flatMap((l) => l.points);
  const verdictOverall = points.some((p) => p.goMm > limits.overallMm + EQUAL)
    ? 'fail'
    : points.every((p) => p.nogoMm <= limits.overallMm + EQUAL)
      ? 'pass'
      : 'marginal';
  const verdictLocal = worst(
    each.map((l) => guarded(l.line.localMm, l.localUncertaintyMm, limits.localMm)),
  );
  return {
    lines: flat,
    overallMm: over.worstMm,
    worstLine: over.name,
    localMm: local.line.localMm,
    localUncertaintyMm: local.localUncertaintyMm,
    localLine: local.line.name,
    verdictOverall,
    verdictLocal,
    verdict: worst([verdictOverall, verdictLocal]),
  };
}

function ofLine(
  { name, points }: FeelerLine,
  windowMm: number,
): { line: LineFlatness; localUncertaintyMm: number } {
  const at = firstLargest(points, estimate);
  const pairs = points.flatMap((a, i) =>
    points
      .slice(i + 1)
      .flatMap((b) =>
        Math.abs(a.posMm - b.posMm) <= windowMm + EQUAL
          ? [{ d: Math.abs(estimate(a) - estimate(b)), u: halfStep(a) + halfStep(b) }]
          : [],
      ),
  );
  // Of equal differences the less certain one: the verdict must not hang on the order of readings.
  const local = [...pairs]
    .sort((a, b) => b.u - a.u)
    .reduce((most, p) => (p.d > most.d + EQUAL ? p : most), { d: 0, u: 0 });
  const line = {
    name,
    worstMm: estimate(at),
    worstGoMm: at.goMm,
    worstNogoMm: at.nogoMm,
    atPosMm: at.posMm,
    localMm: local.d,
    minZoneMm: minZone(points),
  };
  return { line, localUncertaintyMm: local.u };
}

function firstLargest<T>(list: readonly T[], of: (t: T) => number): T {
  const [first, ...rest] = list;
  if (first === undefined) throw new Error('nothing was measured');
  return rest.reduce((best, t) => (of(t) > of(best) + EQUAL ? t : best), first);
}

/** The narrowest strip: one of its sides lies on two of the places. */
function minZone(points: readonly FeelerPoint[]): number {
  const at = points.map((p) => ({ x: p.posMm, y: estimate(p) }));
  let narrowest = Math.max(...at.map((p) => p.y)) - Math.min(...at.map((p) => p.y));
  for (const [i, a] of at.entries()) {
    for (const b of at.slice(i + 1)) {
      if (a.x === b.x) continue;
      const slope = (b.y - a.y) / (b.x - a.x);
      const off = at.map((p) => p.y - slope * p.x);
      narrowest = Math.min(narrowest, Math.max(...off) - Math.min(...off));
    }
  }
  return narrowest;
}
