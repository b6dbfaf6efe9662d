import type { Group } from '../procedure';
import { circle, path, polar, polyline, type Point, type Shape } from './shapes';

export type Head = Group['head'];

/**
 * A fastener's head from above, as what it is, turned clockwise by so many degrees.
 * @param radius of the circle round its corners
 */
export function fastenerHead(
  head: Head,
  centre: Point,
  radius: number,
  turnedDeg: number,
): Shape[] {
  const edge = radius * 0.1;
  if (head === 'hex' || head === 'nut') {
    const inner =
      head === 'nut'
        ? circle(centre, radius * 0.5, 'paper', 'headEdge', edge)
        : circle(centre, radius * 0.56, 'none', 'headEdge', edge * 0.7);
    return [
      path(polyline(corners(centre, radius, 6, turnedDeg + 30), true), 'head', 'headEdge', edge),
      inner,
    ];
  }
  if (head === '12-point') {
    return [
      path(
        polyline(star(centre, radius, radius * 0.86, 12, turnedDeg), true),
        'head',
        'headEdge',
        edge,
      ),
      circle(centre, radius * 0.5, 'none', 'headEdge', edge * 0.7),
    ];
  }
  if (head === 'E-profile')
    return [
      path(
        polyline(star(centre, radius, radius * 0.72, 6, turnedDeg), true),
        'head',
        'headEdge',
        edge,
      ),
    ];
  const recess =
    head === '6-lobe'
      ? polyline(star(centre, radius * 0.58, radius * 0.42, 6, turnedDeg), true)
      : polyline(corners(centre, radius * 0.55, 6, turnedDeg + 30), true);
  return [
    circle(centre, radius * 0.96, 'head', 'headEdge', edge),
    path(recess, 'paper', 'headEdge', edge),
  ];
}

function corners(centre: Point, radius: number, n: number, fromDeg: number): Point[] {
  return Array.from({ length: n }, (_, i) => polar(centre, radius, fromDeg + (360 / n) * i));
}

function star(centre: Point, outer: number, inner: number, n: number, fromDeg: number): Point[] {
  return Array.from({ length: 2 * n }, (_, i) =>
    polar(centre, i % 2 ? inner : outer, fromDeg + (180 / n) * i),
  );
}
