import type { Sheet } from '../procedure';
import { headRadius } from './seatShapes';
import { circle, path, polyline, type Shape } from './shapes';

/** So many head radii of the part are left round the fasteners. */
const MARGIN_HEADS = 5;
/** Drawn in by less, it would hardly be larger. */
const WORTH_IT = 0.75;

/**
 * A part that reaches far beyond its fasteners, as a flywheel does: its outline is drawn in toward
 * them, or they would be too small to read. They stay where they are.
 * @returns the sheet with the outline to draw (mm), and whether it is not where the part ends
 */
export function drawnIn(sheet: Sheet): { sheet: Sheet; isDrawnIn: boolean } {
  const { outline, openings, positions } = sheet.pattern;
  const margin = MARGIN_HEADS * headRadius(sheet);
  const x = axis(
    positions.map((p) => p.xMm),
    outline.map(([at]) => at),
    margin,
  );
  const y = axis(
    positions.map((p) => p.yMm),
    outline.map(([, at]) => at),
    margin,
  );
  const share = Math.max(x.share, y.share);
  if (!(share < WORTH_IT)) return { sheet, isDrawnIn: false };
  const pattern = {
    ...sheet.pattern,
    outline: outline.map(([px, py]): [number, number] => [
      x.middle + (px - x.middle) * share,
      y.middle + (py - y.middle) * share,
    ]),
    // What lies beyond would hang in the air.
    openings: openings.filter(
      (o) =>
        Math.abs(o.xMm - x.middle) + o.radiusMm < x.half + margin &&
        Math.abs(o.yMm - y.middle) + o.radiusMm < y.half + margin,
    ),
  };
  return { sheet: { ...sheet, pattern }, isDrawnIn: true };
}

/** How far the fasteners reach to each side, with a margin, as a share of what the part does. */
function axis(
  fasteners: readonly number[],
  part: readonly number[],
  margin: number,
): { middle: number; half: number; share: number } {
  const [low, high] = [Math.min(...fasteners), Math.max(...fasteners)];
  const [middle, half] = [(low + high) / 2, (high - low) / 2];
  const nearest = Math.min(middle - Math.min(...part), Math.max(...part) - middle);
  return { middle, half, share: (half + margin) / nearest };
}

/**
 * The part itself: its outline, dashed where the part goes on beyond it, and its openings.
 * @param r radius of a fastener's head, mm
 */
export const partShapes = ({ pattern }: Sheet, r: number, isDrawnIn: boolean): Shape[] => [
  path(
    polyline(
      pattern.outline.map(([x, y]) => ({ x, y: -y })),
      true,
    ),
    'part',
    'partEdge',
    r * (isDrawnIn ? 0.16 : 0.08),
    isDrawnIn ? { dash: [r * 0.7, r * 0.5] } : {},
  ),
  ...pattern.openings.map((o) =>
    circle({ x: o.xMm, y: -o.yMm }, o.radiusMm, 'opening', 'partEdge', r * 0.05),
  ),
];

export interface Box {
  left: number;
  right: number;
  low: number;
  high: number;
}

/** How far the outline reaches, mm; y runs up. */
export function boxOf(sheet: Sheet): Box {
  const xs = sheet.pattern.outline.map(([x]) => x);
  const ys = sheet.pattern.outline.map(([, y]) => y);
  return {
    left: Math.min(...xs),
    right: Math.max(...xs),
    low: Math.min(...ys),
    high: Math.max(...ys),
  };
}
