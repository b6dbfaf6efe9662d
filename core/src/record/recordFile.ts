import * as v from 'valibot';
import { finite, textOf, UuidSchema } from '../schema/text';
import { SheetSchema } from '../procedure/sheet';

const hex = v.pipe(v.string(), v.regex(/^[0-9a-f]{64}$/));
const base64 = v.pipe(v.string(), v.regex(/^[A-Za-z0-9+/]+={0,2}$/), v.maxLength(200));
const long = v.pipe(v.string(), v.maxLength(2_000_000));

/**
 * A record that can be checked without the installation it comes from: the sheet as it was pinned,
 * every event as it was hashed, the words that were signed, the key they were signed with. `record`
 * is the same told in plain fields, for readers that want no chain; it is computed from the events
 * and compared with them when the file is read back.
 */
export const RecordFileSchema = v.strictObject({
  format: v.literal('stennet-record'),
  v: v.literal(1),
  /** Raw public key of the shop (Ed25519, base64), and its fingerprint as it stands on paper. */
  shop: v.strictObject({
    id: UuidSchema,
    name: textOf(120),
    key: base64,
    fingerprint: textOf(120),
  }),
  order: v.strictObject({
    number: textOf(40),
    vehicle: v.strictObject({
      maker: textOf(60),
      model: textOf(60),
      engine: textOf(30),
      plate: textOf(20),
      vin: v.pipe(v.string(), v.maxLength(20)),
      built: v.pipe(v.string(), v.maxLength(12)),
    }),
    odometer: v.nullable(v.strictObject({ value: finite, unit: v.picklist(['km', '[mi_i]']) })),
  }),
  joint: textOf(120),
  run: v.strictObject({ id: UuidSchema, part: textOf(40), instance: v.nullable(textOf(40)) }),
  sheet: SheetSchema,
  sheetHash: hex,
  people: v.record(UuidSchema, textOf(80)),
  chain: v.pipe(
    v.array(v.strictObject({ body: long, hash: hex, seal: base64 })),
    v.minLength(1),
    v.maxLength(100_000),
  ),
  signatures: v.pipe(v.array(v.strictObject({ body: long, signature: base64 })), v.maxLength(1000)),
  record: v.looseObject({ complete: v.boolean() }),
  /**
   * The shop's signature over `recordFileHash`: also the vehicle, the order and the names, which no
   * entry carries, are as they went out.
   */
  seal: base64,
});
export type RecordFile = v.InferOutput<typeof RecordFileSchema>;
