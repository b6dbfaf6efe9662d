import type { RunState } from './state';

/**
 * A sitting is no run: it shows which of the runs of a joint that occurs several times is in hand.
 */
export type SittingNext =
  | { kind: 'run'; instance: string }
  | { kind: 'turnCrank'; toDeg: number; forInstances: readonly string[] }
  | { kind: 'paused'; instances: readonly string[] }
  | { kind: 'done' };

/**
 * What occurs several times: which of them, which belong together, where the crank stands for each.
 */
interface Occurring {
  instances?:
    | {
        labels: readonly string[];
        pairs?: readonly (readonly [string, string])[] | undefined;
        crankDeg?: Readonly<Record<string, number>> | undefined;
      }
    | null
    | undefined;
}

/** Instances that are led as one sitting: a companion pair, or one alone. */
export function sittings({ instances }: Occurring): readonly (readonly string[])[] {
  const { labels, pairs } = instances ?? { labels: [], pairs: undefined };
  if (!pairs) return labels.map((l) => [l]);
  const paired = new Set(pairs.flat());
  return [...pairs, ...labels.filter((l) => !paired.has(l)).map((l) => [l])];
}

/**
 * Which run is next, and what the crank must do. A paused run is skipped; with nothing but paused
 * ones left, they are named.
 * @param runs by instance, those that exist
 * @param crankDeg where the crank stands, in degrees after the first instance's position; null
 * where it does not matter
 */
export function nextInSitting(
  sheet: Occurring,
  runs: Readonly<Record<string, Pick<RunState, 'status'>>>,
  crankDeg: number | null,
): SittingNext {
  const paused: string[] = [];
  for (const sitting of sittings(sheet)) {
    const open = sitting.filter((i) => runs[i]?.status !== 'finished');
    const ready = open.find((i) => runs[i]?.status !== 'paused');
    paused.push(...open.filter((i) => runs[i]?.status === 'paused'));
    if (ready === undefined) continue;
    const wanted = sheet.instances?.crankDeg?.[ready];
    if (wanted !== undefined && crankDeg !== null && !sameAngle(wanted, crankDeg))
      return { kind: 'turnCrank', toDeg: wanted, forInstances: sitting };
    return { kind: 'run', instance: ready };
  }
  return paused.length > 0 ? { kind: 'paused', instances: paused } : { kind: 'done' };
}

const sameAngle = (a: number, b: number): boolean =>
  Math.abs(((((a - b) % 360) + 540) % 360) - 180) < 1e-6;
