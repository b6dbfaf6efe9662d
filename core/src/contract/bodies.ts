import * as v from 'valibot';
import { ORDER_STATES } from '../order/names';
import { FOLLOW_UP_STATES } from '../followUp/followUp';
import { DaySchema, KeySchema, textOf, TimeSchema, UuidSchema } from '../schema/text';

/** Bodies are read strictly: an unknown field is refused. */
export const SignInBody = v.strictObject({ name: textOf(80), password: textOf(200) });
export const SwitchShopBody = v.strictObject({ shop: UuidSchema });

/** What goes behind the question mark of a search; everything may be left out. */
const word = v.optional(v.pipe(v.string(), v.maxLength(120)));
export const FindQuery = v.strictObject({ q: word, maker: word, engine: word, kind: word });

/** What a draft is compared with: its maker, its engine, its threads as `M10 10.9|M8 8.8`. */
export const BesideQuery = v.strictObject({
  maker: word,
  engine: word,
  threads: v.optional(v.pipe(v.string(), v.maxLength(800))),
});

/**
 * What is exported: everything, what a search narrows to, or single revisions as `sheet:revision`.
 */
const pick = v.pipe(v.string(), v.regex(/^[A-Za-z0-9][A-Za-z0-9._-]{0,39}:[A-Z]{1,3}$/));
export const ExportQuery = v.strictObject({
  form: v.picklist(['json', 'stages', 'fasteners']),
  maker: word,
  engine: word,
  kind: word,
  pick: v.optional(v.union([pick, v.pipe(v.array(pick), v.maxLength(200))])),
});
/** look: nothing is written. skip: what is refused is left out. */
export const ImportQuery = v.strictObject({
  mode: v.picklist(['look', 'write']),
  skip: v.optional(v.literal('refused')),
});
/** Behind which change, sheet and revision: what the last answer ended with. */
export const ChangesQuery = v.strictObject({
  after: v.optional(
    v.pipe(v.string(), v.regex(/^\d{1,15}:[A-Za-z0-9][A-Za-z0-9._-]{0,39}:[A-Z]{1,3}$/)),
  ),
});
export const OrdersQuery = v.strictObject({
  q: word,
  state: v.optional(v.picklist(ORDER_STATES)),
  all: v.optional(v.literal('yes')),
});
/** The parts list of a repair order, as a table or on paper. */
export const PartsQuery = v.strictObject({ form: v.picklist(['csv', 'pdf']) });
/** Which square the paper disc sits on. */
/** Whole degrees, as they stand in an address. */
export const BenchDiscQuery = v.strictObject({
  angle: v.pipe(v.string(), v.regex(/^[1-9]\d{0,2}$/), v.transform(Number), v.maxValue(720)),
  drive: v.optional(v.picklist(['1/4', '3/8', '1/2', '3/4', '1'])),
});
export const DiscQuery = v.strictObject({
  drive: v.optional(v.picklist(['1/4', '3/8', '1/2', '3/4', '1'])),
});
/** Where a piece of a photo begins, and how long the whole is. */
const bytes = v.pipe(v.string(), v.regex(/^\d{1,8}$/), v.transform(Number));
export const PieceQuery = v.strictObject({
  start: bytes,
  size: v.pipe(bytes, v.minValue(1), v.maxValue(12_000_000)),
});
/** How a record leaves: on paper, as a document that can be checked, as a table. */
export const RecordQuery = v.strictObject({ form: v.picklist(['pdf', 'json', 'csv']) });
/** Enough of a plate or a number that not half the shop answers to it. */
const piece = v.pipe(textOf(40), v.regex(/[\p{L}\p{N}].*[\p{L}\p{N}].*[\p{L}\p{N}]/u));
export const VehiclesQuery = v.strictObject({ q: piece });
const dayWord = v.optional(DaySchema);
/** Where something is looked for in what was tightened. before: what the last answer ended with. */
export const HistoryQuery = v.variant('by', [
  v.strictObject({
    by: v.literal('vehicle'),
    vin: v.pipe(v.string(), v.toUpperCase(), v.regex(/^[A-Z0-9]{17}$/)),
    ...page(),
  }),
  v.strictObject({ by: v.literal('plate'), plate: piece, ...page() }),
  v.strictObject({ by: v.literal('joint'), engine: textOf(30), kind: KeySchema, ...page() }),
  v.strictObject({
    by: v.literal('wrench'),
    tool: UuidSchema,
    from: dayWord,
    to: dayWord,
    ...page(),
  }),
  v.strictObject({
    by: v.literal('sheet'),
    sheet: KeySchema,
    revision: v.pipe(v.string(), v.regex(/^[A-Z]{1,3}$/)),
    ...page(),
  }),
  v.strictObject({ by: v.literal('lot'), lot: textOf(40), ...page() }),
]);
/** A moment and a run, as the last answer gave them. */
function isPlaceInList(place: string): boolean {
  const [at, run] = place.split('~');
  return v.is(TimeSchema, at) && v.is(UuidSchema, run);
}
function page() {
  return {
    before: v.optional(
      v.pipe(v.string(), v.regex(/^[0-9T:.Z-]{20,30}~[0-9a-f-]{36}$/), v.check(isPlaceInList)),
    ),
    form: v.optional(v.literal('csv')),
  };
}
export const FollowUpsQuery = v.strictObject({
  state: v.optional(v.picklist(FOLLOW_UP_STATES)),
  order: v.optional(UuidSchema),
});
