import { AppError } from '../errors';
import { centreOut } from './centreOut';
import { crossIndices, ring, starIndices, thirdsIndices, type CircleOptions } from './circle';
import { placeAll, SAME_MM, type Placed } from './frame';
import { pairs } from './pairs';
import type { Position } from './pattern';
import { spiral } from './spiral';

export type OrderRule =
  'centreOut' | 'spiral' | 'star' | 'cross' | 'thirds' | 'alternating' | 'ring' | 'pairs';

/**
 * The labels of a pattern in a named order, computed from where they lie. Input order never
 * matters.
 * @throws AppError SHEET_INVALID where the count does not allow the rule
 */
export function orderByRule(
  rule: OrderRule,
  positions: readonly Position[],
  options: CircleOptions = {},
): string[] {
  const round = (indicesOf: (n: number) => number[]): string[] => {
    const circle = ring(positions, options);
    return indicesOf(circle.length).map((i) => circle[i] ?? '');
  };
  switch (rule) {
    case 'centreOut':
      return centreOut(positions);
    case 'spiral':
      return spiral(positions);
    case 'pairs':
      return pairs(positions);
    case 'alternating':
      return alternating(positions);
    case 'ring':
      return ring(positions, options);
    case 'star':
      return round(starIndices);
    case 'cross':
      return round(crossIndices);
    case 'thirds':
      return round(thirdsIndices);
  }
}

/** From one end (the left), the sides in turn; the top first. */
function alternating(positions: readonly Position[]): string[] {
  const along = (row: (p: Placed) => boolean): string[] =>
    placeAll(positions, SAME_MM)
      .filter(row)
      .sort((a, b) => a.uMm - b.uMm)
      .map((p) => p.label);
  const [top, bottom] = [along((p) => p.row !== 'bottom'), along((p) => p.row === 'bottom')];
  if (Math.abs(top.length - bottom.length) > 1)
    throw new AppError('SHEET_INVALID', { where: 'order: alternating needs two even sides' });
  const [first, second] = top.length >= bottom.length ? [top, bottom] : [bottom, top];
  return first.flatMap((label, i) => [label, ...(second[i] === undefined ? [] : [second[i]])]);
}
