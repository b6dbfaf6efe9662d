import * as v from 'valibot';
import { NewJobSchema, OrderEntrySchema, OrderHeadSchema, ORDER_STATES } from '../../order';
import { ShopToolSchema } from '../../prepare';
import { IDLE_MINUTES, RETENTION_MONTHS, ROLES } from '../../people/permissions';
import { FOLLOW_UP_STATES } from '../../followUp/followUp';
import { SIGNED_KINDS } from '../../record/signedWord';
import { PersonNameSchema } from '../../people/personName';
import {
  FastenerIdSchema,
  finite,
  KeySchema,
  textOf,
  TimeZoneSchema,
  UuidSchema,
} from '../../schema/text';

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

const pin = v.pipe(v.string(), v.maxLength(12));
export const SetPinBody = v.strictObject({ pin, password: textOf(200) });

const decision = v.picklist(['allow', 'refuse']);
/**
 * What a lead says of a run. With a PIN: on the device in front of them, whoever is signed in
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
const password = v.pipe(v.string(), v.minLength(10), v.maxLength(200));
/** The first visit: the shop, its lead, and the code that the start command printed. */
export const MakeShopBody = v.strictObject({
  code: textOf(40),
  shop: v.strictObject({
    name: textOf(80),
    locale: v.pipe(v.string(), v.regex(/^[a-z]{2,3}(-[A-Z]{2})?$/)),
    timeZone: TimeZoneSchema,
    paper: v.picklist(['A4', 'Letter']),
    torqueUnit: v.picklist(['N.m', '[ft_i].[lbf_av]', 'kgf.m']),
  }),
  name: PersonNameSchema,
  password,
});
/** own: the password of whoever does it, asked once more where it opens a door. */
const own = v.optional(textOf(200));
export const AddPersonBody = v.strictObject({
  id: UuidSchema,
  name: PersonNameSchema,
  password,
  role: v.picklist(ROLES),
  own,
});
export const SavePersonBody = v.strictObject({ role: v.picklist(ROLES), active: v.boolean(), own });
export const GiveCodeBody = v.strictObject({ own: textOf(200) });
export const UseCodeBody = v.strictObject({ name: textOf(80), code: textOf(40), password });
export const ChangePasswordBody = v.strictObject({ own: textOf(200), password });
/** secret: made by the device, kept there; the server has its hash. */
const secret = v.pipe(v.string(), v.regex(/^[\w-]{43}$/));
export const EnrolBody = v.strictObject({ device: UuidSchema, secret });
export const SwitchPersonBody = v.strictObject({
  shop: UuidSchema,
  device: UuidSchema,
  person: UuidSchema,
  secret,
  pin,
});
export const SaveShopBody = v.strictObject({
  secondSignature: v.boolean(),
  timeZone: TimeZoneSchema,
  idleMinutes: v.picklist(IDLE_MINUTES),
  retentionMonths: v.nullable(v.picklist(RETENTION_MONTHS)),
  own,
});
export const EraseCustomerBody = v.strictObject({ own: textOf(200) });
