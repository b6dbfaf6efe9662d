import type { PracticeJoint } from './practiceJoint';

const STRIDE_DEG = 0.25;
const MOST_DEG = 1500;

/** Turns one bolt until the torque is reached exactly. @returns degrees */
export function pullToTorque(joint: PracticeJoint, bolt: number, torqueNm: number): number {
  let turned = 0;
  while (turned < MOST_DEG && joint.resistNm(bolt, 0) < torqueNm) {
    // Others let go of a little as it comes, and it gains that: come near from below.
    const stride = Math.min(STRIDE_DEG, 0.3 * wayTo(joint, bolt, torqueNm));
    if (stride < 1e-6) break;
    joint.turn(bolt, stride);
    joint.rest();
    turned += stride;
  }
  return turned;
}

/** How far it would turn until the torque holds it, the others left as they are. */
function wayTo(joint: PracticeJoint, bolt: number, torqueNm: number): number {
  let [low, high] = [0, 2 * STRIDE_DEG];
  if (joint.resistNm(bolt, high) < torqueNm) return high;
  for (let i = 0; i < 30; i += 1) {
    const middle = 0.5 * (low + high);
    if (joint.resistNm(bolt, middle) < torqueNm) low = middle;
    else high = middle;
  }
  return low;
}

/** Turns one bolt by an angle exactly. */
export function pullByAngle(joint: PracticeJoint, bolt: number, degrees: number): void {
  const strides = Math.max(1, Math.ceil(degrees / STRIDE_DEG));
  for (let i = 0; i < strides; i += 1) joint.turn(bolt, degrees / strides);
  joint.rest();
}
