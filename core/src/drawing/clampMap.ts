import type { Position } from '../joint';
import { circle, label, path, polyline, type Drawing, type Point, type Shape } from './shapes';

export interface ClampPlace {
  /** Clamp on it now and what it was pulled to, kN. */
  nowKn: number;
  pulledToKn: number;
  isNext: boolean;
  /** Place in an order of one's own. */
  ordinal?: number;
}

/** Below this share of what it was pulled to, a bolt has gone slack. */
export const SLACK_SHARE = 0.85;
const BOLT_R = 13;
const RING_R = 19;
const EDGE = 34;
/** So wide the picture is, in its own units. */
const WIDTH = 360;

/**
 * How tight each bolt is: the disc in its ring is full where it has what it was pulled to, and a
 * triangle marks those that have lost more than a little. Places in mm, y up.
 */
export function clampMap(
  places: readonly Position[],
  at: Readonly<Record<string, ClampPlace>>,
): Drawing {
  const { toBox, height } = fit(places);
  const most = Math.max(0.001, ...Object.values(at).map((p) => Math.max(p.nowKn, p.pulledToKn)));
  const shapes = places.flatMap((place): Shape[] => {
    const now = at[place.label];
    const center = toBox(place);
    const share = now ? Math.max(0, now.nowKn) / most : 0;
    const isSlack = now && now.pulledToKn > 0 && now.nowKn < SLACK_SHARE * now.pulledToKn;
    return [
      circle(center, BOLT_R, 'part', 'partEdge', 1.5),
      ...(share > 0 ? [circle(center, BOLT_R * share, isSlack ? 'warn' : 'paint')] : []),
      ...(now?.isNext ? [circle(center, RING_R, 'none', 'brand', 3)] : []),
      ...(isSlack ? [triangle({ x: center.x + BOLT_R, y: center.y + BOLT_R - 2 })] : []),
      label({ x: center.x, y: center.y - RING_R - 4 }, 14, place.label, 'ink', {
        bold: true,
        mono: true,
      }),
      ...(now?.ordinal === undefined
        ? []
        : [
            label({ x: center.x, y: center.y + RING_R + 15 }, 13, `${now.ordinal}.`, 'brand', {
              bold: true,
            }),
          ]),
    ];
  });
  return { x: 0, y: 0, width: WIDTH, height, shapes };
}

/** Which place is nearest to a point of the picture; null where none is near. */
export function clampPlaceAt(places: readonly Position[], point: Point): string | null {
  const { toBox } = fit(places);
  const far = places.map((p) => {
    const c = toBox(p);
    return { label: p.label, far: Math.hypot(c.x - point.x, c.y - point.y) };
  });
  const [nearest] = far.sort((a, b) => a.far - b.far);
  return nearest && nearest.far <= 1.6 * RING_R ? nearest.label : null;
}

function fit(places: readonly Position[]): { toBox: (p: Position) => Point; height: number } {
  const [xs, ys] = [places.map((p) => p.xMm), places.map((p) => p.yMm)];
  const [left, right, low, high] = [
    Math.min(...xs),
    Math.max(...xs),
    Math.min(...ys),
    Math.max(...ys),
  ];
  const [wide, tall] = [Math.max(1, right - left), Math.max(1, high - low)];
  const scale = Math.min((WIDTH - 2 * EDGE) / wide, 260 / tall);
  const indent = (WIDTH - wide * scale) / 2;
  return {
    toBox: (p) => ({ x: indent + (p.xMm - left) * scale, y: EDGE + (high - p.yMm) * scale }),
    height: tall * scale + 2 * EDGE,
  };
}

const triangle = ({ x, y }: Point): Shape =>
  path(
    polyline(
      [
        { x, y: y - 7 },
        { x: x + 7, y: y + 6 },
        { x: x - 7, y: y + 6 },
      ],
      true,
    ),
    'warn',
    'paper',
    1.5,
  );
