import { circle, label, path, polyline, type Drawing, type Point, type Shape } from './shapes';

const WIDTH = 300;
/** Above the highest thing drawn, and below the axis for the measures. */
const ABOVE = 16;
const BELOW = 52;

/**
 * A wrench with an adapter from above: the handle lies to the left, the drive square in the middle,
 * the bolt at the end of the adapter. L and E are drawn to one scale.
 * @param angleDeg 0 straight ahead, 90 square to the handle
 */
export function adapterTop(lengthMm: number, offsetMm: number, angleDeg: number): Drawing {
  const scale = Math.min(200 / lengthMm, 90 / offsetMm, 200 / (lengthMm + offsetMm));
  const rad = (angleDeg * Math.PI) / 180;
  const grip: Point = { x: 16, y: ABOVE + Math.max(12, offsetMm * scale * Math.sin(rad) + 12) };
  const drive: Point = { x: grip.x + lengthMm * scale, y: grip.y };
  const bolt: Point = {
    x: drive.x + offsetMm * scale * Math.cos(rad),
    y: drive.y - offsetMm * scale * Math.sin(rad),
  };
  return {
    x: 0,
    y: 0,
    width: WIDTH,
    height: grip.y + BELOW,
    shapes: [
      bar(grip, drive, 9, 'head'),
      bar(drive, bolt, 13, 'part'),
      circle(bolt, 11, 'head', 'headEdge', 2),
      path(polyline(hexagon(bolt, 7), true), 'paper', 'headEdge', 1.5),
      path(polyline(around(drive, 5), true), 'paper', 'headEdge', 1.5),
      circle(grip, 5, 'brand'),
      ...measure(grip, drive, grip.y, 26, `L ${Math.round(lengthMm)}`),
      ...measure(drive, bolt, grip.y, angleDeg > 100 ? 44 : 26, `E ${Math.round(offsetMm)}`),
    ],
  };
}

function bar(a: Point, b: Point, thick: number, fill: 'head' | 'part'): Shape {
  const length = Math.hypot(b.x - a.x, b.y - a.y) || 1;
  const [nx, ny] = [((a.y - b.y) / length) * (thick / 2), ((b.x - a.x) / length) * (thick / 2)];
  const corners = [
    { x: a.x + nx, y: a.y + ny },
    { x: b.x + nx, y: b.y + ny },
    { x: b.x - nx, y: b.y - ny },
    { x: a.x - nx, y: a.y - ny },
  ];
  return path(polyline(corners, true), fill, 'headEdge', 1.5);
}

const around = ({ x, y }: Point, h: number): Point[] => [
  { x: x - h, y: y - h },
  { x: x + h, y: y - h },
  { x: x + h, y: y + h },
  { x: x - h, y: y + h },
];
const hexagon = ({ x, y }: Point, r: number): Point[] =>
  Array.from({ length: 6 }, (_, i) => ({
    x: x + r * Math.cos((i * Math.PI) / 3),
    y: y + r * Math.sin((i * Math.PI) / 3),
  }));

/** A line of measure below the two points, in millimetres. */
function measure(a: Point, b: Point, axisY: number, below: number, words: string): Shape[] {
  const y = axisY + below;
  const [left, right] = a.x < b.x ? [a, b] : [b, a];
  const middle = (left.x + right.x) / 2;
  return [
    path(
      polyline(
        [
          { x: left.x, y },
          { x: right.x, y },
        ],
        false,
      ),
      'none',
      'quiet',
      1,
    ),
    label(
      { x: Math.abs(right.x - left.x) < 40 ? right.x + 4 : middle, y: y - 4 },
      13,
      words,
      'ink',
      { anchor: Math.abs(right.x - left.x) < 40 ? 'start' : 'middle', bold: true },
    ),
  ];
}
