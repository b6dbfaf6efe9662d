import { textsOf } from '../language';
import { drawings } from '../language/en/drawings';
import {
  circle,
  label,
  path,
  polar,
  polyline,
  wedge,
  type Drawing,
  type Point,
  type Shape,
} from './shapes';

const text = textsOf('drawings', drawings);

/** Squares of drives, in mm: 1/4 in and so on. */
const DRIVE_MM: Readonly<Record<string, number>> = {
  '1/4': 6.35,
  '3/8': 9.525,
  '1/2': 12.7,
  '3/4': 19.05,
  '1': 25.4,
};
/** What paper needs to slide on. */
const CLEARANCE_MM = 0.3;
const OUTER_MM = 80;
const RULER_MM = 100;
const WIDTH_MM = 198;
const HEIGHT_MM = 236;
const MIDDLE: Point = { x: WIDTH_MM / 2, y: 92 };

/**
 * A disc of paper to read an angle by, true to scale: one unit is one millimetre. It sits on the
 * drive of the bar; its zero line is set to a mark that stays. Below it two rulers: a print that is
 * not exactly their length was scaled.
 * @param anglesDeg angles of the sheet, each marked; more than a turn is marked with the turns
 * apart
 * @param drive of the bar
 */
export function angleDisc(anglesDeg: readonly number[], drive: string): Drawing {
  const side = (DRIVE_MM[drive] ?? 12.7) + CLEARANCE_MM;
  return {
    x: 0,
    y: 0,
    width: WIDTH_MM,
    height: HEIGHT_MM,
    shapes: [
      circle(MIDDLE, OUTER_MM, 'paper', 'ink', 0.5),
      ...anglesDeg.map((deg, i) =>
        path(
          wedge(MIDDLE, OUTER_MM - 22 - (i % 3) * 8, 0, deg % 360 === 0 ? 359.9 : deg % 360),
          i % 2 === 0 ? 'brandSoft' : 'none',
          'quiet',
          0.3,
        ),
      ),
      ...ticks(),
      ...anglesDeg.flatMap((deg, i) => mark(deg, i)),
      path(
        polyline([polar(MIDDLE, side, 0), polar(MIDDLE, OUTER_MM + 3, 0)], false),
        'none',
        'ink',
        0.9,
      ),
      label({ x: MIDDLE.x, y: MIDDLE.y - OUTER_MM - 4 }, 6, '0', 'ink', { bold: true, mono: true }),
      path(polyline(square(side), true), 'paper', 'ink', 0.4),
      label({ x: MIDDLE.x, y: MIDDLE.y + side / 2 + 6 }, 4, text.drive({ drive }), 'ink'),
      ...ruler({ x: 50, y: 190 }, true),
      ...ruler({ x: 30, y: 184 }, false),
    ],
  };
}

function square(side: number): Point[] {
  const h = side / 2;
  return [
    { x: MIDDLE.x - h, y: MIDDLE.y - h },
    { x: MIDDLE.x + h, y: MIDDLE.y - h },
    { x: MIDDLE.x + h, y: MIDDLE.y + h },
    { x: MIDDLE.x - h, y: MIDDLE.y + h },
  ];
}

function ticks(): Shape[] {
  return Array.from({ length: 180 }, (_, i) => i * 2).flatMap((deg) => {
    const long = deg % 30 === 0 ? 8 : deg % 10 === 0 ? 5.5 : 3;
    const line = path(
      polyline([polar(MIDDLE, OUTER_MM, deg), polar(MIDDLE, OUTER_MM - long, deg)], false),
      'none',
      'ink',
      deg % 10 === 0 ? 0.35 : 0.2,
    );
    if (deg % 30 !== 0 || deg === 0) return [line];
    const at = polar(MIDDLE, OUTER_MM - 13, deg);
    return [line, label({ x: at.x, y: at.y + 1.8 }, 5, `${deg}`, 'ink', { mono: true })];
  });
}

/** Where this angle ends, its name outside the rim; neighbors one farther out. */
function mark(deg: number, index: number): Shape[] {
  const turns = Math.floor(deg / 360);
  const words = turns > 0 ? text.turns({ count: turns, deg: `+${deg % 360}°` }) : `+${deg}°`;
  const at = polar(MIDDLE, OUTER_MM + 4 + (index % 2) * 3, deg);
  const anchor = Math.abs(at.x - MIDDLE.x) < 12 ? 'middle' : at.x > MIDDLE.x ? 'start' : 'end';
  return [
    path(
      polyline([polar(MIDDLE, 14, deg), polar(MIDDLE, OUTER_MM + 3, deg)], false),
      'none',
      'ink',
      0.8,
      { dash: [2, 1] },
    ),
    label({ x: at.x, y: at.y + 1.8 }, 5.5, words, 'ink', { bold: true, anchor }),
  ];
}

/** Ten centimetres, across or down. */
function ruler(from: Point, isAcross: boolean): Shape[] {
  const length = isAcross ? RULER_MM : 40;
  const at = (mm: number, off: number): Point =>
    isAcross ? { x: from.x + mm, y: from.y + off } : { x: from.x + off, y: from.y + mm };
  const marks = Array.from({ length: length / 5 + 1 }, (_, i) => i * 5).map((mm) =>
    path(polyline([at(mm, 0), at(mm, mm % 10 === 0 ? -5 : -3)], false), 'none', 'ink', 0.3),
  );
  const end = at(length, isAcross ? 7 : 0);
  return [
    path(polyline([at(0, 0), at(length, 0)], false), 'none', 'ink', 0.4),
    ...marks,
    label({ x: end.x, y: end.y + (isAcross ? 0 : 6) }, 4.5, `${length} mm`, 'ink', {
      anchor: isAcross ? 'end' : 'middle',
    }),
  ];
}
