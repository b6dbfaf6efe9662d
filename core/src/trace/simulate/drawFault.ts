import type { TraceClass } from '../classes';
import type { MadeUpJoint } from './madeUpJoint';
import type { Random } from './random';

export type PullMode = 'torque' | 'torque_angle';

/** One bolt as it is pulled: its own friction, stiffness and noise, and what is wrong with it. */
export interface DrawnPull {
  is: TraceClass;
  mode: PullMode;
  muThread: number;
  muHead: number;
  stiffnessRatio: number;
  yieldRatio: number;
  runNm: number;
  contactDeg: number;
  alignDeg: number;
  hardening: number;
  toolRatio: number;
  breakaway: number;
  slipLow: number;
  torqueNoiseNm: number;
  driftDegPerS: number;
  /** So many times the usual noise of torque and angle; once where it is left out. */
  noise?: number;
  crossed?: {
    startDeg: number;
    slope: number;
    maxRatio: number;
    wave: number;
    periodDeg: number;
    seats: boolean;
  };
  bottom?: { beforeSeat: boolean; ratio: number; earlyDeg: number; forceRatio: number };
  liquid?: { beforeDeg: number; tauS: number; nmAt40: number };
  strip?: { ratio: number; fallDeg: number };
  slips?: { progress: number; deg: number }[];
  creep?: { from: number; lengthDeg: number; share: number };
}

/**
 * Draws a sound bolt or one with a fault.
 * @param hard 0 to 1: pulls how bad it is towards the mild end
 * The order of the draws is part of the definition: the same seed gives the same pull everywhere.
 */
export function drawFault(
  is: TraceClass,
  joint: MadeUpJoint,
  mode: PullMode,
  random: Random,
  hard = 0,
): DrawnPull {
  const { between, normal } = random;
  const pull: DrawnPull = {
    is,
    mode,
    muThread: 0.12 * Math.exp(0.08 * normal()),
    muHead: 0.12 * Math.exp(0.08 * normal()),
    stiffnessRatio: 1 + 0.04 * normal(),
    yieldRatio: 1 + 0.025 * normal(),
    runNm: between(0.03, 0.08) * joint.snugNm,
    contactDeg: between(150, 320),
    alignDeg: between(12, 35),
    hardening: between(0.01, 0.03),
    toolRatio: 1 + 0.06 * normal(),
    breakaway: between(0.01, 0.04),
    slipLow: 0,
    torqueNoiseNm: 0.004 * joint.torqueTargetNm,
    driftDegPerS: between(-0.05, 0.05),
  };
  return { ...pull, ...faults(pull, joint, random, hard)[is]() };
}

/** What each fault changes in a bolt; drawn when it is asked for. */
function faults(
  pull: DrawnPull,
  joint: MadeUpJoint,
  random: Random,
  hard: number,
): Faults<TraceClass> {
  const { share } = random;
  const grade: Grade = (severe, mild) =>
    severe + (mild - severe) * Math.min(1, Math.max(0, share() * (1 - hard) + hard));
  return {
    ok: () => ({}),
    ...faultsOfTheHole(joint, random, grade),
    ...faultsOfTheBolt(pull, random, grade),
  };
}

type Grade = (severe: number, mild: number) => number;
type Faults<T extends TraceClass> = Record<T, () => Partial<DrawnPull>>;

function faultsOfTheHole(
  joint: MadeUpJoint,
  { between, share }: Random,
  grade: Grade,
): Faults<'cross_thread' | 'bottoming' | 'liquid_lock' | 'strip'> {
  return {
    cross_thread: () => {
      const crossed = {
        startDeg: between(40, 120),
        slope: grade(0.34, 0.12),
        maxRatio: grade(1.1, 0.5),
        wave: between(0.06, 0.15),
        periodDeg: between(40, 90),
      };
      return { crossed: { ...crossed, seats: share() < 0.4 } };
    },
    bottoming: () => {
      const beforeSeat = share() < 0.5;
      return {
        bottom: {
          beforeSeat,
          ratio: grade(8, 4),
          earlyDeg: between(10, 120),
          forceRatio: between(0.2, 0.5),
        },
      };
    },
    liquid_lock: () => ({
      liquid: {
        beforeDeg: between(60, 140),
        tauS: between(0.5, 1.4),
        nmAt40: grade(0.5, 0.2) * joint.torqueTargetNm,
      },
    }),
    strip: () => ({ strip: { ratio: grade(0.45, 0.85), fallDeg: grade(110, 260) } }),
  };
}

function faultsOfTheBolt(
  pull: DrawnPull,
  { between, share }: Random,
  grade: Grade,
): Faults<'stick_slip' | 'reused_yielded' | 'wrong_lube' | 'angle_slip'> {
  return {
    stick_slip: () => {
      const breakaway = grade(0.22, 0.09);
      return { breakaway, slipLow: breakaway * between(0.7, 1) };
    },
    reused_yielded: () => ({
      mode: 'torque_angle',
      yieldRatio: pull.yieldRatio * grade(0.7, 0.84),
      stiffnessRatio: pull.stiffnessRatio * between(0.92, 0.98),
      hardening: between(0, 0.01),
    }),
    wrong_lube: () => {
      const factor = share() < 0.5 ? grade(0.4, 0.58) : grade(2.2, 1.55);
      return { muThread: pull.muThread * factor, muHead: pull.muHead * factor };
    },
    angle_slip: () => {
      const isCreep = share() < 0.25;
      const count = 1 + Math.floor(share() * 3);
      const slips = Array.from({ length: count }, () => ({
        progress: between(0.55, 0.95),
        deg: (share() < 0.5 ? 1 : -1) * grade(25, 8),
      }));
      const creep = {
        from: between(0.25, 0.55),
        lengthDeg: between(20, 40),
        share: between(0.3, 0.5),
      };
      return isCreep
        ? { creep }
        : { slips: slips.sort((a, b) => a.progress - b.progress || a.deg - b.deg) };
    },
  };
}
