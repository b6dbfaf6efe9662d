import * as v from 'valibot';
import {
  FastenerIdSchema,
  finite,
  HashSchema,
  KeySchema,
  textOf,
  TimeSchema,
  UuidSchema,
} from '../schema/text';
import { LabelSchema } from '../joint';
import { MeasuredSchema } from '../measure/measuredSchema';
import { QuantitySchema, WrenchSchema } from '../quantity';
import { TRACE_CLASSES } from '../trace/classes';
import { StatementSchema } from './statement';
import { OUTCOMES, METHODS, FITTED, VERDICTS, HOLD_DECISIONS, FAILURES } from './eventWords';

/**
 * Everything a technician can confirm is one of these. A changed form gets a new `v` and an upcast.
 */
const count = v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(1000));
const fasteners = v.pipe(v.array(FastenerIdSchema), v.minLength(1), v.maxLength(240));
const note = v.optional(textOf(400));
/** When it was really done, where the confirmation came later. */
const doneAt = v.optional(TimeSchema);

const CurveSchema = v.strictObject({
  is: v.picklist(TRACE_CLASSES),
  said: v.optional(v.literal('nothingWrong')),
});
const Outcome = v.picklist(OUTCOMES);
const Method = v.picklist(METHODS);
const Fitted = v.picklist(FITTED);
/** How long a fastener is that comes back, and how fine the instrument reads. */
const measuredLength = {
  lengthMm: v.optional(finite),
  resolutionMm: v.optional(v.pipe(finite, v.gtValue(0))),
} as const;

const payloads = {
  started: v.strictObject({
    joint: UuidSchema,
    sheet: KeySchema,
    revision: textOf(3),
    sheetHash: v.pipe(v.string(), v.regex(/^[0-9a-f]{64}$/)),
    core: textOf(20),
    cautionsRead: v.literal(true),
    /** Left out: the procedure. Else `takeApart`, or the id of what is due after. */
    part: v.optional(KeySchema),
    instance: v.optional(KeySchema),
    /** The fasteners that an earlier run left in, where this one goes on from it. */
    fasteners: v.optional(fasteners),
    /** Steps that were done in the preparation or in another run of the same sitting. */
    prepared: v.optional(v.pipe(v.array(KeySchema), v.maxLength(100))),
    /** Values that were chosen when the joint was tightened, by stage: they are used again. */
    values: v.optional(v.record(KeySchema, QuantitySchema)),
    /** Seats that an earlier run of the joint left out: they stay out. */
    leftOut: v.optional(v.pipe(v.array(LabelSchema), v.minLength(1), v.maxLength(240))),
    /** Left out by an earlier run and repaired since: they are tightened with the others. */
    repaired: v.optional(v.pipe(v.array(LabelSchema), v.minLength(1), v.maxLength(240))),
  }),
  variantAnswered: v.strictObject({ question: textOf(120), answer: textOf(80) }),
  valueChosen: v.strictObject({
    stage: KeySchema,
    part: v.optional(KeySchema),
    value: QuantitySchema,
  }),
  wrenchChosen: v.strictObject({
    stage: KeySchema,
    part: v.optional(KeySchema),
    method: Method,
    wrench: v.nullable(WrenchSchema),
    /** Out of calibration: the lead decides later. */
    pendingLead: v.optional(v.literal(true)),
  }),
  fitted: v.strictObject({
    fasteners: v.pipe(
      v.array(v.strictObject({ fastener: FastenerIdSchema, condition: Fitted, ...measuredLength })),
      v.minLength(1),
      v.maxLength(240),
    ),
  }),
  wrenchSet: v.strictObject({
    stage: KeySchema,
    part: v.optional(KeySchema),
    setting: QuantitySchema,
  }),
  used: v.strictObject({ statement: StatementSchema }),
  stepDone: v.strictObject({
    step: KeySchema,
    /** Plain steps of the same list, read and confirmed as seen with it. */
    also: v.optional(v.pipe(v.array(KeySchema), v.minLength(1), v.maxLength(60))),
    fasteners: v.optional(fasteners),
    /** neighbors: those found to have moved. */
    moved: v.optional(fasteners),
    answer: v.optional(textOf(60)),
    /** One answer for each row of the step. */
    answers: v.optional(
      v.pipe(
        v.array(v.strictObject({ row: textOf(40), answer: textOf(60) })),
        v.minLength(1),
        v.maxLength(60),
      ),
    ),
    /** What was seen, in words; for a heavy part what it rests on. */
    note,
    /** Raw readings, place by place. */
    measured: v.optional(MeasuredSchema),
    measurements: v.optional(
      v.pipe(
        v.array(v.strictObject({ row: v.optional(textOf(40)), value: QuantitySchema })),
        v.minLength(1),
        v.maxLength(120),
      ),
    ),
    deferTo: v.optional(KeySchema),
    pendingLead: v.optional(v.literal(true)),
    doneAt,
  }),
  pulled: v.strictObject({
    fastener: FastenerIdSchema,
    stage: KeySchema,
    part: v.optional(KeySchema),
    pass: count,
    outcome: Outcome,
    method: Method,
    /**
     * For an angle: what this pull turned. For a torque: what the wrench showed. For a stretch: the
     * elongation. A click has none.
     */
    reading: v.optional(QuantitySchema),
    /**
     * Read off the stripe: how far it stands from where it was painted, over all stages since. Zero
     * is an answer.
     */
    stripeDeg: v.optional(v.pipe(finite, v.minValue(0))),
    /**
     * Asked back because the reading is past what the fastener or the wrench can take: it is what
     * the wrench showed.
     */
    sure: v.optional(v.literal(true)),
    /**
     * Turn measured while settling, in degrees: movement is judged by it instead of by what was
     * said.
     */
    turnDeg: v.optional(v.pipe(finite, v.minValue(0))),
    wrench: v.optional(UuidSchema),
    /** Said when a first torque did not turn the fastener and someone looked at it. */
    looked: v.optional(v.literal(true)),
    /** One more pull on a fastener that is done in this pass; the last one counts. */
    again: v.optional(v.literal(true)),
    /** The one that was on the screen, when another was turned. */
    insteadOf: v.optional(FastenerIdSchema),
    puller: v.optional(UuidSchema),
    reader: v.optional(UuidSchema),
    /** What a digital wrench saw of it, by its hash. */
    trace: v.optional(HashSchema),
    /** What its curve was taken for at the bolt, and what the person who looked said to that. */
    curve: v.optional(CurveSchema),
    verdict: v.picklist(VERDICTS),
    core: textOf(20),
    doneAt,
  }),
  passConfirmed: v.strictObject({
    stage: KeySchema,
    pass: count,
    fasteners,
    outcome: Outcome,
    puller: UuidSchema,
    doneAt,
  }),
  roundDone: v.strictObject({
    stage: KeySchema,
    round: count,
    seated: v.boolean(),
    notSeated: v.optional(fasteners),
    gap: v.optional(QuantitySchema),
    doneAt,
  }),
  waited: v.strictObject({
    stage: v.optional(KeySchema),
    clock: v.optional(KeySchema),
    celsius: v.optional(finite),
  }),
  overran: v.strictObject({ clock: KeySchema, doneAt }),
  held: v.strictObject({
    hold: KeySchema,
    decision: v.picklist(HOLD_DECISIONS),
    finding: note,
    fastener: v.optional(FastenerIdSchema),
  }),
  swapped: v.strictObject({
    fastener: FastenerIdSchema,
    replacement: FastenerIdSchema,
    condition: Fitted,
    ...measuredLength,
    lot: v.optional(textOf(40)),
  }),
  setAside: v.strictObject({ fastener: FastenerIdSchema, reason: note }),
  failed: v.strictObject({
    fastener: v.optional(FastenerIdSchema),
    step: v.optional(KeySchema),
    kind: v.picklist(FAILURES),
    note,
  }),
  added: v.strictObject({
    fasteners,
    action: v.picklist(['torque', 'angle', 'loosen']),
    value: v.optional(QuantitySchema),
    note,
  }),
  corrected: v.strictObject({
    event: UuidSchema,
    outcome: v.picklist([...OUTCOMES, 'notTurned']),
    reading: v.optional(QuantitySchema),
    /** The one that was really turned. */
    fastener: v.optional(FastenerIdSchema),
    sure: v.optional(v.literal(true)),
    verdict: v.picklist(VERDICTS),
  }),
  undone: v.strictObject({ event: UuidSchema }),
  /** What had to come loose before going back is loose, in the order shown. */
  slackened: v.strictObject({ fasteners }),
  restarted: v.strictObject({
    stage: v.optional(KeySchema),
    fastener: v.optional(FastenerIdSchema),
    slackened: v.literal(true),
  }),
  paused: v.strictObject({ reason: note }),
  resumed: v.strictObject({}),
  tookOver: v.strictObject({ fromDevice: UuidSchema, deviceName: textOf(60) }),
  reconciled: v.strictObject({
    stage: KeySchema,
    pass: count,
    fasteners: v.pipe(
      v.array(
        v.strictObject({
          fastener: FastenerIdSchema,
          found: v.picklist(['turned', 'notTurned', 'cannotTell']),
        }),
      ),
      v.minLength(1),
      v.maxLength(240),
    ),
  }),
  /** Where fasteners that came out are kept, and how long they are where lengths differ. */
  bagged: v.strictObject({
    fasteners,
    bag: textOf(40),
    lengthMm: v.optional(v.pipe(finite, v.gtValue(0))),
  }),
  photoAttached: v.strictObject({ photo: HashSchema, of: v.optional(FastenerIdSchema), note }),
  finished: v.strictObject({}),
} as const;

type Payloads = { [T in keyof typeof payloads]: v.InferOutput<(typeof payloads)[T]> };
export type EventType = keyof Payloads;
export type PayloadOf<T extends EventType> = Payloads[T];

/** What is common to every event; `seq` counts from 1 without gaps within run and hold. */
export interface Envelope {
  v: 1;
  id: string;
  shop: string;
  run: string;
  hold: number;
  seq: number;
  device: string;
  person: string;
  deviceTime: string;
}

export type EventOf<T extends EventType> = T extends EventType
  ? Envelope & { type: T; payload: Payloads[T] }
  : never;
export type RunEvent = EventOf<EventType>;

const envelope = {
  v: v.literal(1),
  id: UuidSchema,
  shop: UuidSchema,
  run: UuidSchema,
  hold: count,
  seq: v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(1_000_000)),
  device: UuidSchema,
  person: UuidSchema,
  deviceTime: TimeSchema,
} as const;

export const EVENT_TYPES = Object.keys(payloads) as EventType[];

const options = EVENT_TYPES.map((type) =>
  v.strictObject({ ...envelope, type: v.literal(type), payload: payloads[type] }),
);

/** Any event, as it is stored on the device and sent. Strict: an unknown field is refused. */
export const RunEventSchema = v.variant(
  'type',
  options as never,
) as unknown as v.GenericSchema<RunEvent>;
