const ROUND = [1, 2, 5, 10];

/** Between two lines of a chart: the next of 1, 2, 5, 10, 20 … */
export function roundStep(least: number): number {
  const ten = 10 ** Math.floor(Math.log10(Math.max(least, 0.1)));
  return (ROUND.find((r) => r * ten >= least) ?? 10) * ten;
}
