import * as v from 'valibot';
import { finite, KeySchema, textOf } from '../schema/text';
import { UnitSchema } from '../quantity';

export const ACTIONS = [
  'handStart',
  'runDown',
  'drawDown',
  'torque',
  'angle',
  'stretch',
  'loosen',
  'check',
  'draw',
  'swap',
  'wait',
  'hold',
  'turnCrank',
  'do',
  'each',
] as const;
export type Action = (typeof ACTIONS)[number];
export const ORDERS = [
  'listed',
  'centreOut',
  'spiral',
  'star',
  'cross',
  'thirds',
  'alternating',
  'ring',
  'pairs',
  'any',
] as const;
export const PURPOSES = ['final', 'snug', 'settling', 'seal', 'seating'] as const;

const positive = v.pipe(finite, v.gtValue(0));
const wholeUpTo = (min: number, max: number) =>
  v.pipe(v.number(), v.integer(), v.minValue(min), v.maxValue(max));

/**
 * One published value, or a range of which one is chosen; always in the unit it was published in.
 */
export const TargetSchema = v.union([
  v.strictObject({ value: positive, unit: UnitSchema }),
  /** The source may name one inside it. */
  v.strictObject({
    min: positive,
    max: positive,
    unit: UnitSchema,
    recommended: v.optional(positive),
  }),
]);
/** In the target's unit; a window closed at both ends. */
export const ToleranceSchema = v.strictObject({
  plus: v.pipe(finite, v.minValue(0)),
  minus: v.pipe(finite, v.minValue(0)),
});

export const OrderSchema = v.strictObject({
  rule: v.picklist(ORDERS),
  reverse: v.optional(v.boolean()),
  start: v.optional(KeySchema),
  direction: v.optional(v.picklist(['cw', 'ccw'])),
  labels: v.optional(v.pipe(v.array(KeySchema), v.maxLength(240))),
});
export type Order = v.InferOutput<typeof OrderSchema>;

export const RepeatSchema = v.variant('kind', [
  v.strictObject({ kind: v.literal('once') }),
  v.strictObject({ kind: v.literal('passes'), passes: wholeUpTo(1, 20) }),
  v.strictObject({
    kind: v.literal('untilSettled'),
    maxPasses: wholeUpTo(2, 20),
    movedMoreThanDeg: positive,
  }),
  /** drawDown: round after round, by part-turns. */
  v.strictObject({ kind: v.literal('untilSeated'), maxRounds: wholeUpTo(1, 60) }),
]);
export type Repeat = v.InferOutput<typeof RepeatSchema>;

const LoosenSchema = v.union([
  v.literal('free'),
  v.literal('crack'),
  v.strictObject({ degrees: positive }),
]);

/** An inner stage of `each`: done on one fastener before the next one is touched. */
export const PartSchema = v.strictObject({
  id: KeySchema,
  action: v.picklist(['handStart', 'runDown', 'torque', 'angle', 'loosen']),
  target: v.optional(TargetSchema),
  tolerance: v.optional(ToleranceSchema),
  loosen: v.optional(LoosenSchema),
});
export type Part = v.InferOutput<typeof PartSchema>;

/** One stage of a procedure. Which fields an action uses stands in docs/PROCEDURE.md. */
export const StageSchema = v.strictObject({
  id: KeySchema,
  name: textOf(60),
  on: v.pipe(v.array(textOf(40)), v.minLength(1), v.maxLength(240)),
  order: v.optional(OrderSchema),
  action: v.picklist(ACTIONS),
  target: v.optional(TargetSchema),
  tolerance: v.optional(ToleranceSchema),
  purpose: v.optional(v.picklist(PURPOSES)),
  repeat: v.optional(RepeatSchema),
  entersYield: v.optional(v.boolean()),
  /**
   * A published floor: click, hold, do not turn on. The one torque that may be checked after an
   * angle.
   */
  finalTorque: v.optional(v.boolean()),
  with: v.optional(v.picklist(['oldPartAsTool'])),
  trial: v.optional(v.boolean()),
  mayLag: v.optional(v.boolean()),
  /** hold: back to this stage when it is not as it should be. */
  ifNot: v.optional(KeySchema),
  /** stretch: the published torque for those who cannot measure it. */
  fallback: v.optional(TargetSchema),
  /** The value that was chosen at that stage, in this run or before a later one, is used again. */
  sameAs: v.optional(KeySchema),
  /** It takes two: what the second person does. */
  helper: v.optional(textOf(120)),
  /** Steps or order that the source does not give. */
  derived: v.optional(v.boolean()),
  /** do: the step it names. */
  step: v.optional(KeySchema),
  release: v.optional(v.picklist(['technician', 'lead'])),
  each: v.optional(v.pipe(v.array(PartSchema), v.minLength(2), v.maxLength(10))),
  loosen: v.optional(LoosenSchema),
  waitUntil: v.optional(
    v.union([
      v.strictObject({ minutes: positive }),
      v.strictObject({ celsius: finite, is: v.picklist(['atLeast', 'atMost']) }),
    ]),
  ),
  crankDeg: v.optional(finite),
  note: v.optional(textOf(400)),
});
export type Stage = v.InferOutput<typeof StageSchema>;
export type Target = v.InferOutput<typeof TargetSchema>;
