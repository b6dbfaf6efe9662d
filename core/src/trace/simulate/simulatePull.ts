import type { Samples } from '../trace';
import type { DrawnPull } from './drawFault';
import { madeUpBolt, STEP_S } from './madeUpBolt';
import type { MadeUpJoint } from './madeUpJoint';
import type { Random } from './random';

const TOOTH_DEG = 5;
const ANGLE_NOISE_DEG = 0.12;
const TORQUE_NOISE_RATIO = 0.004;

export interface SimulatedPull extends Samples {
  stoppedBy: 'target' | 'givenUp' | 'limit' | null;
  /** What no one sees on a real bolt. */
  nutDegFromSnug: number | null;
}

/**
 * One hand tightening with a ratchet at 100 Hz: strokes, pauses, back-swings, the tool's own twist,
 * noise. The nut moves when the tool's spring pulls harder than what holds against it. Derived for
 * this project.
 */
export function simulatePull(
  joint: MadeUpJoint,
  pull: DrawnPull,
  random: Random,
  stepS: number = STEP_S,
): SimulatedPull {
  const bolt = madeUpBolt(joint, pull);
  const spring = joint.toolStiffnessNmPerDeg * pull.toolRatio;
  const strokes = strokesFrom(joint, random, stepS);
  const gauge = gaugeOf(joint, pull);
  const out = nothingYet();
  let [wrench, nut, ratchet, torque, peakTorque, peakForce] = [0, 0, 0, 0, 0, 0];
  let isStuck = true;
  let snugAt: number | null = null;
  let tail: number[] | null = null;
  for (let t = 0; t < 60; t += stepS) {
    let speed = tail ? tail.shift() : strokes(torque, peakTorque);
    if (speed === undefined) break;
    if (!tail && speed > 0 && torque > 0.85 * joint.torqueTargetNm && pull.mode === 'torque')
      speed *= 0.6;
    wrench += speed * stepS;
    const before = nut;
    if (speed <= 0) isStuck = true;
    if (
      spring * (wrench - nut - ratchet) >
      bolt.resistNm(nut, 0) * (isStuck ? 1 + pull.breakaway : 1)
    ) {
      nut = atRest(
        nut,
        wrench - ratchet,
        (m) => spring * (wrench - m - ratchet) > (1 - pull.slipLow) * bolt.resistNm(m, m - before),
      );
      isStuck = pull.slipLow > 0;
    }
    bolt.press(nut, nut - before, stepS);
    let twist = wrench - nut - ratchet;
    while (twist < -TOOTH_DEG) {
      ratchet -= TOOTH_DEG;
      twist += TOOTH_DEG;
    }
    torque = twist > 0 ? spring * twist : speed < 0 ? -0.02 * joint.snugNm - 0.1 : 0;
    peakTorque = Math.max(peakTorque, torque);
    if (snugAt === null && torque >= joint.snugNm) snugAt = nut;
    const fromSnug = snugAt === null ? null : nut - snugAt;
    const offset = gauge(fromSnug, nut - before);
    const force = bolt.clampN(nut);
    peakForce = Math.max(peakForce, force);
    if (!tail) {
      const turned = fromSnug === null ? null : fromSnug + offset;
      const givesWay = force < 0.65 * peakForce;
      out.stoppedBy = endOf(joint, pull, { torque, nut, turned, givesWay });
      if (out.stoppedBy) tail = ending(speed, random, stepS);
    }
    sample(out, t, torque, wrench + offset + pull.driftDegPerS * t, pull, random);
    out.nutDegFromSnug = fromSnug;
  }
  return out;
}

const nothingYet = (): SimulatedPull => ({
  tS: [],
  torqueNm: [],
  angleDeg: [],
  stoppedBy: null,
  nutDegFromSnug: null,
});

/** One moment as the wrench gives it: with its noise, rounded as it sends. */
function sample(
  out: SimulatedPull,
  t: number,
  torque: number,
  angle: number,
  pull: DrawnPull,
  random: Random,
): void {
  const { noise = 1, torqueNoiseNm } = pull;
  const share = noise * TORQUE_NOISE_RATIO * random.normal();
  out.tS.push(round(t, 3));
  out.torqueNm.push(round(torque * (1 + share) + noise * torqueNoiseNm * random.normal(), 3));
  out.angleDeg.push(round(angle + noise * ANGLE_NOISE_DEG * random.normal(), 2));
}

/** Why the hand stops here, or null while it goes on. */
function endOf(
  joint: MadeUpJoint,
  pull: DrawnPull,
  at: { torque: number; nut: number; turned: number | null; givesWay: boolean },
): SimulatedPull['stoppedBy'] {
  const { torque, nut, turned, givesWay } = at;
  const reached =
    pull.mode === 'torque'
      ? torque >= joint.torqueTargetNm
      : turned !== null && turned >= joint.angleTargetDeg;
  if (reached) return 'target';
  if (pull.is === 'strip' && torque > 0 && givesWay) return 'givenUp';
  const over =
    torque > 1.25 * Math.max(joint.torqueTargetNm, joint.yieldTorqueNm) ||
    nut > pull.contactDeg + 420;
  return over ? 'limit' : null;
}

/** Never −0: no JSON has it. */
const round = (value: number, digits: number): number =>
  Math.round(value * 10 ** digits) / 10 ** digits + 0;

/** Where the nut comes to rest, by halving: the spring loses as it follows. */
function atRest(from: number, to: number, pullsOn: (nutDeg: number) => boolean): number {
  let [low, high] = [from, to];
  for (let i = 0; i < 40; i += 1) {
    const middle = 0.5 * (low + high);
    if (pullsOn(middle)) low = middle;
    else high = middle;
  }
  return 0.5 * (low + high);
}

const halfSine = (speed: number, samples: number, sign: number): number[] =>
  Array.from(
    { length: samples },
    (_, i) => sign * speed * Math.sin((Math.PI * (i + 0.5)) / samples),
  );
const still = (seconds: number, stepS: number): number[] =>
  Array.from({ length: Math.floor(seconds / stepS) }, () => 0);

/**
 * The hand: forward, held, back, held. Long fast strokes in run-down, shorter and slower ones under
 * load.
 */
function strokesFrom(
  joint: MadeUpJoint,
  { between, share }: Random,
  stepS: number,
): (torque: number, peak: number) => number {
  let segment: number[] = [];
  let isForward = false;
  let swing = 0;
  const next = (loaded: boolean): number[] => {
    isForward = !isForward;
    if (isForward) {
      swing = loaded ? between(28, 60) : between(50, 90);
      const speed = loaded ? between(32, 70) : between(130, 230);
      const n = Math.max(3, roundHalfEven((swing * Math.PI) / (2 * speed) / stepS));
      let stroke = halfSine(speed, n, 1);
      if (share() < 0.18) {
        const cut = Math.floor(n * between(0.3, 0.7));
        stroke = [
          ...stroke.slice(0, cut),
          ...still(between(0.3, 0.9), stepS),
          ...stroke.slice(cut),
        ];
      }
      return [...stroke, ...still(between(0.08, 0.3), stepS)];
    }
    const speed = between(180, 280);
    const n = Math.max(3, roundHalfEven((swing * Math.PI) / (2 * speed) / stepS));
    return [...halfSine(speed, n, -1), ...still(between(0.05, 0.2), stepS)];
  };
  return (torque, peak) => {
    if (segment.length === 0)
      segment = next(torque > 0.4 * joint.snugNm || peak > 0.4 * joint.snugNm);
    return segment.shift() ?? 0;
  };
}

const roundHalfEven = (value: number): number => {
  const down = Math.floor(value);
  return value - down === 0.5 ? down + (down % 2) : Math.round(value);
};

/** The target is there: run out, held, let go. */
const ending = (speed: number, { between }: Random, stepS: number): number[] => {
  const held = still(between(0.12, 0.25), stepS);
  const back = -between(120, 200);
  return [
    speed * 0.6,
    speed * 0.3,
    ...held,
    ...Array.from({ length: Math.round((12 * STEP_S) / stepS) }, () => back),
    0,
    0,
    0,
    0,
    0,
  ];
};

/**
 * What the angle gauge adds by itself: steps when it slips, or a turn of which it shows only a
 * part.
 */
function gaugeOf(
  joint: MadeUpJoint,
  pull: DrawnPull,
): (fromSnug: number | null, advanceDeg: number) => number {
  const goal =
    pull.mode === 'torque_angle'
      ? joint.angleTargetDeg
      : (joint.torqueTargetNm - joint.snugNm) / joint.gradientNmPerDeg;
  const waiting = [...(pull.slips ?? [])];
  let offset = 0;
  let left = 0;
  let each = 0;
  return (fromSnug, advanceDeg) => {
    if (fromSnug === null) return offset;
    if (waiting[0] && fromSnug > waiting[0].progress * goal) {
      left = waiting.shift()?.deg ?? 0;
      each = left / 3;
    }
    if (left !== 0) {
      offset += each;
      left = Math.abs(left - each) < 1e-9 ? 0 : left - each;
    }
    const into = pull.creep ? fromSnug - pull.creep.from * goal : 0;
    if (pull.creep && into > 0 && into < pull.creep.lengthDeg)
      offset -= (1 - pull.creep.share) * advanceDeg;
    return offset;
  };
}
