import * as v from 'valibot';
import { WrenchCheckSchema } from '../../calibration';
import { NewJobSchema, OrderEntrySchema, OrderHeadSchema, ORDER_STATES } from '../../order';
import { ShopToolSchema } from '../../prepare';
import { FOLLOW_UP_STATES } from '../../followUp/followUp';
import { SIGNED_KINDS } from '../../record/signedWord';
import {
  DaySchema,
  FastenerIdSchema,
  finite,
  KeySchema,
  textOf,
  UuidSchema,
} from '../../schema/text';
import { pin } from './peopleBodies';

const version = v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(1_000_000));

export const CreateOrderBody = v.strictObject({
  order: UuidSchema,
  head: v.strictObject({
    ...OrderHeadSchema.entries,
    number: v.nullable(OrderHeadSchema.entries.number),
  }),
});
export const SaveOrderBody = v.strictObject({ version, head: OrderHeadSchema });
export const OrderStateBody = v.strictObject({ version, state: v.picklist(ORDER_STATES) });
export const AddJobBody = NewJobSchema;
/**
 * version: the one that was seen, 0 for a new entry. gone: taken off the repair order; its history
 * stays.
 */
export const SaveEntryBody = v.strictObject({ version, body: OrderEntrySchema, gone: v.boolean() });
export const SaveToolBody = v.strictObject({ version, tool: ShopToolSchema, retired: v.boolean() });
/**
 * version: of the tool that was checked, as it was seen. due: the day of the next check, where this
 * one is within its limits.
 */
export const WrenchCheckBody = v.strictObject({
  version,
  check: WrenchCheckSchema,
  due: DaySchema,
});

const decision = v.picklist(['allow', 'refuse']);
/**
 * What a lead says of a run. With a PIN: on the device in front of them, no matter who is signed in
 * there; without: signed in themselves.
 */
export const SayBody = v.strictObject({
  id: UuidSchema,
  lead: UuidSchema,
  pin: v.nullable(pin),
  device: UuidSchema,
  text: v.optional(textOf(400)),
  say: v.variant('kind', [
    v.strictObject({
      kind: v.literal('allowance'),
      about: v.union([
        v.strictObject({ deviation: UuidSchema }),
        v.strictObject({ reuse: KeySchema }),
        v.strictObject({ wrench: UuidSchema }),
        v.strictObject({ compound: KeySchema }),
        v.strictObject({ step: KeySchema }),
      ]),
      decision,
    }),
    v.strictObject({
      kind: v.literal('release'),
      hold: KeySchema,
      decision: v.picklist(['passed', 'failed', 'single', 'redo']),
      fastener: v.optional(FastenerIdSchema),
    }),
    /** Anybody's own word about the run: no lead's leave, and on the record. */
    v.strictObject({ kind: v.literal('note') }),
    v.strictObject({ kind: v.literal('leaveOut'), fastener: FastenerIdSchema }),
  ]),
});
export type Say = v.InferOutput<typeof SayBody>['say'];

/**
 * position: how many entries the device in front of the person has; where the server has another
 * number, nothing is signed.
 */
export const SignBody = v.strictObject({
  id: UuidSchema,
  kind: v.picklist(SIGNED_KINDS),
  position: v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(1_000_000)),
  text: v.optional(textOf(1000)),
});
export const SettleBody = v.strictObject({
  version,
  state: v.picklist(FOLLOW_UP_STATES),
  note: v.nullable(textOf(400)),
  seenKm: v.nullable(v.pipe(finite, v.minValue(0), v.maxValue(5_000_000))),
});
