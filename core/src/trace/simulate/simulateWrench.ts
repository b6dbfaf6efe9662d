import { thinOut } from '../thinOut';
import type { Samples, Trace } from '../trace';
import type { WrenchTask } from '../wrenchStream';
import { drawFault } from './drawFault';
import { madeUpJoint } from './madeUpJoint';
import { randomFrom } from './random';
import { samplesFrom } from './samplesFrom';
import { simulatePull } from './simulatePull';

const KEPT_SAMPLES = 240;
/** What an angle stage begins from, where nothing else is said. */
const TIGHT_NM = 40;

/**
 * What a simulated wrench says of one pull. From loose: the whole run-down. Otherwise from where it
 * was tight on. Made up throughout, and marked so in the trace.
 */
export function simulateWrench(
  task: WrenchTask,
  seed: number,
  wrench: string,
): { peakNm: number; turnedDeg: number | null; trace: Trace } {
  const random = randomFrom(seed);
  const isAngle = task.to.unit === 'deg';
  const tight = task.from ?? (isAngle ? TIGHT_NM : null);
  const joint = isAngle
    ? jointOf((tight ?? TIGHT_NM) * 2.5, tight ?? TIGHT_NM, task.to.value)
    : jointOf(task.to.value, 0.36 * task.to.value, 120);
  const pull = simulatePull(
    joint,
    drawFault(task.how ?? 'ok', joint, isAngle ? 'torque_angle' : 'torque', random),
    random,
  );
  const samples = thinOut(tight === null ? pull : fromTight(pull, tight), KEPT_SAMPLES);
  const turned = isAngle && pull.nutDegFromSnug !== null ? Math.round(pull.nutDegFromSnug) : null;
  const trace: Trace = {
    format: 'stennet-trace',
    v: 1,
    wrench,
    simulated: true,
    toolNmPerDeg: joint.toolStiffnessNmPerDeg,
    ...samples,
  };
  return { peakNm: Math.max(...samples.torqueNm), turnedDeg: turned, trace };
}

/** A joint about as large as its torque: M10 for 55 N·m, everything else in proportion. */
const jointOf = (torqueNm: number, snugNm: number, angleDeg: number) => {
  const size = Math.cbrt(torqueNm / 55);
  return madeUpJoint({
    pitchMm: 1.5,
    pitchDiameterMm: 9.026 * size,
    bearingDiameterMm: 13 * size,
    clampRateNPerDeg: 380 * size,
    yieldForceN: 46_000 * size * size,
    snugNm,
    torqueTargetNm: torqueNm,
    angleTargetDeg: angleDeg,
  });
};

const fromTight = (pull: Samples, tightNm: number): Samples =>
  samplesFrom(
    pull,
    Math.max(
      0,
      pull.torqueNm.findIndex((t) => t >= tightNm),
    ),
  );
