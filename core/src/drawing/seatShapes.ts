import type { Sheet } from '../procedure';
import { type Head, fastenerHead } from './fastenerHead';
import { type Point, type Shape, type Words, circle, path, polyline, polar, label } from './shapes';

/**
 * Heads are drawn larger than they are, as large as their neighbors allow: they are signs, the
 * places are to scale.
 */
const HEAD_SHARE = 0.21;
const SMALLEST_HEAD_MM = 5;
const LARGEST_HEAD_MM = 34;
export function headRadius(sheet: Sheet): number {
  const { positions } = sheet.pattern;
  let nearest = Infinity;
  for (const [i, a] of positions.entries()) {
    for (const b of positions.slice(i + 1))
      nearest = Math.min(nearest, Math.hypot(a.xMm - b.xMm, a.yMm - b.yMm));
  }
  return Math.min(LARGEST_HEAD_MM, Math.max(SMALLEST_HEAD_MM, nearest * HEAD_SHARE));
}

export function seatShapes(at: Point, r: number, mark: SeatMark, head: Head): Shape[] {
  const seat = circle(at, r * 1.3, 'part', 'headEdge', r * 0.06);
  const shapes: Shape[] = mark.out
    ? [seat, circle(at, r * 0.62, 'opening', 'headEdge', r * 0.1)]
    : [seat, ...fastenerHead(head, at, r, mark.stripeDeg ?? 0)];
  if (mark.stripeDeg !== null) shapes.push(...stripe(at, r, mark.stripeDeg));
  if (mark.next) shapes.push(circle(at, r * 1.72, 'none', 'brand', r * 0.26));
  if (mark.stopped) shapes.push(...cross(at, r));
  if (mark.held)
    shapes.push(
      path(
        polyline([polar(at, r * 1.7, 90), polar(at, r * 1.7, 270)], false),
        'none',
        'warn',
        r * 0.3,
        { round: true },
      ),
    );
  if (mark.deviation)
    shapes.push(
      path(
        polyline([polar(at, r * 1.4, 128), polar(at, r * 2.1, 116), polar(at, r * 2.1, 140)], true),
        'warn',
      ),
    );
  if (mark.dot)
    shapes.push(
      circle(
        polar(at, r * 1.3, 180),
        r * 0.32,
        mark.dot === 'done' ? 'ink' : 'paper',
        'ink',
        r * 0.12,
      ),
    );
  return shapes;
}

export const NEXT_IS_LARGER = 1.26;
/** Height of a capital or a digit, as a share of its size. */
export const CAPITAL = 0.72;

/** Where the name of a fastener stands, from its middle, mm. */
export interface NameSpot {
  /** Names of the upper half stand above their fasteners, the others below. */
  above: boolean;
  /** Up or down, to where the name begins. */
  off: number;
  /** To the right. */
  aside: number;
}

/** @param usual height of a name, mm; that of the next one is larger */
export function number(
  at: Point,
  { above, off, aside }: NameSpot,
  isNext: boolean,
  text: string,
  usual: number,
): Words {
  const size = isNext ? usual * NEXT_IS_LARGER : usual;
  const y = above ? at.y - off : at.y + off + size * CAPITAL;
  return label({ x: at.x + aside, y }, size, text, isNext ? 'brand' : 'ink', {
    bold: isNext,
    mono: true,
  });
}

/** Opposite the name, so that the two are never read as one. */
export function place(at: Point, r: number, text: string, above: boolean): Words {
  const size = r * 0.72;
  return label(
    { x: at.x, y: above ? at.y + r * 1.85 + size * 0.72 : at.y - r * 1.85 },
    size,
    text,
    'quiet',
    {},
  );
}

/** The part on the casting stays, the part on the head turns with the fastener. */
function stripe(at: Point, r: number, turnedDeg: number): Shape[] {
  const line = (from: Point, to: Point): Shape =>
    path(polyline([from, to], false), 'none', 'paint', r * 0.3, { round: true });
  const shapes = [
    line(polar(at, r * 1.3, 0), polar(at, r * 1.72, 0)),
    line(at, polar(at, r * 0.9, turnedDeg)),
  ];
  if (Math.abs(turnedDeg) >= 360) shapes.push(circle(at, r * 0.3, 'none', 'paint', r * 0.14));
  return shapes;
}

function cross(at: Point, r: number): Shape[] {
  return [45, 135].map((deg) =>
    path(
      polyline([polar(at, r * 1.4, deg), polar(at, r * 1.4, deg + 180)], false),
      'none',
      'warn',
      r * 0.28,
      { round: true },
    ),
  );
}
/** One sign, one meaning: what the map says of a fastener. */

export interface SeatMark {
  /** A stripe is painted; turned by what was really turned. */
  stripeDeg: number | null;
  /** Done in this pass; open when it still moved in the last one. */
  dot: 'done' | 'movedLast' | null;
  next: boolean;
  deviation: boolean;
  stopped: boolean;
  /** The run waits for an answer about it. */
  held: boolean;
  /** Taken out: the hole is empty. */
  out: boolean;
}
