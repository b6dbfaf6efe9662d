import { AppError } from '../errors';
import { byLabel } from './frame';
import type { Position } from './pattern';

export interface CircleOptions {
  /** The label to begin with; left out, the one nearest clockwise of 12 o'clock. */
  start?: string | undefined;
  direction?: 'cw' | 'ccw' | undefined;
}

const EQUAL_DEG = 1e-6;
/** Rounded coordinates must not move the start: so much before 12 o'clock still counts as 12. */
const AT_TWELVE_DEG = 0.5;

/**
 * Labels round the mean point, one after the other.
 * @param positions mm, x right, y up
 */
export function ring(positions: readonly Position[], options: CircleOptions = {}): string[] {
  const n = positions.length;
  const mean = {
    x: positions.reduce((s, p) => s + p.xMm, 0) / n,
    y: positions.reduce((s, p) => s + p.yMm, 0) / n,
  };
  const around = positions.map((p) => {
    const clockwise = ((Math.atan2(p.xMm - mean.x, p.yMm - mean.y) * 180) / Math.PI + 360) % 360;
    const deg = options.direction === 'ccw' ? (360 - clockwise) % 360 : clockwise;
    return {
      label: p.label,
      deg: deg >= 360 - AT_TWELVE_DEG ? deg - 360 : deg,
      radius: Math.hypot(p.xMm - mean.x, p.yMm - mean.y),
    };
  });
  around.sort((a, b) =>
    Math.abs(a.deg - b.deg) > EQUAL_DEG ? a.deg - b.deg : b.radius - a.radius || byLabel(a, b),
  );
  const labels = around.map((p) => p.label);
  const at = options.start === undefined ? 0 : labels.indexOf(options.start);
  if (at < 0) throw new AppError('SHEET_INVALID', { where: `order.start ${options.start}` });
  return [...labels.slice(at), ...labels.slice(0, at)];
}

const gcd = (a: number, b: number): number => (b === 0 ? a : gcd(b, a % b));

/** The largest step below half the count that reaches every place; 1 where there is no other. */
export function starStep(n: number): number {
  for (let step = Math.ceil(n / 2) - 1; step > 1; step -= 1) if (gcd(step, n) === 1) return step;
  return 1;
}

/** Places of a circle in star order. Four and six have no star: opposite pairs instead. */
export function starIndices(n: number): number[] {
  if (n === 4 || n === 6) return Array.from({ length: n / 2 }, (_, i) => [i, i + n / 2]).flat();
  const step = starStep(n);
  return Array.from({ length: n }, (_, k) => (k * step) % n);
}

/** Opposite pairs, each as far as can be from those done; for an even count. */
export function crossIndices(n: number): number[] {
  if (n % 2 !== 0)
    throw new AppError('SHEET_INVALID', { where: 'order: a cross needs an even count' });
  return farthestFirst(n / 2).flatMap((i) => [i, i + n / 2]);
}

/** Triangles, each as far as can be from those done; for a count of threes. */
export function thirdsIndices(n: number): number[] {
  if (n % 3 !== 0)
    throw new AppError('SHEET_INVALID', { where: 'order: thirds need a count of threes' });
  const m = n / 3;
  return farthestFirst(m).flatMap((j) => [j, j + m, j + 2 * m]);
}

/**
 * 0, then always the one farthest (round the circle of m) from all that were taken; the lowest
 * where several are.
 */
function farthestFirst(m: number): number[] {
  const taken = [0];
  const distance = (i: number): number =>
    Math.min(...taken.map((t) => Math.min((i - t + m) % m, (t - i + m) % m)));
  while (taken.length < m) {
    const left = Array.from({ length: m }, (_, i) => i).filter((i) => !taken.includes(i));
    taken.push(left.reduce((best, i) => (distance(i) > distance(best) ? i : best)));
  }
  return taken;
}

/**
 * How evenly an order closes a circle: the smallest hop between neighbors in the order, and how
 * far the middle of any part of it (two or more) lies off the center, as a share of the radius. 0
 * is balanced.
 */
export function evenness(indices: readonly number[]): {
  minHop: number;
  worstCentroid: number;
  meanCentroid: number;
} {
  const n = indices.length;
  const hops = indices.slice(1).map((b, k) => {
    const d = Math.abs(b - (indices[k] ?? 0));
    return Math.min(d, n - d);
  });
  const offsets: number[] = [];
  let [x, y] = [0, 0];
  for (const [k, i] of indices.entries()) {
    x += Math.sin((2 * Math.PI * i) / n);
    y += Math.cos((2 * Math.PI * i) / n);
    if (k >= 1) offsets.push(Math.hypot(x, y) / (k + 1));
  }
  return {
    minHop: Math.min(...hops),
    worstCentroid: Math.max(...offsets),
    meanCentroid: offsets.reduce((s, o) => s + o, 0) / offsets.length,
  };
}
