import { byLabel, crossing, placeAll, ringsOf, SAME_MM, sideOf, type Placed } from './frame';
import type { Position } from './pattern';

interface Cap {
  bolts: Placed[];
  uMm: number;
}

const byFirstLabel = (a: Cap, b: Cap): number =>
  byLabel(a.bolts[0] ?? { label: '' }, b.bolts[0] ?? { label: '' });

/**
 * Bearing caps: bolts that name the same cap, or else lie at the same place along the shaft, are
 * one cap. Caps from the middle outwards, or along the shaft; the first bolt of a cap alternates
 * top and bottom from cap to cap, inside a cap the bolts are crossed.
 * @param positions mm, x right, y up
 */
export function pairs(
  positions: readonly Position[],
  capOrder: 'centreOut' | 'along' = 'centreOut',
  tolMm = SAME_MM,
): string[] {
  const caps = capsOf(placeAll(positions, tolMm), tolMm);
  const ordered =
    capOrder === 'along' ? [...caps].sort((a, b) => a.uMm - b.uMm) : fromTheMiddle(caps, tolMm);
  return ordered.flatMap((cap, index) => {
    const wanted = index % 2 === 0 ? 'top' : 'bottom';
    const rowFirst = cap.bolts
      .filter((b) => b.row === wanted)
      .sort((a, b) => a.uMm - b.uMm || byLabel(a, b))[0];
    const first = rowFirst ?? crossing(cap.bolts, undefined)[0];
    if (!first) return [];
    return [
      first,
      ...crossing(
        cap.bolts.filter((b) => b !== first),
        first,
      ),
    ].map((b) => b.label);
  });
}

function capsOf(placed: readonly Placed[], tolMm: number): Cap[] {
  const caps: Placed[][] = [];
  for (const p of [...placed].sort((a, b) => a.uMm - b.uMm || byLabel(a, b))) {
    const isSame = (c: Placed[]): boolean =>
      p.cap === undefined ? p.uMm - (c[0]?.uMm ?? Infinity) <= tolMm : c[0]?.cap === p.cap;
    const cap = caps.findLast(isSame);
    if (cap) cap.push(p);
    else caps.push([p]);
  }
  return caps.map((bolts) => {
    const uMm = bolts.reduce((s, b) => s + b.uMm, 0) / bolts.length;
    // Inside a cap left and right are counted from its own middle.
    return { uMm, bolts: bolts.map((b) => ({ ...b, side: sideOf(b.uMm - uMm, SAME_MM) })) };
  });
}

/** Inside a ring of caps the other side than the last one, the left one first. */
function fromTheMiddle(caps: readonly Cap[], tolMm: number): Cap[] {
  const order: Cap[] = [];
  for (const ringOfCaps of ringsOf(caps, (c) => Math.abs(c.uMm), byFirstLabel, tolMm)) {
    const left = [...ringOfCaps];
    while (left.length > 0) {
      const last = order.at(-1);
      const side = last && sideOf(last.uMm, tolMm);
      const same = (c: Cap): number =>
        Number(side !== undefined && side !== 'centre' && sideOf(c.uMm, tolMm) === side);
      left.sort((a, b) => same(a) - same(b) || a.uMm - b.uMm || byFirstLabel(a, b));
      const taken = left.shift();
      if (taken) order.push(taken);
    }
  }
  return order;
}
