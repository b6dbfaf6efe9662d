import type { Pattern } from './pattern';

/**
 * How someone stands to the part: turned by quarters, clockwise; mirrored for the other bank, or
 * seen from below.
 */
export interface MapView {
  quarters: 0 | 1 | 2 | 3;
  mirrored: boolean;
}
export const AS_DRAWN: MapView = { quarters: 0, mirrored: false };

type Side = Pattern['landmarks'][number]['side'];
const CLOCKWISE: Record<Side, Side> = {
  left: 'top',
  top: 'right',
  right: 'bottom',
  bottom: 'left',
};
const OTHER_SIDE: Record<Side, Side> = {
  left: 'right',
  right: 'left',
  top: 'top',
  bottom: 'bottom',
};

/**
 * The pattern as seen from there: first mirrored left to right, then turned.
 * Labels keep their places on the part; only where they are seen changes. Four quarters, or two
 * mirrorings, give the pattern back.
 */
export function viewedFrom(pattern: Pattern, { quarters, mirrored }: MapView): Pattern {
  if (quarters === 0 && !mirrored) return pattern;
  const at = ([x, y]: readonly [number, number]): [number, number] => {
    let [u, w] = [mirrored ? -x : x, y];
    for (let i = 0; i < quarters; i += 1) [u, w] = [w, -u];
    // No negative zero: it would stand in what is compared.
    return [u + 0, w + 0];
  };
  const sideOf = (side: Side): Side => {
    let seen = mirrored ? OTHER_SIDE[side] : side;
    for (let i = 0; i < quarters; i += 1) seen = CLOCKWISE[seen];
    return seen;
  };
  const moved = <T extends { xMm: number; yMm: number }>(thing: T): T => {
    const [xMm, yMm] = at([thing.xMm, thing.yMm]);
    return { ...thing, xMm, yMm };
  };
  return {
    outline: pattern.outline.map(at),
    openings: pattern.openings.map(moved),
    landmarks: pattern.landmarks.map((l) => ({ ...l, side: sideOf(l.side) })),
    positions: pattern.positions.map(moved),
  };
}
