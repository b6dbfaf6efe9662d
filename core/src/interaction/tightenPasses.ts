import { BoltedJoint, complianceOf, type BoltFriction, type JointBolt } from './boltedJoint';
import type { Square } from './flexibility';

export interface Pass {
  mode: 'torque' | 'angle';
  /** N·m or degrees. */
  value: number;
  order: readonly number[];
}
export interface PassPull {
  bolt: number;
  turnedDeg: number;
  /** Clamp on every bolt afterwards, N. */
  forces: number[];
}
export interface PassDone {
  pulls: PassPull[];
  mostTurnedDeg: number;
  /** In a torque pass no nut turned more than the limit. */
  isSettled: boolean;
  forces: number[];
}

/** About as exactly as a hand wrench tells a turn. */
export const SETTLED_DEG = 3;

/** Everything that a joint goes through, pull for pull. */
export function tightenPasses(
  flexibility: Square,
  bolt: JointBolt,
  friction: BoltFriction,
  passes: readonly Pass[],
  { breakaway = 1, settledDeg = SETTLED_DEG }: { breakaway?: number; settledDeg?: number } = {},
): { passes: PassDone[]; settledAt: number | null; pivots: number } {
  const joint = new BoltedJoint(complianceOf(flexibility, bolt), bolt, friction);
  const done = passes.map(({ mode, value, order }): PassDone => {
    const pulls = order.map((i): PassPull => {
      const turnedDeg =
        mode === 'torque' ? joint.pullTorque(i, value, breakaway) : joint.pullAngle(i, value);
      return { bolt: i, turnedDeg, forces: joint.forces() };
    });
    const mostTurnedDeg = Math.max(...pulls.map((p) => p.turnedDeg));
    const isSettled = mode === 'torque' && mostTurnedDeg <= settledDeg;
    return { pulls, mostTurnedDeg, isSettled, forces: joint.forces() };
  });
  const at = done.findIndex((p) => p.isSettled);
  return { passes: done, settledAt: at < 0 ? null : at + 1, pivots: joint.pivots };
}

export interface Spread {
  minN: number;
  maxN: number;
  meanN: number;
  /** Standard deviation of these bolts over their mean. */
  cov: number;
}

export function spreadOf(forces: readonly number[]): Spread {
  const meanN = forces.reduce((a, b) => a + b, 0) / forces.length;
  const variance = forces.reduce((sum, f) => sum + (f - meanN) ** 2, 0) / forces.length;
  return {
    minN: Math.min(...forces),
    maxN: Math.max(...forces),
    meanN,
    cov: meanN === 0 ? 0 : Math.sqrt(variance) / meanN,
  };
}

export interface OrderOutcome {
  /** After the first pass at full torque. */
  spread: Spread;
  worst: number;
  /** How unevenly the joint closed at its worst moment until then, mm. */
  unevenMm: number;
  /** Where it is below 0, the flange would lift off, mm. */
  leastMm: number;
  /** Passes until nothing turns any more, that one included; null: not within the limit. */
  passesUntilSettled: number | null;
  /** Once it has settled. */
  settled: Spread | null;
}

const MOST_PASSES = 30;

/**
 * What one order does, in stages up to the full torque and then repeated until nothing turns.
 * @param shares of the full torque, the last is 1
 */
export function orderOutcome(
  flexibility: Square,
  bolt: JointBolt,
  friction: BoltFriction,
  torqueNm: number,
  order: readonly number[],
  shares: readonly number[] = [1],
): OrderOutcome {
  const joint = new BoltedJoint(complianceOf(flexibility, bolt), bolt, friction);
  let [unevenMm, leastMm] = [0, Infinity];
  let first: number[] | null = null;
  for (let pass = 1; pass <= MOST_PASSES; pass += 1) {
    const share = shares[pass - 1] ?? 1;
    let most = 0;
    for (const i of order) {
      most = Math.max(most, joint.pullTorque(i, torqueNm * share));
      if (first) continue;
      const closed = closure(flexibility, joint.forces());
      unevenMm = Math.max(unevenMm, Math.max(...closed) - Math.min(...closed));
      leastMm = Math.min(leastMm, ...closed);
    }
    const isFull = pass >= shares.length;
    if (isFull) first ??= joint.forces();
    if (isFull && most <= SETTLED_DEG)
      return { ...of(first ?? []), passesUntilSettled: pass, settled: spreadOf(joint.forces()) };
  }
  return { ...of(first ?? []), passesUntilSettled: null, settled: null };

  function of(forces: readonly number[]) {
    const spread = spreadOf(forces);
    return { spread, worst: forces.indexOf(spread.minN), unevenMm, leastMm };
  }
}

/** How far the flange has come down at each bolt, mm. */
function closure({ size, at }: Square, forces: readonly number[]): number[] {
  return forces.map((_, i) => forces.reduce((sum, f, j) => sum + (at[i * size + j] ?? 0) * f, 0));
}
