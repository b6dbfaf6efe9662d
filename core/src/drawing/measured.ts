import type { MeasureKindId, Verdict } from '../measure';
import {
  circle,
  label,
  path,
  polar,
  polyline,
  type Drawing,
  type Point,
  type Shape,
} from './shapes';

/**
 * One row of a measurement as it is drawn: its value in mm once it is measured, and what it came
 * to.
 */
export interface DrawnRow {
  row: string;
  mm: number | null;
  verdict: Verdict | null;
}
/** Where a row lies in the drawing, to be tapped. */
export interface MeasuredPlace extends Point {
  row: number;
}

const WIDTH = 320;
const HEIGHT = 170;
const PAD = 26;

/**
 * What is measured, with the places on it: a face under its straight-edge lines, a circle under the
 * dial, or columns against their limits. On a face the ring round a place grows with its gap, so
 * that the lines make a map of it. Hollow: not measured. Dot: measured. Ring: now. Bar across:
 * marginal. Cross: not within its limit.
 * @param current the row in hand, or −1
 * @param limits in mm, drawn across columns
 */
export function measuredDrawing(
  kind: MeasureKindId,
  rows: readonly DrawnRow[],
  current: number,
  limits: { min?: number; max?: number },
): { drawing: Drawing; places: MeasuredPlace[] } {
  const { shapes, places } =
    kind === 'flatness'
      ? face(rows, limits.max)
      : kind === 'runOut'
        ? dial(rows)
        : columns(rows, limits);
  const marks = places.flatMap((p) => mark(p, rows[p.row], p.row === current));
  return {
    drawing: { x: 0, y: 0, width: WIDTH, height: HEIGHT, shapes: [...shapes, ...marks] },
    places,
  };
}

interface Laid {
  shapes: Shape[];
  places: MeasuredPlace[];
}

/** Straight-edge lines; the diagonals are drawn apart, so that their middles can be tapped. */
const ENDS: Record<string, readonly [Point, Point]> = {
  'long A': [
    { x: PAD + 12, y: PAD + 14 },
    { x: WIDTH - PAD - 12, y: PAD + 14 },
  ],
  'long B': [
    { x: PAD + 12, y: HEIGHT - PAD - 14 },
    { x: WIDTH - PAD - 12, y: HEIGHT - PAD - 14 },
  ],
  'diagonal 1': [
    { x: PAD + 10, y: PAD + 38 },
    { x: WIDTH - PAD - 58, y: HEIGHT - PAD - 38 },
  ],
  'diagonal 2': [
    { x: PAD + 58, y: HEIGHT - PAD - 38 },
    { x: WIDTH - PAD - 10, y: PAD + 38 },
  ],
};

/** Rings round the places: as wide as this at the limit, or at the widest gap beyond it. */
const WIDEST_RING = 22;

function face(rows: readonly DrawnRow[], limit: number | undefined): Laid {
  const widest = Math.max(limit ?? 0, ...rows.map((r) => r.mm ?? 0));
  const names = [...new Set(rows.map((r) => r.row))];
  const shapes: Shape[] = [
    path(
      polyline(corners(PAD / 2, PAD / 2, WIDTH - PAD / 2, HEIGHT - PAD / 2), true),
      'part',
      'partEdge',
      2,
    ),
  ];
  const places: MeasuredPlace[] = [];
  for (const [i, name] of names.entries()) {
    const x = PAD + ((i + 1) * (WIDTH - 2 * PAD)) / (names.length + 1);
    const [a, b] = ENDS[name] ?? [
      { x, y: PAD },
      { x, y: HEIGHT - PAD },
    ];
    shapes.push(path(polyline([a, b], false), 'none', 'quiet', 1.5, { dash: [5, 4] }));
    const own = rows.flatMap((r, at) => (r.row === name ? [at] : []));
    for (const [k, row] of own.entries()) {
      const share = own.length === 1 ? 0.5 : k / (own.length - 1);
      const at = { x: a.x + (b.x - a.x) * share, y: a.y + (b.y - a.y) * share };
      const mm = rows[row]?.mm ?? null;
      if (mm !== null && mm > 0 && widest > 0)
        shapes.push(circle(at, 6 + (mm / widest) * (WIDEST_RING - 6), 'none', 'ink', 1.5));
      places.push({ row, ...at });
    }
  }
  return { shapes, places };
}

/** The dial's swing round the part, drawn far larger than it is. */
function dial(rows: readonly DrawnRow[]): Laid {
  const middle = { x: WIDTH / 2, y: HEIGHT / 2 };
  const radius = 56;
  const values = rows.map((r) => r.mm ?? 0);
  const most = Math.max(1e-6, ...values.map(Math.abs));
  const places = rows.map((_r, row): MeasuredPlace => ({
    row,
    ...polar(middle, radius + ((values[row] ?? 0) / most) * 14, (row * 360) / rows.length),
  }));
  const around = polyline(places, true);
  return {
    shapes: [
      circle(middle, radius, 'part', 'partEdge', 2),
      path(around, 'none', 'quiet', 1.5),
      circle(middle, 4, 'quiet'),
    ],
    places,
  };
}

function columns(rows: readonly DrawnRow[], { min, max }: { min?: number; max?: number }): Laid {
  const values = rows.flatMap((r) => (r.mm === null ? [] : [r.mm]));
  const ends = [
    ...values,
    ...(min === undefined ? [] : [min]),
    ...(max === undefined ? [] : [max]),
  ];
  // Lengths differ by tenths on a hundred: what is drawn begins near the least of them.
  const [least, most] = [Math.min(0, ...ends), Math.max(1e-6, ...ends)];
  const from =
    values.length > 1 && Math.min(...ends) > 0.5 * most
      ? Math.min(...ends) - (most - Math.min(...ends)) * 0.5 - 1e-6
      : least;
  const y = (mm: number): number =>
    HEIGHT - PAD - ((mm - from) / (most - from)) * (HEIGHT - 2 * PAD - 8);
  const step = (WIDTH - 2 * PAD) / Math.max(1, rows.length);
  const shapes: Shape[] = [
    path(
      polyline(
        [
          { x: PAD, y: y(Math.max(from, 0)) },
          { x: WIDTH - PAD, y: y(Math.max(from, 0)) },
        ],
        false,
      ),
      'none',
      'partEdge',
      1.5,
    ),
  ];
  const places: MeasuredPlace[] = [];
  for (const [i, r] of rows.entries()) {
    const x = PAD + (i + 0.5) * step;
    const top = r.mm === null ? y(Math.max(from, 0)) : y(r.mm);
    if (r.mm !== null)
      shapes.push(
        path(
          polyline(
            corners(
              x - Math.min(12, step / 3),
              top,
              x + Math.min(12, step / 3),
              y(Math.max(from, 0)),
            ),
            true,
          ),
          'head',
          'headEdge',
          1.2,
        ),
      );
    shapes.push(label({ x, y: HEIGHT - 8 }, rows.length > 8 ? 9 : 11, r.row.slice(0, 8), 'ink'));
    places.push({ row: i, x, y: top - 10 });
  }
  shapes.push(...limitLine(min, 'min', y), ...limitLine(max, 'max', y));
  return { shapes, places };
}

function limitLine(value: number | undefined, words: string, y: (mm: number) => number): Shape[] {
  if (value === undefined) return [];
  const line = polyline(
    [
      { x: PAD, y: y(value) },
      { x: WIDTH - PAD, y: y(value) },
    ],
    false,
  );
  return [
    path(line, 'none', 'ink', 1.4, { dash: [6, 4] }),
    label({ x: WIDTH - PAD + 3, y: y(value) + 4 }, 10, words, 'ink', { anchor: 'start' }),
  ];
}

function mark(at: MeasuredPlace, row: DrawnRow | undefined, isCurrent: boolean): Shape[] {
  const isMeasured = row?.mm !== null && row !== undefined;
  const shapes: Shape[] = [circle(at, 6, isMeasured ? 'ink' : 'paper', 'ink', 2)];
  if (row?.verdict === 'fail') {
    for (const s of [1, -1])
      shapes.push(
        path(
          polyline(
            [
              { x: at.x - 9, y: at.y - 9 * s },
              { x: at.x + 9, y: at.y + 9 * s },
            ],
            false,
          ),
          'none',
          'warn',
          3,
        ),
      );
  }
  if (row?.verdict === 'marginal')
    shapes.push(
      path(
        polyline(
          [
            { x: at.x - 12, y: at.y },
            { x: at.x + 12, y: at.y },
          ],
          false,
        ),
        'none',
        'warn',
        3,
      ),
    );
  if (isCurrent) shapes.push(circle(at, 12, 'none', 'brand', 3));
  return shapes;
}

const corners = (x0: number, y0: number, x1: number, y1: number): Point[] => [
  { x: x0, y: y0 },
  { x: x1, y: y0 },
  { x: x1, y: y1 },
  { x: x0, y: y1 },
];
