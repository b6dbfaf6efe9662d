interface Point {
  deg: number;
  nm: number;
}

export const EFFORT = { width: 120, height: 56 };
/** A curve is never drawn flatter or narrower than this. */
const [LEAST_DEG, LEAST_NM] = [30, 5];

/** Effort over turn as paths of one picture: this pull, and the one before on the same scale. */
export function effortPaths(
  now: readonly Point[],
  before: readonly Point[],
): { now: string; before: string } {
  const all = [...now, ...before];
  const deg = Math.max(LEAST_DEG, ...all.map((p) => p.deg));
  const nm = Math.max(LEAST_NM, ...all.map((p) => p.nm)) * 1.08;
  const path = (points: readonly Point[]): string =>
    points
      .map(
        (p, i) =>
          `${i === 0 ? 'M' : 'L'}${((p.deg / deg) * EFFORT.width).toFixed(1)} ${(EFFORT.height - (p.nm / nm) * EFFORT.height).toFixed(1)}`,
      )
      .join('');
  return { now: path(now), before: path(before) };
}
