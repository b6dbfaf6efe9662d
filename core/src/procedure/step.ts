import * as v from 'valibot';
import { finite, KeySchema, textOf } from '../schema/text';
import { MEASURE_KINDS } from '../measure/names';
import { QuantitySchema } from '../quantity';

export const COMPOUND_KINDS = [
  'thread-locker',
  'thread sealant',
  'gasket sealant',
  'gasket spray',
  'anti-seize',
  'assembly lubricant',
  'engine oil',
  'moly paste',
  'high-temperature grease',
] as const;
export const COMPOUND_PLACES = [
  'threads',
  'under head',
  'washer faces',
  'keyway',
  'gasket face',
  'hole of the clamped part',
  'splines',
  'pivot',
  'bearing surface',
  'follower',
  'journal',
] as const;
const positive = v.pipe(finite, v.gtValue(0));

export const CompoundSchema = v.strictObject({
  kind: v.picklist(COMPOUND_KINDS),
  place: v.picklist(COMPOUND_PLACES),
  strength: v.optional(v.picklist(['low', 'medium', 'high'])),
  lengthMm: v.optional(positive),
  /** Comes on the fastener: add none, or (plus) what else a step says. */
  preApplied: v.optional(v.picklist(['only', 'plus'])),
});
export type Compound = v.InferOutput<typeof CompoundSchema>;

export const STEP_KINDS = [
  'check',
  'measure',
  'apply',
  'place',
  'fit',
  'remove',
  'hold',
  'tool',
  'orderTrap',
  'photo',
  'clean',
  'mark',
  'rest',
] as const;
export const PHASES = ['diagnose', 'parts', 'takeApart', 'inspect', 'clean', 'place'] as const;
/** From the mildest to the gravest: where several are found, the gravest counts. */
export const CONSEQUENCES = [
  'goOn',
  'clean',
  'replace',
  'machine',
  'look',
  'back',
  'stop',
] as const;

/**
 * When a step comes due: around a stage, before the first pull that is no trial, or at a failure,
 * as a rung of its ladder.
 */
const DueSchema = v.variant('when', [
  v.strictObject({ when: v.literal('before'), stage: KeySchema }),
  v.strictObject({ when: v.literal('after'), stage: KeySchema }),
  v.strictObject({ when: v.literal('beforeFirstPull') }),
  v.strictObject({
    when: v.literal('atFailure'),
    failure: v.picklist(['broke', 'stripped', 'crossThreaded', 'driveRounded', 'wontLoosen']),
  }),
]);

/** Everything that is not a pull. */
export const StepSchema = v.strictObject({
  id: KeySchema,
  kind: v.picklist(STEP_KINDS),
  phase: v.picklist(PHASES),
  text: textOf(400),
  due: DueSchema,
  scope: v.optional(v.picklist(['job', 'pair', 'instance'])),
  instances: v.optional(v.pipe(v.array(KeySchema), v.maxLength(24))),
  /** Fasteners concerned: what is marked, coated, covered. */
  on: v.optional(v.pipe(v.array(textOf(40)), v.minLength(1), v.maxLength(240))),
  /** From here on these are out of reach: whatever still lags on them is asked before. */
  covers: v.optional(v.pipe(v.array(textOf(40)), v.minLength(1), v.maxLength(240))),
  answers: v.optional(
    v.pipe(
      v.array(v.strictObject({ text: textOf(60), then: v.picklist(CONSEQUENCES) })),
      v.minLength(2),
      v.maxLength(8),
    ),
  ),
  limits: v.optional(
    v.strictObject({
      min: v.optional(QuantitySchema),
      max: v.optional(QuantitySchema),
      instrument: textOf(60),
    }),
  ),
  /** Where an answer leads back: everything from there on is undone and done again. */
  ifNot: v.optional(KeySchema),
  /**
   * Measured place by place, judged with the instrument's own uncertainty; limits by the kind's own
   * names.
   */
  measure: v.optional(
    v.strictObject({
      what: v.picklist(MEASURE_KINDS),
      unit: v.picklist(['mm', '[in_i]']),
      limits: v.record(KeySchema, finite),
    }),
  ),
  rows: v.optional(v.pipe(v.array(textOf(40)), v.minLength(1), v.maxLength(60))),
  compound: v.optional(CompoundSchema),
  /** Where else the same compound goes in the same step. */
  alsoOn: v.optional(v.pipe(v.array(v.picklist(COMPOUND_PLACES)), v.minLength(1), v.maxLength(8))),
  /** It takes two: what the second person does. */
  helper: v.optional(textOf(120)),
  /** The source gives no open time for this sealant. */
  noClockPublished: v.optional(v.boolean()),
  /** Put in for the job, and taken out again, by one name. */
  putsIn: v.optional(KeySchema),
  takesOut: v.optional(KeySchema),
  derived: v.optional(v.boolean()),
});
export type Step = v.InferOutput<typeof StepSchema>;
