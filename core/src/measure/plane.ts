import { AppError } from '../errors';
import { guarded, type Verdict } from './verdict';

const EQUAL = 1e-9;

export interface PlaneFit {
  slopeXMmPerM: number;
  slopeYMmPerM: number;
  /** Highest less lowest residual; never less than the narrowest zone. */
  flatnessMm: number;
  rmsMm: number;
  /** null on a face that is flat. */
  highest: number | null;
  lowest: number | null;
  verdict: Verdict;
}

/**
 * Flatness from heights over a face: the plane z = a + bx + cy of least squares, and what lies
 * above and below it.
 * @param points x, y, z in mm
 * @throws AppError PLANE_UNDETERMINED with fewer than four points, or all on one line
 */
export function planeFlatness(
  points: readonly (readonly [number, number, number])[],
  limitMm: number,
  uncertaintyMm: number,
): PlaneFit {
  const n = points.length;
  const mean = (of: (p: readonly [number, number, number]) => number): number =>
    points.reduce((sum, p) => sum + of(p), 0) / n;
  if (n < 4) throw new AppError('PLANE_UNDETERMINED');
  const [mx, my, mz] = [mean((p) => p[0]), mean((p) => p[1]), mean((p) => p[2])];
  const sum = (of: (dx: number, dy: number, dz: number) => number): number =>
    points.reduce((s, [x, y, z]) => s + of(x - mx, y - my, z - mz), 0);
  const [xx, xy, yy] = [sum((x) => x * x), sum((x, y) => x * y), sum((_x, y) => y * y)];
  const [xz, yz] = [sum((x, _y, z) => x * z), sum((_x, y, z) => y * z)];
  const determinant = xx * yy - xy * xy;
  if (determinant <= EQUAL * Math.max(xx, yy) ** 2) throw new AppError('PLANE_UNDETERMINED');
  const [b, c] = [(xz * yy - yz * xy) / determinant, (yz * xx - xz * xy) / determinant];
  const off = points.map(([x, y, z]) => z - mz - b * (x - mx) - c * (y - my));
  const flatnessMm = Math.max(...off) - Math.min(...off);
  const isFlat = flatnessMm <= EQUAL;
  return {
    slopeXMmPerM: b * 1000,
    slopeYMmPerM: c * 1000,
    flatnessMm: isFlat ? 0 : flatnessMm,
    rmsMm: Math.sqrt(off.reduce((s, r) => s + r * r, 0) / n),
    highest: isFlat ? null : off.findIndex((r) => r >= Math.max(...off) - EQUAL),
    lowest: isFlat ? null : off.findIndex((r) => r <= Math.min(...off) + EQUAL),
    verdict: guarded(flatnessMm, uncertaintyMm, limitMm),
  };
}
