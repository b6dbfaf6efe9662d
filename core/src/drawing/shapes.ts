/** Colors by what they mean; the theme or the printer says which color that is. */
export type Ink =
  | 'none'
  | 'part'
  | 'partEdge'
  | 'opening'
  | 'head'
  | 'headEdge'
  | 'paint'
  | 'brand'
  | 'brandSoft'
  | 'ink'
  | 'quiet'
  | 'paper'
  | 'warn';

interface Style {
  fill: Ink;
  stroke: Ink;
  width: number;
}
export interface Words {
  kind: 'text';
  x: number;
  y: number;
  size: number;
  text: string;
  ink: Ink;
  anchor: 'start' | 'middle' | 'end';
  bold: boolean;
  mono: boolean;
}
export type Shape =
  | ({ kind: 'path'; d: string; dash?: readonly number[]; round?: boolean } & Style)
  | ({ kind: 'circle'; x: number; y: number; r: number } & Style)
  | Words;

/**
 * Plain primitives in a box; y runs down as on screens and paper. The same on screen, thumbnail and
 * record.
 */
export interface Drawing {
  x: number;
  y: number;
  width: number;
  height: number;
  shapes: readonly Shape[];
}

export interface Point {
  x: number;
  y: number;
}

const round = (value: number): number => Math.round(value * 100) / 100;

/** A point at an angle clockwise from straight up. */
export function polar(centre: Point, radius: number, clockwiseDeg: number): Point {
  const a = (clockwiseDeg * Math.PI) / 180;
  return { x: centre.x + radius * Math.sin(a), y: centre.y - radius * Math.cos(a) };
}

export function polyline(points: readonly Point[], closed: boolean): string {
  const d = points.map((p, i) => `${i === 0 ? 'M' : 'L'}${round(p.x)} ${round(p.y)}`).join('');
  return closed ? `${d}Z` : d;
}

/** A wedge from one angle to another, clockwise from straight up. */
export function wedge(centre: Point, radius: number, fromDeg: number, toDeg: number): string {
  const sweep = Math.max(-359.9, Math.min(359.9, toDeg - fromDeg));
  const a = polar(centre, radius, fromDeg);
  const b = polar(centre, radius, fromDeg + sweep);
  const large = Math.abs(sweep) > 180 ? 1 : 0;
  return `M${round(centre.x)} ${round(centre.y)}L${round(a.x)} ${round(a.y)}A${radius} ${radius} 0 ${large} ${sweep >= 0 ? 1 : 0} ${round(b.x)} ${round(b.y)}Z`;
}

export const path = (
  d: string,
  fill: Ink,
  stroke: Ink = 'none',
  width = 0,
  extra: { dash?: readonly number[]; round?: boolean } = {},
): Shape => ({
  kind: 'path',
  d,
  fill,
  stroke,
  width,
  ...extra,
});
export const circle = (
  at: Point,
  r: number,
  fill: Ink,
  stroke: Ink = 'none',
  width = 0,
): Shape => ({
  kind: 'circle',
  x: at.x,
  y: at.y,
  r,
  fill,
  stroke,
  width,
});
export const label = (
  at: Point,
  size: number,
  text: string,
  ink: Ink,
  options: { anchor?: 'start' | 'middle' | 'end'; bold?: boolean; mono?: boolean } = {},
): Words => ({
  kind: 'text',
  x: at.x,
  y: at.y,
  size,
  text,
  ink,
  anchor: options.anchor ?? 'middle',
  bold: options.bold ?? false,
  mono: options.mono ?? false,
});
