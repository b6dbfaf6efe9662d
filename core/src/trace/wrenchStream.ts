import * as v from 'valibot';
import { finite, textOf, UuidSchema } from '../schema/text';
import { convert, QuantitySchema, units, UnitSchema } from '../quantity';
import { TRACE_CLASSES } from './classes';
import { TraceSchema } from './trace';

/**
 * Where a digital wrench, or the bridge to it, is reached from the device in the technician's hand.
 * docs/WRENCH.md has the stream.
 */
export const WRENCH_PORT = 4188;
export const WRENCH_ADDRESS = `http://127.0.0.1:${WRENCH_PORT}`;

/** As much as a trace may hold. */
const MOST_NM = 3000;
const TorqueSchema = v.pipe(
  QuantitySchema,
  v.check(
    ({ value, unit }) =>
      units[unit].kind === 'torque' && value >= 0 && convert({ value, unit }, 'N.m') <= MOST_NM,
    'a torque',
  ),
);

/** The version of the stream that this program speaks; more than it knows is passed over. */
export const WRENCH_VERSION = 1;
/** Of whatever version: enough to say which wrench it is, and that it is another version. */
export const AnyHelloSchema = v.object({
  format: v.literal('stennet-wrench'),
  v: v.number(),
  name: textOf(60),
});
/** Said first on each connection: which wrench this is. `name` is what is on it. */
export const WrenchHelloSchema = v.object({
  ...AnyHelloSchema.entries,
  v: v.literal(WRENCH_VERSION),
  simulated: v.boolean(),
  /** Between which torques it measures. */
  range: v.optional(v.object({ min: TorqueSchema, max: TorqueSchema })),
});
export type WrenchHello = v.InferOutput<typeof WrenchHelloSchema>;

/** How it is with the wrench, whole each time: what is left out is unknown, or as it should be. */
export const WrenchStateSchema = v.object({
  /** It finds its zero: it must not be moved, and what it reads is nothing. */
  zeroing: v.optional(v.boolean()),
  /** Percent. */
  battery: v.optional(v.pipe(finite, v.minValue(0), v.maxValue(100))),
  /** What its own display is set to. */
  unit: v.optional(UnitSchema),
  /** false: the radio between it and its receiver is lost. */
  inReach: v.optional(v.boolean()),
});
export type WrenchState = v.InferOutput<typeof WrenchStateSchema>;

/** While it is pulled, at most 25 times a second: what it reads just then. Never recorded. */
export const WrenchLiveSchema = v.object({
  torque: TorqueSchema,
  turned: v.optional(v.pipe(finite, v.minValue(0), v.maxValue(720))),
});
export type WrenchLive = v.InferOutput<typeof WrenchLiveSchema>;

/**
 * One pull as the wrench saw it: its highest torque, what it turned if it was set to an angle, and
 * the trace.
 */
export const WrenchPullSchema = v.object({
  id: UuidSchema,
  peak: TorqueSchema,
  turned: v.optional(
    v.object({ value: v.pipe(finite, v.minValue(0), v.maxValue(720)), unit: v.literal('deg') }),
  ),
  trace: TraceSchema,
});
export type WrenchPull = v.InferOutput<typeof WrenchPullSchema>;

/** The button on the wrench: short for the screen's main answer, long for its other. */
export const WrenchButtonSchema = v.object({ press: v.picklist(['short', 'long']) });

/** A bolt that yielded before cannot be played: the simulated joint has no past. */
const PLAYED = TRACE_CLASSES.filter((c) => c !== 'reused_yielded');

/** Asked of the simulated wrench only: how the hand pulls. */
export const WrenchTaskSchema = v.strictObject({
  to: v.variant('unit', [
    v.strictObject({
      unit: v.literal('N.m'),
      value: v.pipe(finite, v.minValue(5), v.maxValue(400)),
    }),
    v.strictObject({
      unit: v.literal('deg'),
      value: v.pipe(finite, v.minValue(10), v.maxValue(270)),
    }),
  ]),
  /** How tight it is already, N·m; left out: loose for a torque. */
  from: v.optional(v.pipe(finite, v.minValue(1), v.maxValue(390))),
  how: v.optional(v.picklist(PLAYED)),
  /** How long the pull lasts and is heard, s; left out: done at once. */
  seconds: v.optional(v.pipe(finite, v.minValue(0), v.maxValue(20))),
  seed: v.optional(v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(4_294_967_295))),
});
export type WrenchTask = v.InferOutput<typeof WrenchTaskSchema>;
