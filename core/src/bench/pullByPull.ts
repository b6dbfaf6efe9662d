import type { BenchJoint } from './benchJoint';
import { freshJoint } from './compareOrders';

export interface PulledJoint {
  /** Pass by pass: what was pulled to, and every pull in it. */
  passes: {
    mode: 'torque' | 'angle';
    value: number;
    pulls: { label: string; turnedDeg: number; forcesKn: number[] }[];
  }[];
  /** Clamp that each bolt had right after its own last pull, kN: what it was pulled to. */
  pulledToKn: number[];
}

/** Nobody goes around more often at one torque. */
const MOST_AGAIN = 6;
const SETTLED_DEG = 3;

/**
 * One made-up joint through every torque and angle of its procedure, pull for pull.
 * @param settles the last torque is repeated until nothing turns
 */
export function pullByPull(
  joint: BenchJoint,
  order: readonly string[],
  seed: number,
  settles: boolean,
): PulledJoint {
  const bolted = freshJoint(joint, seed);
  const placeOf = new Map(joint.places.map((p, i) => [p.label, i]));
  const pulledToKn = joint.places.map(() => 0);
  const pass = (mode: 'torque' | 'angle', value: number): PulledJoint['passes'][number] => ({
    mode,
    value,
    pulls: order.map((label) => {
      const i = placeOf.get(label) ?? 0;
      const turnedDeg =
        mode === 'torque' ? bolted.pullTorque(i, value) : bolted.pullAngle(i, value);
      const forcesKn = bolted.forces().map((f) => f / 1000);
      if (turnedDeg > 0) pulledToKn[i] = forcesKn[i] ?? 0;
      return { label, turnedDeg, forcesKn };
    }),
  });
  const passes = joint.torquesNm.map((torque) => pass('torque', torque));
  const last = joint.torquesNm.at(-1) ?? 0;
  for (let again = 0; settles && again < MOST_AGAIN; again += 1) {
    const next = pass('torque', last);
    passes.push(next);
    if (Math.max(...next.pulls.map((p) => p.turnedDeg)) <= SETTLED_DEG) break;
  }
  return { passes: [...passes, ...joint.anglesDeg.map((deg) => pass('angle', deg))], pulledToKn };
}
