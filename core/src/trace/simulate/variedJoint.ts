import type { TraceClass } from '../classes';
import type { TracedPull } from '../lookAtPulls';
import { randomFrom } from './random';
import { variedPull, type Variation } from './variedPull';

/**
 * A joint of ten bolts of two lengths, pulled one after the other by one wrench: a long bolt is
 * softer. At most one has a fault.
 * @param says whether the wrench says how stiff it is
 * @returns the pulls in their order, and which one is faulty
 */
export function variedJoint(
  seed: number,
  fault: TraceClass,
  says: boolean,
  only: Partial<Variation> = {},
): { pulls: TracedPull[]; faulty: string | null } {
  const at = Math.floor(randomFrom(seed).share() * 10);
  const pulls = Array.from({ length: 10 }, (_, i): TracedPull => {
    const isLong = i >= 5;
    const is = i === at ? fault : 'ok';
    const made = variedPull(seed * 101 + i, is, only, { seed, softer: isLong ? 0.62 : 1 });
    const isAngle =
      made.variation.kind === 'angleOnly' || made.variation.kind === 'torqueThenAngle';
    const isTight = made.variation.kind === 'angleOnly' || made.variation.kind === 'torqueFromSnug';
    return {
      id: String(i + 1),
      like: isLong ? 'long' : 'short',
      targetNm: isAngle ? null : made.joint.torqueTargetNm,
      tightNm: isTight || isAngle ? made.joint.snugNm : undefined,
      trace: {
        format: 'stennet-trace',
        v: 1,
        wrench: 'Wrench 4',
        simulated: true,
        ...(says ? { toolNmPerDeg: made.joint.toolStiffnessNmPerDeg } : {}),
        ...made.samples,
      },
    };
  });
  return { pulls, faulty: fault === 'ok' ? null : String(at + 1) };
}
