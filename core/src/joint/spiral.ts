import { byLabel, placeAll, ringsOf, SAME_MM, type Placed } from './frame';
import type { Position } from './pattern';

const EQUAL_DEG = 1e-6;

/**
 * Labels from the middle outwards, each ring gone round clockwise: the first begins nearest
 * clockwise of 12 o'clock, each later one at the first place strictly clockwise of the one just
 * done. Derived here; see docs/MODEL.md, orders.
 * @param positions mm, x right, y up
 * @example eight in two rows T1…T4, B1…B4: T3 B3 B2 T2 T4 B4 B1 T1
 */
export function spiral(positions: readonly Position[], tolMm = SAME_MM): string[] {
  const order: Placed[] = [];
  for (const ring of ringsOf(placeAll(positions, tolMm), (p) => Math.abs(p.uMm), byLabel, tolMm)) {
    const last = order.at(-1);
    const from = last ? clockDeg(last) : 0;
    const ahead = (p: Placed): number => {
      const turn = (clockDeg(p) - from + 360) % 360;
      // Not the very direction of the last one: that is a full turn away.
      return last && turn <= EQUAL_DEG ? turn + 360 : turn;
    };
    order.push(...[...ring].sort((a, b) => ahead(a) - ahead(b) || byLabel(a, b)));
  }
  return order.map((p) => p.label);
}

/** Clockwise from 12 o'clock; what counts as the middle lies on the axis. */
function clockDeg(p: Placed): number {
  const u = p.side === 'centre' ? 0 : p.uMm;
  const w = p.row === 'middle' ? 0 : p.wMm;
  return ((Math.atan2(u, w) * 180) / Math.PI + 360) % 360;
}
