import type { Samples } from '../trace';

/** What a wrench says that hears a pull only from this sample on: its time and angle begin at 0. */
export function samplesFrom({ tS, torqueNm, angleDeg }: Samples, at: number): Samples {
  const [t0, a0] = [tS[at] ?? 0, angleDeg[at] ?? 0];
  const round = (value: number): number => Math.round(value * 1000) / 1000 + 0;
  return {
    tS: tS.slice(at).map((t) => round(t - t0)),
    torqueNm: torqueNm.slice(at),
    angleDeg: angleDeg.slice(at).map((a) => round(a - a0)),
  };
}
