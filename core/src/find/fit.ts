/** How well a word of a sheet answers a typed one. Defined here. */
export const FITS = { whole: 1, begins: 0.8, near: 0.6 } as const;

/** Fewer sheets have it, more it says: logarithm of the share, at least a little. */
export const rarity = (sheets: number, of: number): number =>
  Math.log(1 + of / Math.max(1, sheets));

/**
 * Whether two words are one slip apart: a letter left out, put in, changed, or two neighbors
 * changed over.
 */
export function isNear(a: string, b: string): boolean {
  if (a === b) return true;
  if (Math.abs(a.length - b.length) > 1) return false;
  let i = 0;
  while (i < Math.min(a.length, b.length) && a[i] === b[i]) i += 1;
  const [x, y] = [a.slice(i), b.slice(i)];
  if (x.slice(1) === y || x === y.slice(1) || x.slice(1) === y.slice(1)) return true;
  return x.length > 1 && x[0] === y[1] && x[1] === y[0] && x.slice(2) === y.slice(2);
}
