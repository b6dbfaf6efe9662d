import * as v from 'valibot';
import { ROLES, IDLE_MINUTES, RETENTION_MONTHS } from '../../people/permissions';
import { PersonNameSchema } from '../../people/personName';
import { textOf, TimeZoneSchema, UuidSchema } from '../../schema/text';

export const pin = v.pipe(v.string(), v.maxLength(12));

export const SetPinBody = v.strictObject({ pin, password: textOf(200) });
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
/** own: the password of the person doing it, asked once more where it opens a door. */
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
