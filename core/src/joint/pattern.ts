import * as v from 'valibot';

const mm = v.pipe(v.number(), v.finite(), v.minValue(-5000), v.maxValue(5000));
export const LabelSchema = v.pipe(v.string(), v.regex(/^[A-Za-z0-9]{1,6}$/));

/** What several places have in common: inner, outer, long. */
const TagSchema = v.pipe(v.string(), v.regex(/^[A-Za-z][A-Za-z0-9-]{0,19}$/));

/**
 * A place for a fastener: permanent label, where it lies on the part (x to the right, y up, in mm),
 * and which cap it holds.
 */
export const PositionSchema = v.strictObject({
  label: LabelSchema,
  xMm: mm,
  yMm: mm,
  cap: v.optional(LabelSchema),
  tags: v.optional(v.pipe(v.array(TagSchema), v.maxLength(8))),
});
export type Position = v.InferOutput<typeof PositionSchema>;

export const SEEN_FROM = ['above', 'below', 'front', 'rear', 'left', 'right'] as const;

/**
 * The part as it lies before the technician: outline, openings, what helps to find one's way,
 * places.
 */
export const PatternSchema = v.strictObject({
  outline: v.pipe(v.array(v.tuple([mm, mm])), v.minLength(3), v.maxLength(200)),
  openings: v.pipe(
    v.array(
      v.strictObject({
        xMm: mm,
        yMm: mm,
        radiusMm: v.pipe(v.number(), v.gtValue(0), v.maxValue(2000)),
      }),
    ),
    v.maxLength(200),
  ),
  landmarks: v.pipe(
    v.array(
      v.strictObject({
        side: v.picklist(['left', 'right', 'top', 'bottom']),
        text: v.pipe(v.string(), v.minLength(1), v.maxLength(40)),
      }),
    ),
    v.maxLength(8),
  ),
  positions: v.pipe(v.array(PositionSchema), v.minLength(1), v.maxLength(120)),
  /** From where it is drawn, where that is not from above: “below” for a pan, under a lift. */
  seenFrom: v.optional(v.picklist(SEEN_FROM)),
});
export type Pattern = v.InferOutput<typeof PatternSchema>;
