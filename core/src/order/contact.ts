import * as v from 'valibot';

export const CONTACT_WAYS = ['call', 'text', 'email'] as const;
/** How a customer is reached, and how they would like to be. */
export const ContactSchema = v.strictObject({
  phone: v.optional(v.pipe(v.string(), v.regex(/^\+?[0-9][0-9 ()./-]{3,29}$/))),
  email: v.optional(v.pipe(v.string(), v.email(), v.maxLength(120))),
  prefers: v.optional(v.picklist(CONTACT_WAYS)),
});
export type Contact = v.InferOutput<typeof ContactSchema>;
