import * as v from 'valibot';
import { finite, textOf } from '../schema/text';

const MOST_SAMPLES = 6000;
const samples = (lo: number, hi: number) =>
  v.pipe(
    v.array(v.pipe(finite, v.minValue(lo), v.maxValue(hi))),
    v.minLength(2),
    v.maxLength(MOST_SAMPLES),
  );

/**
 * What a digital wrench saw of one pull: time, torque and its own angle, back-swings of the ratchet
 * included. Times rise. A minute at 100 Hz fits; a longer one is thinned by its writer.
 */
export const TraceSchema = v.pipe(
  v.strictObject({
    format: v.literal('stennet-trace'),
    v: v.literal(1),
    wrench: textOf(60),
    simulated: v.boolean(),
    /** How stiff the wrench with its extension is, N·m for each degree of its own twist. */
    toolNmPerDeg: v.optional(v.pipe(finite, v.minValue(0.5), v.maxValue(500))),
    tS: samples(0, 120),
    torqueNm: samples(-3000, 3000),
    angleDeg: samples(-20_000, 20_000),
  }),
  v.check(
    (t) => t.tS.length === t.torqueNm.length && t.tS.length === t.angleDeg.length,
    'as many torques and angles as times',
  ),
  v.check((t) => t.tS.every((s, i) => i === 0 || s > (t.tS[i - 1] ?? 0)), 'times that rise'),
);
export type Trace = v.InferOutput<typeof TraceSchema>;

/** The three columns of a trace, no matter which program wrote it. */
export type Samples = Pick<Trace, 'tS' | 'torqueNm' | 'angleDeg'>;

/**
 * What the analysis must know of the joint and the tool beforehand. N·m, degrees; angles to yield
 * count from the elastic line's zero.
 */
export interface TraceJoint {
  snugNm: number;
  /** Torque for each degree of a sound joint between snug and yield. */
  gradientNmPerDeg: number;
  toolStiffnessNmPerDeg: number;
  rundownLimitNm: number;
  /** Left out where no one expects it to yield: early yield is then not looked for. */
  yieldAngleFromZeroDeg?: number;
  yieldTorqueNm?: number;
}
