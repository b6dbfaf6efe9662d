import { shownCurve, type LookedAt } from '../trace';
import { label, path, polyline, type Drawing, type Point, type Shape } from './shapes';

const WIDTH = 420;
const HEIGHT = 150;
const LEFT = 34;
const BOTTOM = 22;
const END = 26;

/**
 * Torque over angle of all traced pulls of a stage, on paper: thin lines, and thick dashed ones
 * with their bolt at the end where something stands out. Told apart without color.
 * @param toUnit N·m into the unit of the axis
 */
export function traceCurves(
  looked: readonly LookedAt[],
  toUnit: (nm: number) => number,
  symbol: string,
): Drawing {
  const curves = looked.map((l) => ({
    id: l.id,
    isOdd: l.look !== null && l.look.is !== 'ok',
    ...shownCurve(l),
  }));
  const least = Math.min(0, ...curves.map((c) => c.angleDeg[0] ?? 0));
  const mostDeg = Math.max(1, ...curves.map((c) => c.angleDeg.at(-1) ?? 0));
  const most = Math.max(1, ...curves.flatMap((c) => c.torqueNm.map(toUnit)));
  const x = (deg: number): number =>
    LEFT + ((deg - least) / (mostDeg - least)) * (WIDTH - LEFT - END);
  const y = (torque: number): number => HEIGHT - BOTTOM - (torque / most) * (HEIGHT - BOTTOM - 10);
  const small = (at: Point, text: string, anchor: 'start' | 'middle' | 'end'): Shape =>
    label(at, 10, text, 'ink', { anchor });
  const shapes: Shape[] = [
    path(
      polyline(
        [
          { x: LEFT, y: 4 },
          { x: LEFT, y: HEIGHT - BOTTOM },
          { x: WIDTH - END, y: HEIGHT - BOTTOM },
        ],
        false,
      ),
      'none',
      'ink',
      1,
    ),
    ...[0, 0.5, 1].map((share) =>
      small({ x: LEFT - 4, y: y(most * share) + 3 }, String(Math.round(most * share)), 'end'),
    ),
    ...[least, 0, mostDeg / 2, mostDeg]
      .filter((deg, i, all) => all.indexOf(deg) === i)
      .map((deg) => small({ x: x(deg), y: HEIGHT - BOTTOM + 12 }, `${Math.round(deg)}°`, 'middle')),
    small({ x: LEFT + 4, y: 10 }, symbol, 'start'),
  ];
  for (const { id, isOdd, angleDeg, torqueNm } of curves) {
    const points = angleDeg
      .map((deg, i) => ({ x: x(deg), y: y(toUnit(torqueNm[i] ?? 0)) }))
      .filter((_, i) => i % 3 === 0 || i === angleDeg.length - 1);
    shapes.push(
      path(
        polyline(points, false),
        'none',
        'ink',
        isOdd ? 2.2 : 0.6,
        isOdd ? { dash: [5, 3] } : {},
      ),
    );
    const end = points.at(-1);
    if (isOdd && end) shapes.push(small({ x: end.x + 4, y: end.y + 3 }, id, 'start'));
  }
  return { x: 0, y: 0, width: WIDTH, height: HEIGHT, shapes };
}
