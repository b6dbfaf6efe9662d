import * as v from 'valibot';
import { RunEventSchema } from '../run/events';
import { KeySchema, textOf, UuidSchema } from '../schema/text';
import { EXERCISES } from './exerciseIds';

/** More strokes than anyone makes in an hour. */
const MOST_STROKES = 400;
const MOST_ENTRIES = 6000;
/** A stroke is less than two turns of the handle. */
const MOST_STEPS = 2880;
const stroke = v.pipe(
  v.number(),
  v.integer(),
  v.minValue(-MOST_STEPS),
  v.maxValue(MOST_STEPS),
  v.check((n) => n !== 0, 'a stroke that moves'),
);

/** What the run took, or what the hand did between: forward and back in quarter degrees. */
export const PracticeEntrySchema = v.union([
  v.strictObject({ event: RunEventSchema }),
  v.strictObject({ hand: v.pipe(v.array(stroke), v.minLength(1), v.maxLength(MOST_STROKES)) }),
]);
export type PracticeEntry = v.InferOutput<typeof PracticeEntrySchema>;

/** How far all strokes of one practice run may come to, in quarter degrees. */
export const MOST_TRAVEL = 400_000;

/**
 * A practice run, whole: with its seed it goes the same way again, so that whoever judges it needs
 * nothing else. `exercise` or `sheet` says what was practiced.
 */
export const PracticeLogSchema = v.pipe(
  v.strictObject({
    v: v.literal(1),
    id: UuidSchema,
    exercise: v.nullable(v.picklist(EXERCISES)),
    sheet: v.nullable(v.strictObject({ id: KeySchema, revision: textOf(3) })),
    seed: v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(2_147_483_647)),
    entries: v.pipe(v.array(PracticeEntrySchema), v.minLength(1), v.maxLength(MOST_ENTRIES)),
  }),
  v.check((log) => (log.exercise === null) !== (log.sheet === null), 'an exercise or a sheet'),
  v.check((log) => isPracticeId(log.id), 'an id of practice'),
  v.check(
    (log) =>
      log.entries.reduce(
        (sum, e) => sum + ('hand' in e ? e.hand.reduce((n, s) => n + Math.abs(s), 0) : 0),
        0,
      ) <= MOST_TRAVEL,
    'no more turning than a day has room for',
  ),
);
export type PracticeLog = v.InferOutput<typeof PracticeLogSchema>;

const VERSION_AT = 14;

/**
 * Practice has ids of its own kind: version 8 of a UUID, which nothing real has. The database takes
 * them in its practice table alone, and nothing else there.
 */
export const isPracticeId = (id: string): boolean => id[VERSION_AT] === '8';
/** @param id any random UUID */
export const practiceIdFrom = (id: string): string =>
  `${id.slice(0, VERSION_AT)}8${id.slice(VERSION_AT + 1)}`;
