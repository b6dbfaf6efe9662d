import * as v from 'valibot';
import { ROLES } from '../people/permissions';
import { textOf, TimeSchema, UuidSchema } from '../schema/text';
import { canonicalJson, sha256Hex } from './hashChain';

/**
 * technician, second: what stands is so. addendum: a word that came later; nothing before it
 * changes.
 */
export const SIGNED_KINDS = ['technician', 'second', 'addendum'] as const;
export type SignedKind = (typeof SIGNED_KINDS)[number];

/** Which joint of which vehicle a record is of, as the repair order says it. */
export const SignedForSchema = v.strictObject({
  number: textOf(40),
  vin: textOf(20),
  joint: textOf(120),
});
export type SignedFor = v.InferOutput<typeof SignedForSchema>;

/**
 * What someone said of a whole record. The chain's head names every event before it; `before`
 * names the word before this one.
 */
export const SignedWordSchema = v.strictObject({
  format: v.literal('stennet-signature'),
  v: v.literal(1),
  id: UuidSchema,
  shop: UuidSchema,
  run: UuidSchema,
  kind: v.picklist(SIGNED_KINDS),
  person: UuidSchema,
  name: textOf(80),
  role: v.picklist(ROLES),
  at: TimeSchema,
  text: v.optional(textOf(1000)),
  /**
   * What the repair order said when it was signed: the entries name no vehicle. Words from before
   * this was kept have none.
   */
  of: v.optional(SignedForSchema),
  /** How many events the chain had, and the hash of the last one. */
  position: v.pipe(v.number(), v.integer(), v.minValue(1)),
  headHash: v.pipe(v.string(), v.regex(/^[0-9a-f]{64}$/)),
  /** Hash of the word before; all zeros for the first one. */
  before: v.pipe(v.string(), v.regex(/^[0-9a-f]{64}$/)),
});
export type SignedWord = v.InferOutput<typeof SignedWordSchema>;

/**
 * A word as it is kept: the very text that was signed, and the shop's signature under it (Ed25519,
 * base64).
 */
export interface SignedRow {
  body: string;
  signature: string;
}

/** What the last word that says so was signed for. */
export const signedFor = (words: readonly SignedWord[]): SignedFor | null =>
  words.findLast((w) => w.of)?.of ?? null;

/** The text that is signed and kept. */
export const wordText = (word: SignedWord): string => canonicalJson(word);
export const wordHash = (body: string): string => sha256Hex(body);

/** Who signed so far, and whether that is all that is wanted. */
export function signingState(
  words: readonly Pick<SignedWord, 'kind' | 'person'>[],
  wantsSecond: boolean,
): 'open' | 'wantsSecond' | 'signed' {
  if (!words.some((w) => w.kind === 'technician')) return 'open';
  return wantsSecond && !words.some((w) => w.kind === 'second') ? 'wantsSecond' : 'signed';
}
