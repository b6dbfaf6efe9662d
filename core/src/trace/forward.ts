import { median } from './numbers';
import { OPTIONS } from './options';
import type { TraceJoint } from './trace';

/** A sample in which the wrench went forward with the fastener. */
export interface Forward {
  index: number;
  /** The wrench's own angle, back-swings taken out. */
  netDeg: number;
  /** Net less the tool's own twist. */
  jointDeg: number;
  torqueNm: number;
}

/**
 * Takes the ratchet's back-swings out. Engaged: the net angle grows with each new maximum. Let go:
 * 1° back and torque below 0.6 of what it held (below 0.3 of snug: 3° back). Taken up again: at 0.9
 * of what it held, or when the angle less the tool's twist has advanced by 2.5°, that is the nut
 * moves again at a lower torque; in run-down after half a tooth.
 */
export function forwardOnly(
  torque: readonly number[],
  angle: readonly number[],
  joint: TraceJoint,
): Forward[] {
  const k = joint.toolStiffnessNmPerDeg;
  const low = OPTIONS.lowTorqueRatio * joint.snugNm;
  const found: Forward[] = [];
  let engaged = true;
  let top = angle[0] ?? 0;
  let net = 0;
  let held = 0;
  let recent: number[] = [];
  let lowest = 0;
  let rest: { angle: number; torque: number } | null = null;
  const takeUp = (from: number, torques: number[]): void => {
    engaged = true;
    top = from;
    recent = torques;
  };
  for (const [index, x] of torque.entries()) {
    const a = angle[index] ?? 0;
    if (engaged && a >= top) {
      net += a - top;
      top = a;
      recent = [...recent, x].slice(-5);
      held = median(recent);
      found.push({ index, netDeg: net, jointDeg: net - Math.max(0, x) / k, torqueNm: x });
    } else if (engaged) {
      const letGo =
        held >= low ? a < top - OPTIONS.backDeg && x < OPTIONS.releaseRatio * held : a < top - 3;
      if (letGo) [engaged, lowest, rest] = [false, a, null];
    } else if (held < low) {
      lowest = Math.min(lowest, a);
      if (a - lowest > 0.5 * OPTIONS.toothDeg) takeUp(a, []);
    } else {
      if (x < 0.25 * held) rest = null;
      else rest ??= { angle: a, torque: x };
      if (x >= OPTIONS.reengageRatio * held) takeUp(a + (held - x) / k, [held, held, held]);
      else if (rest) {
        const advance = a - rest.angle - (x - rest.torque) / k;
        if (advance > OPTIONS.restAdvanceDeg) {
          net += advance + (x - held) / k;
          takeUp(a, [x]);
          held = x;
        }
      }
    }
  }
  return found;
}
