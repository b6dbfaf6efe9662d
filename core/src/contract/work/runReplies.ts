import * as v from 'valibot';
import { SheetBriefSchema } from '../../find/sheetBrief';
import { SheetSchema } from '../../procedure/sheet';
import { RunEventSchema } from '../../run/events';

const id = v.string();

export const JointSheetSchema = v.object({
  joint: id,
  order: v.object({
    id,
    number: v.string(),
    vehicle: v.string(),
    built: v.optional(v.string()),
    job: v.string(),
    joint: v.string(),
  }),
  sheet: SheetSchema,
  sheetHash: v.string(),
  /** The revision that stands now, where this one no longer does. A run keeps its own. */
  supersededBy: v.optional(v.nullable(v.string())),
});
export type JointSheet = v.InferOutput<typeof JointSheetSchema>;

export const RunReplySchema = v.object({
  ...JointSheetSchema.entries,
  id,
  events: v.array(RunEventSchema),
  people: v.record(v.string(), v.string()),
  headHash: v.string(),
});
export type RunReply = v.InferOutput<typeof RunReplySchema>;
/** What a device needs to lead a run without the server: its events are kept one by one. */
export const KeptRunSchema = v.omit(RunReplySchema, ['events', 'headHash']);
export type KeptRun = v.InferOutput<typeof KeptRunSchema>;

export const FoundSchema = v.object({ sheets: v.array(SheetBriefSchema) });

export const SheetReplySchema = v.object({
  sheet: SheetSchema,
  hash: v.string(),
  approval: v.nullable(v.object({ by: v.string(), at: v.string() })),
  /** Who is writing the next revision, where someone is. */
  draft: v.nullable(v.object({ editor: v.string(), editedAt: v.string() })),
  /** Siblings, conflicting sheets, what must come first, and other revisions. */
  related: v.array(SheetSchema),
  uses: v.array(
    v.object({
      order: id,
      number: v.string(),
      jointId: id,
      joint: v.string(),
      revision: v.string(),
      state: v.nullable(v.picklist(['open', 'paused', 'finished'])),
    }),
  ),
});
export type SheetReply = v.InferOutput<typeof SheetReplySchema>;
