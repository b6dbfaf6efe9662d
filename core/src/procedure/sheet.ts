import * as v from 'valibot';
import { DaySchema, finite, KeySchema, textOf, TimeSchema } from '../schema/text';
import { LabelSchema, PatternSchema } from '../joint';
import { QuantitySchema } from '../quantity';
import { FRICTION_CONDITIONS } from '../thread';
import { StageSchema } from './stage';
import { CompoundSchema, StepSchema } from './step';

const positive = v.pipe(finite, v.gtValue(0));
/**
 * The form that this version reads and writes; an older one is brought forward by `migrateSheet`.
 */
export const SHEET_VERSION = 2;
export const HEADS = ['hex', '12-point', '6-lobe', 'E-profile', 'nut', 'socket'] as const;
export const PART_MATERIALS = ['steel', 'castIron', 'aluminum'] as const;
export const GASKETS = ['none', 'metal', 'soft'] as const;
export const REUSE = ['replace', 'reuse-in-place', 'reuse-if-within-length', 'reuse'] as const;

/** Fasteners of one kind: what they are, whether they may come back, what goes on them. */
export const GroupSchema = v.strictObject({
  id: KeySchema,
  name: textOf(60),
  thread: v.strictObject({ designation: textOf(20), pitchMm: positive }),
  propertyClass: textOf(12),
  head: v.picklist(HEADS),
  socket: textOf(30),
  lengthMm: v.optional(positive),
  gripLengthMm: v.optional(positive),
  /** Outer diameter that a flange or washer bears on; a plain hexagon head where it is left out. */
  bearingMm: v.optional(positive),
  /** What lies under the head, and what gives between the parts. */
  under: v.optional(v.picklist(PART_MATERIALS)),
  gasket: v.optional(v.picklist(GASKETS)),
  reuse: v.picklist(REUSE),
  maxLengthMm: v.optional(positive),
  /** Measured stretch that a fastener may be reused with or tightened to. */
  freeLengthMm: v.optional(positive),
  compounds: v.pipe(v.array(CompoundSchema), v.maxLength(8)),
  friction: textOf(60),
  frictionCondition: v.picklist(FRICTION_CONDITIONS),
  /** What lies behind the bottom of its hole: nothing is drilled into it. */
  behind: v.optional(textOf(60)),
  /**
   * A fastener replaced after the first angle: alone, everything again, or the lead decides (left
   * out: the lead).
   */
  onReplace: v.optional(v.picklist(['single', 'redo', 'lead'])),
});

/** Where a fastener sits. A position may hold several: a stud (7s) and its nut (7n). */
const SeatSchema = v.strictObject({
  id: LabelSchema,
  position: LabelSchema,
  group: KeySchema,
  neighbours: v.optional(v.pipe(v.array(LabelSchema), v.maxLength(8))),
});

const pixels = v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(10_000));
export const PageSchema = v.strictObject({
  photo: v.pipe(v.string(), v.maxLength(64), v.regex(/^[0-9a-f]{64}$/)),
  width: pixels,
  height: pixels,
});
export type SheetPage = v.InferOutput<typeof PageSchema>;

const PlaceSchema = v.union([
  v.strictObject({ step: KeySchema }),
  v.strictObject({ stage: KeySchema }),
]);
/** within: no later than; notBefore: no sooner than, and until then it is waited. */
export const ClockSchema = v.strictObject({
  id: KeySchema,
  kind: v.picklist(['within', 'notBefore']),
  from: PlaceSchema,
  to: PlaceSchema,
  minutes: positive,
  text: textOf(120),
});
export type Clock = v.InferOutput<typeof ClockSchema>;

/**
 * Parts beside the fasteners: gaskets, seals, and the neighbor that is better replaced
 * while one is in there.
 */
export const SheetPartSchema = v.strictObject({
  id: KeySchema,
  name: textOf(60),
  count: v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(200)),
  need: v.picklist(['new', 'consider']),
  why: v.optional(textOf(200)),
});
export type SheetPart = v.InferOutput<typeof SheetPartSchema>;

/** What is due later: re-tightening, checks, limits, advice. */
export const AfterSchema = v.strictObject({
  id: KeySchema,
  kind: v.picklist([
    'retighten',
    'check',
    'breakIn',
    'fluid',
    'refill',
    'advice',
    'beforeFirstStart',
    'afterFirstStart',
  ]),
  text: textOf(400),
  when: v.optional(
    v.strictObject({
      distanceKm: v.optional(positive),
      days: v.optional(positive),
      celsius: v.optional(finite),
    }),
  ),
  /** Tightened in a run of its own on the same revision. */
  stages: v.optional(v.pipe(v.array(StageSchema), v.minLength(1), v.maxLength(10))),
});
export type After = v.InferOutput<typeof AfterSchema>;

const InstancesSchema = v.strictObject({
  kind: v.picklist(['banks', 'caps', 'cylinders']),
  labels: v.pipe(v.array(KeySchema), v.minLength(2), v.maxLength(24)),
  /** Companion pairs are led as one sitting. */
  pairs: v.optional(v.pipe(v.array(v.tuple([KeySchema, KeySchema])), v.maxLength(12))),
  /** Where the crank must stand for each, in degrees after the first one's. */
  crankDeg: v.optional(v.record(KeySchema, finite)),
});

export const TELL_APART = [
  'buildDate',
  'headDrive',
  'thread',
  'length',
  'gasketColour',
  'castingMark',
  'origin',
] as const;
const TellApartSchema = v.strictObject({
  about: v.picklist(TELL_APART),
  question: textOf(120),
  answers: v.pipe(
    v.array(
      v.strictObject({
        text: textOf(80),
        sheet: KeySchema,
        head: v.optional(v.picklist(HEADS)),
        builtFrom: v.optional(DaySchema),
        builtTo: v.optional(DaySchema),
      }),
    ),
    v.minLength(2),
    v.maxLength(6),
  ),
});

/**
 * A torque-angle procedure with all that belongs to it. One immutable revision is one such
 * document.
 */
export const SheetSchema = v.strictObject({
  format: v.literal('stennet-sheet'),
  v: v.literal(SHEET_VERSION),
  id: KeySchema,
  revision: v.pipe(v.string(), v.regex(/^[A-Z]{1,3}$/)),
  title: textOf(80),
  kind: KeySchema,
  invented: v.boolean(),
  status: v.picklist(['draft', 'approved', 'superseded']),
  supersededBy: v.optional(v.pipe(v.string(), v.regex(/^[A-Z]{1,3}$/))),
  applies: v.strictObject({
    maker: textOf(60),
    model: textOf(60),
    engine: textOf(30),
    builtFrom: v.optional(DaySchema),
    builtTo: v.optional(DaySchema),
    bank: v.optional(textOf(30)),
    hardware: v.strictObject({
      origin: v.picklist(['original', 'kit']),
      maker: v.optional(textOf(60)),
    }),
  }),
  tellApart: v.pipe(v.array(TellApartSchema), v.maxLength(6)),
  source: v.strictObject({
    title: textOf(120),
    publisher: textOf(80),
    page: textOf(30),
    revision: textOf(30),
    date: DaySchema,
    condition: textOf(120),
    /** Pictures of the pages it was written from, kept by the shop under their hash. */
    pages: v.optional(v.pipe(v.array(PageSchema), v.maxLength(8))),
  }),
  pattern: PatternSchema,
  seats: v.pipe(v.array(SeatSchema), v.minLength(1), v.maxLength(240)),
  groups: v.pipe(v.array(GroupSchema), v.minLength(1), v.maxLength(20)),
  instances: v.optional(InstancesSchema),
  parts: v.optional(v.pipe(v.array(SheetPartSchema), v.maxLength(30))),
  /** What keeps the crank from turning: many locks work one way only. */
  holding: v.optional(
    v.strictObject({ loosening: v.optional(textOf(160)), tightening: v.optional(textOf(160)) }),
  ),
  steps: v.pipe(v.array(StepSchema), v.maxLength(100)),
  clocks: v.pipe(v.array(ClockSchema), v.maxLength(20)),
  takeApart: v.pipe(v.array(StageSchema), v.maxLength(20)),
  stages: v.pipe(v.array(StageSchema), v.minLength(1), v.maxLength(40)),
  after: v.pipe(v.array(AfterSchema), v.maxLength(30)),
  /** Sheets that must be finished first when a job chains them. */
  requires: v.pipe(v.array(KeySchema), v.maxLength(8)),
  /** What is tightened by it is signed by a second person too, whatever the shop's own rule. */
  secondSignature: v.optional(v.boolean()),
  conflicts: v.pipe(
    v.array(
      v.strictObject({
        /** A sheet of the library, or a source that no sheet was written from. */
        sheet: v.optional(KeySchema),
        source: v.optional(textOf(120)),
        value: QuantitySchema,
        why: textOf(200),
      }),
    ),
    v.maxLength(8),
  ),
  cautions: v.pipe(v.array(textOf(200)), v.maxLength(12)),
  /** Questions of the checks at approval, and who said that the page has it so. */
  answered: v.optional(
    v.pipe(
      v.array(
        v.strictObject({
          place: textOf(80),
          question: textOf(400),
          by: textOf(80),
          at: TimeSchema,
        }),
      ),
      v.maxLength(40),
    ),
  ),
});
export type Sheet = v.InferOutput<typeof SheetSchema>;
export type Group = v.InferOutput<typeof GroupSchema>;
export type Seat = Sheet['seats'][number];
