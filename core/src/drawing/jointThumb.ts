import type { Sheet } from '../procedure';
import { mapPlaces } from './jointMap';
import { boxOf, drawnIn, partShapes } from './outline';
import { headRadius } from './seatShapes';
import { circle, type Drawing } from './shapes';

export interface JointThumb {
  drawing: Drawing;
  /** Radius of a fastener's head, mm, in the drawing's own coordinates. */
  r: number;
  /** Where each seat lies. */
  seats: { seat: string; x: number; y: number }[];
}

/**
 * A joint small enough for a list: its outline with a plain circle for each fastener.
 * @returns mm; y runs down
 */
export function jointThumb(whole: Sheet): JointThumb {
  const { sheet } = drawnIn(whole);
  const box = boxOf(sheet);
  const r = headRadius(sheet);
  const seats = mapPlaces(sheet);
  const margin = r * 0.4;
  return {
    drawing: {
      x: box.left - margin,
      y: -box.high - margin,
      width: box.right - box.left + 2 * margin,
      height: box.high - box.low + 2 * margin,
      shapes: [
        ...partShapes(sheet, r, false),
        ...seats.map((at) => circle(at, r, 'head', 'headEdge', r * 0.16)),
      ],
    },
    r,
    seats,
  };
}
