import { fastenerHead, type Head } from './fastenerHead';
import { circle, path, polar, polyline, wedge, type Drawing, type Shape } from './shapes';

const R = 84;

/**
 * The angle to turn, true to scale, on a dial of twelve: from where the handle stands (dotted) to
 * where it ends.
 * @param startDeg where the handle stands, clockwise from up; the app does not know it and lets it
 * be dragged
 */
export function turnDial(angleDeg: number, startDeg: number, head: Head): Drawing {
  const centre = { x: 100, y: 100 };
  const ticks: Shape[] = Array.from({ length: 12 }, (_, i) => {
    const long = i % 3 === 0;
    return path(
      polyline([polar(centre, R, i * 30), polar(centre, R - (long ? 14 : 8), i * 30)], false),
      'none',
      'quiet',
      long ? 4 : 2.5,
    );
  });
  const end = startDeg + angleDeg;
  return {
    x: 0,
    y: 0,
    width: 200,
    height: 200,
    shapes: [
      circle(centre, R, 'paper', 'partEdge', 3),
      ...ticks,
      path(wedge(centre, R - 20, startDeg, end), 'brandSoft'),
      path(polyline([centre, polar(centre, R - 6, startDeg)], false), 'none', 'quiet', 5, {
        dash: [1, 9],
        round: true,
      }),
      path(polyline([centre, polar(centre, R + 6, end)], false), 'none', 'brand', 9, {
        round: true,
      }),
      ...fastenerHead(head, centre, 22, startDeg),
    ],
  };
}

/**
 * An angle in flats of a hexagon, to the nearest quarter: what a hand counts.
 * @returns `off`: how much the angle is more (positive) or less than that, in degrees; no one
 * rounds it in silence
 */
export function flatsOf(angleDeg: number): { whole: number; quarters: number; off: number } {
  const quarters = Math.round(angleDeg / 15);
  return { whole: Math.floor(quarters / 4), quarters: quarters % 4, off: angleDeg - quarters * 15 };
}

/**
 * Where a stripe stands, seen from above: dotted where it was painted, gray where it stood before
 * this stage, and where it stands when this stage is done.
 * @param beforeDeg all that was turned before this stage, since it was painted
 */
export function stripeDial(beforeDeg: number, targetDeg: number, head: Head): Drawing {
  const dial = turnDial(targetDeg, beforeDeg, head);
  const centre = { x: 100, y: 100 };
  const painted = path(
    polyline([polar(centre, R + 2, 0), polar(centre, R - 24, 0)], false),
    'none',
    'ink',
    5,
    { round: true },
  );
  return { ...dial, shapes: [...dial.shapes, painted] };
}
