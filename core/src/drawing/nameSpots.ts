import type { Sheet } from '../procedure';
import { boxOf } from './outline';
import { CAPITAL, NEXT_IS_LARGER, type NameSpot } from './seatShapes';

/** Width of a digit, as a share of its size. */
const DIGIT = 0.52;

/**
 * A name stands at its fastener's washer; where the edge of the part would go through it, past that
 * edge, or else a little farther in. There is room for the one that is next, which is larger.
 * @param r radius of a fastener's head, mm; size: height of a name, mm
 */
export function nameSpots(sheet: Sheet, r: number, size: number): Map<string, NameSpot> {
  const box = boxOf(sheet);
  const middle = { x: (box.left + box.right) / 2, y: (box.low + box.high) / 2 };
  const { outline, positions } = sheet.pattern;
  const clear = size * 0.2;
  const usual = r * 2.1;
  return new Map(
    positions.map(({ label, xMm, yMm }) => {
      const above = yMm > middle.y;
      const isClear = ({ off, aside }: NameSpot, larger: number, round: number): boolean => {
        const half = (label.length * size * larger * DIGIT) / 2;
        const [from, to] = [off - round, off + size * larger * CAPITAL + round];
        const [low, high] = above ? [yMm + from, yMm + to] : [yMm - to, yMm - from];
        const x = xMm + aside;
        return !isEdgeIn(outline, { left: x - half, right: x + half, low, high });
      };
      const past = (above ? box.high - yMm : yMm - box.low) + clear;
      const spots = [
        { above, off: usual, aside: 0 },
        // Past the edge, where that is near.
        ...(past < usual + size * NEXT_IS_LARGER ? [{ above, off: past, aside: 0 }] : []),
        ...INWARD.map((share) => ({
          above,
          off: usual,
          aside: share * size * Math.sign(middle.x - xMm),
        })),
      ];
      const best = spots.find((s) => isClear(s, NEXT_IS_LARGER, clear)) ??
        spots.find((s) => isClear(s, 1, 0)) ?? { above, off: usual, aside: 0 };
      return [label, best];
    }),
  );
}
const INWARD = [0.25, 0.5, 0.75, 1, 1.25];

/** Whether an edge of the outline goes through a box, looked at as closely as the box is small. */
function isEdgeIn(
  outline: readonly (readonly [number, number])[],
  at: { left: number; right: number; low: number; high: number },
): boolean {
  const step = Math.min(at.right - at.left, at.high - at.low) / 4;
  return outline.some(([x, y], i) => {
    const [toX, toY] = outline[(i + 1) % outline.length] ?? [x, y];
    const isFar =
      Math.max(x, toX) < at.left ||
      Math.min(x, toX) > at.right ||
      Math.max(y, toY) < at.low ||
      Math.min(y, toY) > at.high;
    if (isFar) return false;
    const parts = Math.max(1, Math.ceil(Math.hypot(toX - x, toY - y) / step));
    return Array.from({ length: parts + 1 }, (_, k) => k / parts).some((t) => {
      const [px, py] = [x + (toX - x) * t, y + (toY - y) * t];
      return px > at.left && px < at.right && py > at.low && py < at.high;
    });
  });
}
