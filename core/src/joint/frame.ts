import type { Position } from './pattern';

type Side = 'left' | 'centre' | 'right';
type Row = 'top' | 'middle' | 'bottom';

/** A place seen from the middle of its pattern, which lies with its long axis level. */
export interface Placed {
  label: string;
  cap: string | undefined;
  /** Along the long axis, from the middle; right is positive. */
  uMm: number;
  /** Across it; up is positive. */
  wMm: number;
  side: Side;
  row: Row;
}

/** How far apart two coordinates may be and still count as equal. */
export const SAME_MM = 1;
/** A square pattern is not turned; so far off, rounded coordinates still make it one. */
const SQUARE_MM = 0.5;

const ROW_RANK: Record<Row, number> = { top: 0, middle: 1, bottom: 2 };
const SIDE_RANK: Record<Side, number> = { left: 0, centre: 1, right: 2 };

export const byLabel = (a: { label: string }, b: { label: string }): number =>
  a.label < b.label ? -1 : a.label > b.label ? 1 : 0;

/**
 * Places from the middle of the bounding box; a pattern taller than wide is turned clockwise by a
 * quarter first.
 * @param tolMm see SAME_MM
 */
export function placeAll(positions: readonly Position[], tolMm: number): Placed[] {
  const extent = (of: (p: Position) => number): [number, number] => [
    Math.min(...positions.map(of)),
    Math.max(...positions.map(of)),
  ];
  const [x0, x1] = extent((p) => p.xMm);
  const [y0, y1] = extent((p) => p.yMm);
  const upright = y1 - y0 > x1 - x0 + SQUARE_MM;
  return positions.map((p) => {
    const dx = p.xMm - (x0 + x1) / 2;
    const dy = p.yMm - (y0 + y1) / 2;
    const [uMm, wMm] = upright ? [dy, -dx] : [dx, dy];
    return {
      label: p.label,
      cap: p.cap,
      uMm,
      wMm,
      side: sideOf(uMm, tolMm),
      row: rowOf(wMm, tolMm),
    };
  });
}

export const sideOf = (uMm: number, tolMm: number): Side =>
  Math.abs(uMm) <= tolMm ? 'centre' : uMm < 0 ? 'left' : 'right';
const rowOf = (wMm: number, tolMm: number): Row =>
  Math.abs(wMm) <= tolMm ? 'middle' : wMm > 0 ? 'top' : 'bottom';

/**
 * Rings by distance from the middle along the long axis, inner first; what lies within the
 * tolerance is one ring.
 */
export function ringsOf<T>(
  things: readonly T[],
  distanceOf: (t: T) => number,
  tie: (a: T, b: T) => number,
  tolMm: number,
): T[][] {
  const rings: T[][] = [];
  for (const thing of [...things].sort((a, b) => distanceOf(a) - distanceOf(b) || tie(a, b))) {
    const ring = rings.at(-1);
    if (ring?.[0] !== undefined && distanceOf(thing) - distanceOf(ring[0]) <= tolMm)
      ring.push(thing);
    else rings.push([thing]);
  }
  return rings;
}

/**
 * Takes from a group until it is empty: always the other row, then the other side, than the one
 * just done.
 */
export function crossing(group: readonly Placed[], before: Placed | undefined): Placed[] {
  const left = [...group];
  const taken: Placed[] = [];
  let last = before;
  while (left.length > 0) {
    left.sort((a, b) => rank(a, b, last));
    last = left.shift();
    if (last) taken.push(last);
  }
  return taken;
}

function rank(a: Placed, b: Placed, last: Placed | undefined): number {
  const sameRow = (p: Placed): number => Number(last?.row === p.row);
  const sameSide = (p: Placed): number =>
    Number(last !== undefined && last.side !== 'centre' && last.side === p.side);
  return (
    sameRow(a) - sameRow(b) ||
    sameSide(a) - sameSide(b) ||
    ROW_RANK[a.row] - ROW_RANK[b.row] ||
    SIDE_RANK[a.side] - SIDE_RANK[b.side] ||
    byLabel(a, b)
  );
}
