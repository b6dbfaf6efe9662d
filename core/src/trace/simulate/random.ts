/**
 * A stream of numbers that is the same everywhere for one seed: mulberry32, and Box–Muller with the
 * cosine half only. Made-up pulls are made with it, nothing else: it keeps no secret.
 */
export interface Random {
  /** At least 0, below 1. */
  share: () => number;
  between: (low: number, high: number) => number;
  /** Mean 0, spread 1; always two draws. */
  normal: () => number;
}

export function randomFrom(seed: number): Random {
  let a = seed >>> 0;
  const share = (): number => {
    a = (a + 0x6d2b79f5) >>> 0;
    let t = Math.imul(a ^ (a >>> 15), 1 | a);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
  return {
    share,
    between: (low, high) => low + (high - low) * share(),
    normal: () => {
      const u1 = 1 - share();
      const u2 = share();
      return Math.sqrt(-2 * Math.log(u1)) * Math.cos(2 * Math.PI * u2);
    },
  };
}
