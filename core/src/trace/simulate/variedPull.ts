import type { TraceClass } from '../classes';
import { thinOut } from '../thinOut';
import type { Samples } from '../trace';
import { drawFault } from './drawFault';
import { madeUpJoint, type MadeUpJoint } from './madeUpJoint';
import { randomFrom, type Random } from './random';
import { samplesFrom } from './samplesFrom';
import { simulatePull } from './simulatePull';

/** What is done in the pull, and what the wrench hears of it. */
export const PULL_KINDS = ['torque', 'torqueFromSnug', 'torqueThenAngle', 'angleOnly'] as const;
export type PullKind = (typeof PULL_KINDS)[number];
export const SAMPLE_RATES = [20, 50, 100, 200] as const;

export interface Variation {
  kind: PullKind;
  /** Heard from the run-down on, or only from 20° before it got tight. */
  begins: 'loose' | 'late';
  hz: (typeof SAMPLE_RATES)[number];
  /** So many samples kept; null: all. */
  keeps: number | null;
  /** So many times the usual noise. */
  noise: number;
}

export interface VariedPull {
  is: TraceClass;
  samples: Samples;
  joint: MadeUpJoint;
  variation: Variation;
}

const LATE_DEG = 20;

/**
 * One made-up pull: a thread between M7 and M14 that no rule was chosen on, pulled and heard in one
 * of the ways there are. The same seed gives the same pull.
 * @param only what is not drawn
 * @param of the joint it belongs to, by a seed of its own, and how much softer this bolt is in it
 */
export function variedPull(
  seed: number,
  is: TraceClass,
  only: Partial<Variation> = {},
  of: { seed: number; softer: number } = { seed, softer: 1 },
): VariedPull {
  const random = randomFrom(seed);
  const joint = anyJoint(of.seed === seed ? random : randomFrom(of.seed), of.softer);
  const variation: Variation = {
    kind: oneOf(PULL_KINDS, random),
    begins: oneOf(['loose', 'late'], random),
    hz: oneOf(SAMPLE_RATES, random),
    keeps: oneOf([null, 240], random),
    noise: random.between(0.5, 2.5),
    ...only,
  };
  const isAngle = variation.kind === 'torqueThenAngle' || variation.kind === 'angleOnly';
  const drawn = drawFault(is, joint, isAngle ? 'torque_angle' : 'torque', random);
  const pull = { ...drawn, noise: variation.noise };
  const stepS = variation.hz === 200 ? 0.005 : 0.01;
  const whole = simulatePull(joint, pull, random, stepS);
  const heard = everyNth(
    heardOf(whole, joint, variation),
    Math.max(1, Math.round(100 / variation.hz)),
  );
  const samples = variation.keeps === null ? heard : thinOut(heard, variation.keeps);
  return { is, samples, joint, variation: { ...variation } };
}

const oneOf = <T>(things: readonly T[], { share }: Random): T =>
  things[Math.floor(share() * things.length)] as T;

/** A thread between two of the trade, in proportion, with its own stiffness and target. */
function anyJoint({ between }: Random, softer: number): MadeUpJoint {
  const d = between(7, 14);
  const yieldForceN = 460 * d * d * between(0.9, 1.15);
  const clampRateNPerDeg = softer * 38 * d * between(0.75, 1.3);
  const pitchMm = 0.15 * d * between(0.8, 1.05);
  const torqueTargetNm = 0.17 * d * yieldForceN * between(0.55, 0.75) * 1e-3;
  return madeUpJoint({
    pitchMm,
    pitchDiameterMm: d - 0.65 * pitchMm,
    bearingDiameterMm: 1.35 * d,
    clampRateNPerDeg,
    yieldForceN,
    snugNm: torqueTargetNm * between(0.32, 0.45),
    torqueTargetNm,
    angleTargetDeg: (yieldForceN / clampRateNPerDeg) * between(1, 1.3),
  });
}

/** What reaches the analysis: all of it, or from where it was tight already. */
function heardOf(whole: Samples, joint: MadeUpJoint, { kind, begins }: Variation): Samples {
  const tight = (nm: number): number =>
    Math.max(
      0,
      whole.torqueNm.findIndex((t) => t >= nm),
    );
  if (kind === 'torqueFromSnug' || kind === 'angleOnly')
    return samplesFrom(whole, tight(joint.snugNm));
  if (begins === 'loose') return whole;
  const snug = tight(joint.snugNm);
  const before = (whole.angleDeg[snug] ?? 0) - LATE_DEG;
  let at = snug;
  while (at > 0 && (whole.angleDeg[at] ?? 0) > before) at -= 1;
  return samplesFrom(whole, at);
}

const everyNth = ({ tS, torqueNm, angleDeg }: Samples, n: number): Samples => {
  const take = (values: readonly number[]): number[] => values.filter((_, i) => i % n === 0);
  return n === 1
    ? { tS, torqueNm, angleDeg }
    : { tS: take(tS), torqueNm: take(torqueNm), angleDeg: take(angleDeg) };
};
