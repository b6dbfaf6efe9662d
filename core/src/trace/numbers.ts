/** The middle value; of none, 0. */
export function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  const n = sorted.length;
  if (n === 0) return 0;
  const upper = sorted[n >> 1] ?? 0;
  return n % 2 === 1 ? upper : 0.5 * ((sorted[(n >> 1) - 1] ?? 0) + upper);
}

export const mean = (values: readonly number[]): number =>
  values.reduce((a, b) => a + b, 0) / values.length;

/** Least-squares line through x and y: its slope, and the means it goes through. */
export function line(
  x: readonly number[],
  y: readonly number[],
): { slope: number; meanX: number; meanY: number } {
  const [meanX, meanY] = [mean(x), mean(y)];
  let sxx = 0;
  let sxy = 0;
  for (const [i, xi] of x.entries()) {
    sxx += (xi - meanX) ** 2;
    sxy += (xi - meanX) * ((y[i] ?? 0) - meanY);
  }
  return { slope: sxx > 0 ? sxy / sxx : 0, meanX, meanY };
}

/** The first index from `from` on that fits, or `otherwise`. */
export function firstIndex(
  count: number,
  fits: (i: number) => boolean,
  otherwise: number,
  from = 0,
): number {
  for (let i = from; i < count; i += 1) if (fits(i)) return i;
  return otherwise;
}

/** A sliding window's smallest value, clipped at the end. */
export const lowestOf = (values: readonly number[], from: number, count: number): number =>
  Math.min(...values.slice(from, from + count));
