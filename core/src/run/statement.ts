import * as v from 'valibot';
import { FastenerIdSchema, KeySchema, textOf, TimeSchema, UuidSchema } from '../schema/text';

const envelope = {
  id: UuidSchema,
  person: UuidSchema,
  role: v.picklist(['lead', 'technician']),
  at: TimeSchema,
  text: v.optional(textOf(400)),
} as const;

/** What an allowance is about: something that happened, or something that is about to. */
const AboutSchema = v.union([
  v.strictObject({ deviation: UuidSchema }),
  v.strictObject({ reuse: KeySchema }),
  v.strictObject({ wrench: UuidSchema }),
  v.strictObject({ compound: KeySchema }),
  /** A step that stopped the work, and is given up all the same. */
  v.strictObject({ step: KeySchema }),
]);

/**
 * Said by a person with the right, immutable, outside the run's own stream; the holder's event
 * `used` takes it in. `claims` are the late entries of an earlier device, brought by the server.
 */
export const StatementSchema = v.variant('kind', [
  v.strictObject({
    ...envelope,
    kind: v.literal('allowance'),
    about: AboutSchema,
    decision: v.picklist(['allow', 'refuse']),
  }),
  v.strictObject({
    ...envelope,
    kind: v.literal('release'),
    hold: KeySchema,
    decision: v.picklist(['passed', 'failed', 'single', 'redo']),
    fastener: v.optional(FastenerIdSchema),
  }),
  v.strictObject({ ...envelope, kind: v.literal('leaveOut'), fastener: FastenerIdSchema }),
  v.strictObject({
    ...envelope,
    kind: v.literal('preparation'),
    steps: v.pipe(v.array(KeySchema), v.minLength(1), v.maxLength(100)),
  }),
  v.strictObject({ ...envelope, kind: v.literal('signature') }),
  v.strictObject({ ...envelope, kind: v.literal('note') }),
  v.strictObject({
    ...envelope,
    kind: v.literal('claims'),
    claims: v.pipe(
      v.array(
        v.strictObject({
          event: UuidSchema,
          fastener: FastenerIdSchema,
          stage: KeySchema,
          pass: v.pipe(v.number(), v.integer(), v.minValue(1)),
          turnedDeg: v.optional(v.pipe(v.number(), v.finite())),
        }),
      ),
      v.minLength(1),
      v.maxLength(240),
    ),
  }),
]);
export type Statement = v.InferOutput<typeof StatementSchema>;
export type Claim = Extract<Statement, { kind: 'claims' }>['claims'][number];

/** Kinds that only a lead may say. */
export const LEADS_WORD: readonly Statement['kind'][] = ['allowance', 'release', 'leaveOut'];
