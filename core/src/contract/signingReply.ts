import * as v from 'valibot';

const id = v.string();
const nullableText = v.nullable(v.string());

export const SigningSchema = v.object({
  state: v.picklist(['open', 'wantsSecond', 'signed']),
  wantsSecond: v.boolean(),
  words: v.array(
    v.object({
      id,
      kind: v.picklist(['technician', 'second', 'addendum']),
      person: v.string(),
      name: v.string(),
      role: v.string(),
      at: v.string(),
      text: v.optional(v.string(), ''),
    }),
  ),
  /** How many entries the server has. */
  position: v.number(),
  headHash: v.string(),
  fingerprint: v.string(),
  /** Late entries of another device that were kept beside it. */
  late: v.optional(v.number(), 0),
  /** Entries whose time cannot be right, each in a sentence. */
  oddTimes: v.optional(v.array(v.string()), []),
  /** What does not fit, where something does not. */
  fault: nullableText,
  /**
   * It was signed for another vehicle, order or joint than the repair order names now; a later word
   * puts that right.
   */
  signedForOther: v.optional(nullableText, null),
  /** Why it cannot be signed now. */
  mayNot: v.nullable(
    v.object({ code: v.string(), params: v.record(v.string(), v.union([v.string(), v.number()])) }),
  ),
});
export type Signing = v.InferOutput<typeof SigningSchema>;
