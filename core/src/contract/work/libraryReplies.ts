import * as v from 'valibot';
import { DraftSchema } from '../../draft/draft';
import { SheetSchema } from '../../procedure/sheet';
import { WholeOrderSchema } from '../orderReplies';

const id = v.string();
const nullableText = v.nullable(v.string());

const DraftBriefSchema = v.object({
  sheet: id,
  revision: v.string(),
  title: v.string(),
  maker: v.string(),
  engine: v.string(),
  kind: v.string(),
  editor: v.object({ id, name: v.string() }),
  editedAt: v.string(),
  version: v.number(),
  basedOn: nullableText,
  imported: v.boolean(),
  errors: v.number(),
  warnings: v.number(),
});
export type DraftBrief = v.InferOutput<typeof DraftBriefSchema>;

/**
 * What a lead keeps in order: what is being written, and what still uses a revision that no longer
 * stands.
 */
export const LibrarySchema = v.object({
  standing: v.number(),
  drafts: v.array(DraftBriefSchema),
  replaced: v.array(
    v.object({
      sheet: id,
      revision: v.string(),
      by: v.string(),
      title: v.string(),
      order: id,
      number: v.string(),
      joint: id,
      jointName: v.string(),
      state: v.nullable(v.picklist(['open', 'paused', 'finished'])),
    }),
  ),
  /** With one lead in the shop, that lead may approve what they wrote themselves. */
  soleLead: v.boolean(),
});
export type Library = v.InferOutput<typeof LibrarySchema>;

export const DraftReplySchema = v.object({
  draft: DraftSchema,
  version: v.number(),
  editor: v.object({ id, name: v.string() }),
  editedAt: v.string(),
  basedOn: nullableText,
  imported: v.boolean(),
  /** Earlier revisions, siblings and conflicting sheets: what it is compared with. */
  related: v.array(SheetSchema),
  soleLead: v.boolean(),
});
export type DraftReply = v.InferOutput<typeof DraftReplySchema>;

/** What else a draft is compared with: of its engine, its maker, its threads. */
export const BesideSchema = v.object({ sheets: v.array(SheetSchema) });

export const SavedDraftSchema = v.object({ version: v.number() });
export const ApprovedSchema = v.object({
  approved: v.array(v.object({ sheet: id, revision: v.string() })),
});

/** What is new in the library since a device last asked. */
export const LibraryChangesSchema = v.object({
  sheets: v.array(SheetSchema),
  after: nullableText,
  more: v.boolean(),
});
/** Vehicles that were here before, with who brought them. */
export const VehiclesReplySchema = v.object({
  vehicles: v.array(v.pick(WholeOrderSchema, ['vehicle', 'customer', 'contact'])),
});
export type KnownVehicle = v.InferOutput<typeof VehiclesReplySchema>['vehicles'][number];
export const JointIdSchema = v.object({ joint: id });

/** One line of the answer to an import: on its way, or done. */
export const ImportLineSchema = v.object({
  read: v.number(),
  new: v.number(),
  same: v.number(),
  changed: v.number(),
  refused: v.array(v.object({ place: v.string(), sheet: v.string(), message: v.string() })),
  refusedCount: v.number(),
  done: v.boolean(),
  written: v.boolean(),
  error: v.nullable(
    v.object({ code: v.string(), params: v.record(v.string(), v.union([v.string(), v.number()])) }),
  ),
});
export type ImportLine = v.InferOutput<typeof ImportLineSchema>;
