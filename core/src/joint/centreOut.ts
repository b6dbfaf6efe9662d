import { byLabel, crossing, placeAll, ringsOf, SAME_MM, type Placed } from './frame';
import type { Position } from './pattern';

/**
 * Labels from the middle outwards, crossing sides: inner ring first; then always the other row,
 * then the other side, than the one just done. The very first is top, then left. Derived here; see
 * docs/MODEL.md, orders. An order that the maker publishes goes before this one. Input order never
 * matters; labels in code-point order break the last tie.
 * @param positions mm, x right, y up; a pattern taller than wide is turned clockwise by a quarter
 * first
 * @param tolMm how far apart two coordinates may be and still count as equal
 * @example eight bolts in two rows T1…T4, B1…B4: T2 B3 T3 B2 T4 B1 T1 B4
 */
export function centreOut(positions: readonly Position[], tolMm = SAME_MM): string[] {
  const order: Placed[] = [];
  for (const ring of ringsOf(placeAll(positions, tolMm), (p) => Math.abs(p.uMm), byLabel, tolMm))
    order.push(...crossing(ring, order.at(-1)));
  return order.map((p) => p.label);
}
