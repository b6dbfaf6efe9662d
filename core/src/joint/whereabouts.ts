import type { Pattern } from './pattern';

/**
 * Where a place lies, for words: on a ring by the clock; else which row of how many (from the top),
 * which in the row (from the left).
 */
export type Whereabouts =
  | { shape: 'ring'; hour: number }
  | { shape: 'rows'; row: number; rows: number; inRow: number; ofRow: number }
  | { shape: 'alone' };

/**
 * Rows are told apart by a gap that is wider than this share of the usual distance between
 * neighbors.
 */
const ROW_GAP = 0.35;
/** Fasteners lie on a ring where their distances from the middle differ by less than this. */
const RING_SPREAD = 0.06;
/** Fewer are a square or a triangle, and have corners rather than hours. */
const LEAST_ON_RING = 5;

/**
 * Where a position lies as the drawing lies: by the hour on a ring, else by row and number in the
 * row.
 * @returns undefined for a label that the pattern does not have
 */
export function whereabouts(
  pattern: Pick<Pattern, 'positions'>,
  label: string,
): Whereabouts | undefined {
  const { positions } = pattern;
  const own = positions.find((p) => p.label === label);
  if (!own) return undefined;
  if (positions.length === 1) return { shape: 'alone' };
  const middle = { x: mean(positions.map((p) => p.xMm)), y: mean(positions.map((p) => p.yMm)) };
  const far = positions.map((p) => Math.hypot(p.xMm - middle.x, p.yMm - middle.y));
  const radius = mean(far);
  if (
    positions.length >= LEAST_ON_RING &&
    Math.max(...far) - Math.min(...far) < 2 * RING_SPREAD * radius
  ) {
    const deg = (Math.atan2(own.xMm - middle.x, own.yMm - middle.y) * 180) / Math.PI;
    return { shape: 'ring', hour: ((Math.round(deg / 30) + 11) % 12) + 1 };
  }
  return inRows(positions, own.label);
}

function inRows(positions: Pattern['positions'], label: string): Whereabouts | undefined {
  const apart = rowGap(positions);
  const sorted = [...positions].sort((a, b) => b.yMm - a.yMm);
  const rows: Pattern['positions'][] = [];
  for (const p of sorted) {
    const last = rows.at(-1);
    const before = last?.at(-1);
    if (last && before && before.yMm - p.yMm <= apart) last.push(p);
    else rows.push([p]);
  }
  for (const [index, row] of rows.entries()) {
    const inRow = [...row].sort((a, b) => a.xMm - b.xMm).findIndex((p) => p.label === label);
    if (inRow >= 0)
      return {
        shape: 'rows',
        row: index + 1,
        rows: rows.length,
        inRow: inRow + 1,
        ofRow: row.length,
      };
  }
  return undefined;
}

/**
 * How far down the next row begins: by how far neighbors lie apart here, so that a slightly bent
 * row is one row.
 */
function rowGap(positions: Pattern['positions']): number {
  const nearest = positions.map((p) =>
    Math.min(
      ...positions.flatMap((q) => (q === p ? [] : [Math.hypot(p.xMm - q.xMm, p.yMm - q.yMm)])),
    ),
  );
  return ROW_GAP * mean(nearest);
}

const mean = (values: readonly number[]): number =>
  values.reduce((a, b) => a + b, 0) / values.length;
