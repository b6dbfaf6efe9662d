import { compoundText, type Compound, type Group } from '../procedure';
import { label, path, polyline, type Drawing, type Point, type Shape } from './shapes';

const HEIGHT = 66;
const AXIS_Y = 44;
const LENGTH = 150;
const LEFT = 8;
const LETTER = 9;

/**
 * Where each place lies along the fastener, from the head's top, in units of the drawing: from, to,
 * half its thickness.
 */
interface Zone {
  from: number;
  to: number;
  half: number;
}

/**
 * A fastener from the side, head to the left, each compound hatched at its place and lettered; what
 * the letters mean stands in `words`. Not to scale but for the share of its length that is coated.
 * @returns a drawing 210 units wide; y runs down
 */
export function fastenerSide(group: Group): { drawing: Drawing; words: string[] } {
  const isNut = group.head === 'nut';
  const half = 9;
  const head = { from: LEFT, to: LEFT + 14, half: isNut ? 17 : 16 };
  const tip = head.to + LENGTH;
  const threadFrom = isNut ? head.to : tip - LENGTH * 0.45;
  const shapes: Shape[] = [
    box({ from: head.from, to: head.to, half: head.half }, 'head', 'headEdge'),
    box({ from: head.to, to: head.to + 4, half: 19 }, 'part', 'headEdge'),
    box({ from: head.to + 4, to: tip, half }, 'head', 'headEdge'),
    ...threads(threadFrom, tip, half),
  ];
  const words: string[] = [];
  for (const [i, compound] of group.compounds.entries()) {
    const zone = zoneOf(compound, {
      head: head.to,
      threadFrom,
      tip,
      half,
      lengthMm: group.lengthMm,
    });
    const letter = String.fromCharCode(65 + i);
    shapes.push(
      ...hatch(zone, i),
      label(
        { x: (zone.from + zone.to) / 2, y: AXIS_Y - zone.half - 5 - (i % 2) * LETTER },
        LETTER,
        letter,
        'ink',
        { bold: true, mono: true },
      ),
    );
    words.push(`${letter} ${compoundText(compound)}`);
  }
  return { drawing: { x: 0, y: 0, width: tip + LEFT, height: HEIGHT, shapes }, words };
}

function zoneOf(
  { place, lengthMm: coated }: Compound,
  at: { head: number; threadFrom: number; tip: number; half: number; lengthMm: number | undefined },
): Zone {
  switch (place) {
    case 'under head':
      return { from: at.head - 3, to: at.head, half: 16 };
    case 'washer faces':
      return { from: at.head, to: at.head + 4, half: 19 };
    case 'threads': {
      const share = coated && at.lengthMm ? Math.min(1, coated / at.lengthMm) : null;
      return { from: share ? at.tip - LENGTH * share : at.threadFrom, to: at.tip, half: at.half };
    }
    default:
      // On the part, not on the fastener: beside its shank.
      return { from: at.head + 10, to: at.head + 40, half: at.half + 4 };
  }
}

const box = ({ from, to, half }: Zone, fill: 'head' | 'part', stroke: 'headEdge'): Shape =>
  path(polyline(corners({ from, to, half }), true), fill, stroke, 1.2);
const corners = ({ from, to, half }: Zone): Point[] => [
  { x: from, y: AXIS_Y - half },
  { x: to, y: AXIS_Y - half },
  { x: to, y: AXIS_Y + half },
  { x: from, y: AXIS_Y + half },
];

function threads(from: number, to: number, half: number): Shape[] {
  const count = Math.floor((to - from) / 5);
  return Array.from({ length: count }, (_, i) => {
    const x = from + 2 + i * 5;
    return path(
      polyline(
        [
          { x, y: AXIS_Y - half },
          { x: x + 2, y: AXIS_Y + half },
        ],
        false,
      ),
      'none',
      'headEdge',
      0.6,
    );
  });
}

/**
 * Strokes across a zone, leaning one way or the other, so that two compounds on one place are told
 * apart.
 */
function hatch(zone: Zone, index: number): Shape[] {
  const step = 4;
  const lean = index % 2 === 0 ? 1 : -1;
  const shapes: Shape[] = [path(polyline(corners(zone), true), 'none', 'ink', 1.4)];
  const high = 2 * zone.half;
  for (let c = zone.from - high; c < zone.to; c += step) {
    // The line x = c + t, y = t from the top, cut to the zone.
    const [t0, t1] = [Math.max(0, zone.from - c), Math.min(high, zone.to - c)];
    if (t1 <= t0) continue;
    const y = (t: number): number => AXIS_Y - zone.half + (lean === 1 ? t : high - t);
    shapes.push(
      path(
        polyline(
          [
            { x: c + t0, y: y(t0) },
            { x: c + t1, y: y(t1) },
          ],
          false,
        ),
        'none',
        'ink',
        1,
      ),
    );
  }
  return shapes;
}
