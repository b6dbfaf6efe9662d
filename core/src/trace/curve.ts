import { line, median } from './numbers';
import { OPTIONS } from './options';
import type { Forward } from './forward';

/** Torque over the joint's angle, one point for each half degree. */
export interface Curve {
  angleDeg: number[];
  torqueNm: number[];
}

/**
 * Ten turns before the end there is nothing but run-down; whatever a wrench says before that is not
 * looked at.
 */
const MOST_DEG = 3600;

/** The angle only grows; the mean torque of a cell, and a straight line over cells without any. */
export function curveOf(forward: readonly Forward[]): Curve {
  const size = OPTIONS.cellDeg;
  const cells = new Map<number, { sum: number; count: number }>();
  const from = forward.reduce((most, f) => Math.max(most, f.jointDeg), -Infinity) - MOST_DEG;
  let top = -1e9;
  for (const { jointDeg, torqueNm } of forward) {
    if (jointDeg < top - 1 || jointDeg < from) continue;
    top = Math.max(top, jointDeg);
    const key = Math.floor(top / size);
    const cell = cells.get(key) ?? { sum: 0, count: 0 };
    cells.set(key, { sum: cell.sum + torqueNm, count: cell.count + 1 });
  }
  const filled = [...cells]
    .sort(([a], [b]) => a - b)
    .map(([key, { sum, count }]) => ({ key, torque: sum / count }));
  const curve: Curve = { angleDeg: [], torqueNm: [] };
  const put = (key: number, torque: number): void => {
    curve.angleDeg.push((key + 0.5) * size);
    curve.torqueNm.push(torque);
  };
  for (const [i, { key, torque }] of filled.entries()) {
    put(key, torque);
    const next = filled[i + 1];
    for (let m = key + 1; next && m < next.key; m += 1)
      put(m, torque + ((next.torque - torque) * (m - key)) / (next.key - key));
  }
  return curve;
}

/** Slope at each point: a line over `windowDeg`, then the median of five. N·m for each degree. */
export function gradientsOf(
  { angleDeg: x, torqueNm: y }: Curve,
  windowDeg: number = OPTIONS.windowDeg,
): number[] {
  const half = Math.round(windowDeg / OPTIONS.cellDeg / 2);
  const n = x.length;
  const slopes = x.map((_, i) => {
    const [near, far] = [Math.max(0, i - half), Math.min(n, i + half + 1)];
    const isShort = far - near < half + 1;
    const from = isShort ? Math.max(0, far - half - 1) : near;
    const to = isShort ? Math.min(n, near + half + 1) : far;
    return line(x.slice(from, to), y.slice(from, to)).slope;
  });
  return slopes.map((_, i) => median(slopes.slice(Math.max(0, i - 2), i + 3)));
}
