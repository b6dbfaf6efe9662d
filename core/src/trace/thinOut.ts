import type { Samples } from './trace';

/**
 * Leaves out samples that lie nearest to the straight line between their neighbors, until `count`
 * are left: what bends stays. Torque and angle are weighed by their own ranges. Source:
 * Ramer–Douglas–Peucker, cut by count instead of by distance.
 */
export function thinOut({ tS, torqueNm, angleDeg }: Samples, count: number): Samples {
  const n = tS.length;
  if (n <= count) return { tS, torqueNm, angleDeg };
  const range = (values: readonly number[]): number =>
    Math.max(...values) - Math.min(...values) || 1;
  const [torqueRange, angleRange] = [range(torqueNm), range(angleDeg)];
  const worst = (from: number, to: number): { at: number; off: number } => {
    let found = { at: -1, off: -1 };
    for (let i = from + 1; i < to; i += 1) {
      const f = ((tS[i] ?? 0) - (tS[from] ?? 0)) / ((tS[to] ?? 0) - (tS[from] ?? 0));
      const away = (v: readonly number[], r: number): number =>
        Math.abs((v[i] ?? 0) - (v[from] ?? 0) - f * ((v[to] ?? 0) - (v[from] ?? 0))) / r;
      const off = Math.max(away(torqueNm, torqueRange), away(angleDeg, angleRange));
      if (off > found.off) found = { at: i, off };
    }
    return found;
  };
  const kept = [0, n - 1];
  const pieces = [{ from: 0, to: n - 1, ...worst(0, n - 1) }];
  while (kept.length < count) {
    const next = pieces.reduce((best, p, i) => (p.off > (pieces[best]?.off ?? -1) ? i : best), 0);
    const [piece] = pieces.splice(next, 1);
    if (!piece || piece.at < 0) break;
    kept.push(piece.at);
    pieces.push(
      { from: piece.from, to: piece.at, ...worst(piece.from, piece.at) },
      { from: piece.at, to: piece.to, ...worst(piece.at, piece.to) },
    );
  }
  kept.sort((a, b) => a - b);
  const take = (values: readonly number[]): number[] => kept.map((i) => values[i] ?? 0);
  return { tS: take(tS), torqueNm: take(torqueNm), angleDeg: take(angleDeg) };
}
