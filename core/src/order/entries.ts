import * as v from 'valibot';
import {
  DaySchema,
  FastenerIdSchema,
  finite,
  KeySchema,
  textOf,
  TimeSchema,
  UuidSchema,
} from '../schema/text';
import { measuredFields } from '../measure/measuredSchema';
import { FRICTION_CONDITIONS } from '../thread/friction';
import { ContactSchema } from './contact';
import { PART_STATES } from './partState';

const cents = v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(100_000_000));
const count = v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(1000));
const pixels = v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(20_000));
const short = textOf(80);
const long = textOf(1000);

/** What came, as someone sees it in the hand. */
const SeenSchema = v.strictObject({
  thread: v.optional(textOf(20)),
  lengthMm: v.optional(v.pipe(finite, v.gtValue(0), v.maxValue(1000))),
  head: v.optional(textOf(20)),
  count: v.optional(count),
});

/**
 * What is on a repair order beside its jobs. Each entry has its own versions: none is written
 * over, all are kept.
 */
export const OrderEntrySchema = v.variant('kind', [
  /** Looked before anything is condemned. */
  v.strictObject({ kind: v.literal('finding'), symptom: short, looked: short, found: long }),
  v.strictObject({ kind: v.literal('note'), text: long }),
  v.strictObject({
    kind: v.literal('person'),
    person: UuidSchema,
    doing: short,
    /** Who handed it to them. */
    from: v.optional(UuidSchema),
  }),
  /** To be done at a moment, by one person or by whoever is there. */
  v.strictObject({
    kind: v.literal('reminder'),
    text: textOf(200),
    at: TimeSchema,
    person: v.nullable(UuidSchema),
    done: v.boolean(),
  }),
  v.strictObject({
    kind: v.literal('part'),
    job: UuidSchema,
    joint: v.optional(UuidSchema),
    /** The sheet's own name for it; without it someone added it by hand. */
    need: v.optional(textOf(60)),
    what: short,
    count,
    state: v.picklist(PART_STATES),
    number: v.optional(textOf(40)),
    lot: v.optional(textOf(40)),
    /** For all of them, in the shop's smallest coin. */
    cents: v.optional(cents),
    seen: v.optional(SeenSchema),
    why: v.optional(textOf(400)),
    /** When a part that is on order should come. */
    due: v.optional(DaySchema),
    /** Who took it in. */
    receivedBy: v.optional(short),
  }),
  v.strictObject({
    kind: v.literal('kit'),
    job: UuidSchema,
    name: short,
    cents: v.optional(cents),
    /** Needs that are in the box, as `joint/need`. */
    holds: v.pipe(v.array(textOf(120)), v.maxLength(60)),
    taken: v.boolean(),
  }),
  /** A part out of the house: asked, came back, checked on return. */
  v.strictObject({
    kind: v.literal('outside'),
    job: v.optional(UuidSchema),
    what: short,
    to: short,
    asked: long,
    state: v.picklist(['asked', 'away', 'back', 'checked']),
    backBy: v.optional(DaySchema),
    cameBack: v.optional(long),
    checked: v.optional(long),
  }),
  v.strictObject({
    kind: v.literal('photo'),
    photo: v.pipe(v.string(), v.regex(/^[0-9a-f]{64}$/)),
    of: short,
    width: pixels,
    height: pixels,
    /** Where it was taken in the work: at a step, of a fastener. */
    joint: v.optional(UuidSchema),
    step: v.optional(KeySchema),
    fastener: v.optional(FastenerIdSchema),
  }),
  /** Raw readings as they were typed, in their unit; the verdict as it was shown. */
  v.strictObject({
    kind: v.literal('measurement'),
    joint: v.optional(UuidSchema),
    of: short,
    ...measuredFields,
    verdict: v.picklist(['pass', 'marginal', 'fail']),
    /** Putting it right against a new one: a warped manifold is flattened where that is cheaper. */
    prices: v.optional(v.strictObject({ mend: cents, replace: cents })),
    /** What is done about it. */
    then: v.optional(v.picklist(['goOn', 'clean', 'replace', 'machine', 'look', 'stop'])),
    note: v.optional(long),
  }),
  /** Put in for the job by someone's own idea: it must come out again. */
  v.strictObject({
    kind: v.literal('putIn'),
    job: UuidSchema,
    what: short,
    out: v.boolean(),
    /** Rags and plugs are counted in, and counted out. */
    count: v.optional(count),
    countOut: v.optional(v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(1000))),
  }),
  /** Something fell: the job stands still until it is found. */
  v.strictObject({
    kind: v.literal('dropped'),
    job: UuidSchema,
    what: short,
    where: short,
    found: v.optional(short),
    /** Looked at once it was found: nicked, bent or dirty it does not go back. */
    still: v.optional(v.picklist(['good', 'discard'])),
  }),
  /**
   * Another compound than the sheet's, as it was chosen while preparing: the lead decides about it
   * at the bolt.
   */
  v.strictObject({
    kind: v.literal('compound'),
    joint: UuidSchema,
    group: KeySchema,
    condition: v.picklist(FRICTION_CONDITIONS),
  }),
  /** What was filled in, by the person who filled it. */
  v.strictObject({ kind: v.literal('filled'), what: short, amount: textOf(40) }),
  /** Only some of the banks, caps or cylinders are part of this order. */
  v.strictObject({
    kind: v.literal('scope'),
    joint: UuidSchema,
    instances: v.pipe(v.array(KeySchema), v.minLength(1), v.maxLength(24)),
  }),
  /**
   * A neighbor that was loosened to make room, and that no sheet leads: open until someone says
   * how it was tightened.
   */
  v.strictObject({
    kind: v.literal('loosened'),
    job: UuidSchema,
    what: short,
    tight: v.optional(long),
  }),
]);
export type OrderEntry = v.InferOutput<typeof OrderEntrySchema>;
export type EntryKind = OrderEntry['kind'];
export type EntryOf<K extends EntryKind> = Extract<OrderEntry, { kind: K }>;

/**
 * Who came with what, and why: what an advisor writes down at the counter. What is not needed to
 * start may be empty and follow later: the vehicle's number, its build date, the odometer.
 */
export const OrderHeadSchema = v.strictObject({
  number: v.pipe(v.string(), v.regex(/^[A-Za-z0-9][A-Za-z0-9 ./-]{0,19}$/)),
  vehicle: v.strictObject({
    maker: textOf(60),
    model: textOf(60),
    engine: textOf(30),
    plate: textOf(20),
    vin: v.union([
      v.literal(''),
      v.pipe(v.string(), v.toUpperCase(), v.regex(/^[A-HJ-NPR-Z0-9]{17}$/)),
    ]),
    built: v.union([v.literal(''), DaySchema]),
  }),
  odometer: v.nullable(
    v.strictObject({
      value: v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(3_000_000)),
      unit: v.picklist(['km', 'mi']),
    }),
  ),
  customer: short,
  contact: v.optional(v.nullable(ContactSchema)),
  concern: long,
  bay: v.nullable(textOf(30)),
  promisedAt: v.nullable(TimeSchema),
});
export type OrderHead = v.InferOutput<typeof OrderHeadSchema>;

export const NewJobSchema = v.strictObject({
  id: UuidSchema,
  kind: KeySchema,
  title: short,
  joints: v.pipe(
    v.array(
      v.strictObject({
        id: UuidSchema,
        name: textOf(60),
        sheet: KeySchema,
        revision: v.pipe(v.string(), v.regex(/^[A-Z]{1,3}$/)),
      }),
    ),
    v.maxLength(12),
  ),
});
export type NewJob = v.InferOutput<typeof NewJobSchema>;
