import * as v from 'valibot';
import { rowsOf, done, json } from './statement';
import listDraftBodiesSql from './queries/listDraftBodies.sql';
import lockDraftsSql from './queries/lockDrafts.sql';
import saveDraftSql from './queries/saveDraft.sql';
import deleteDraftsSql from './queries/deleteDrafts.sql';
import findDraftSql from './queries/findDraft.sql';
import listDraftsSql from './queries/listDrafts.sql';

export const listDraftBodies = rowsOf(
  listDraftBodiesSql,
  v.object({ sheet: v.string(), body: v.string() }),
);
export const lockDrafts = rowsOf(
  lockDraftsSql,
  v.object({
    sheet: v.string(),
    body: v.string(),
    version: v.number(),
    editor: v.string(),
    imported: v.boolean(),
  }),
);
/** With its version; the rule of who may save on what is in keepDrafts.ts. */
export const upsertDraft = done(saveDraftSql);
export const deleteDrafts = done(deleteDraftsSql);
export const findDraft = rowsOf(
  findDraftSql,
  v.object({
    sheet: v.string(),
    body: v.string(),
    version: v.number(),
    based_on: v.nullable(v.string()),
    imported: v.boolean(),
    editor: v.string(),
    editor_name: v.string(),
    edited_at: v.date(),
  }),
);
export const listDrafts = rowsOf(
  listDraftsSql,
  v.object({
    sheet: v.string(),
    revision: v.string(),
    title: v.string(),
    maker: v.string(),
    engine: v.string(),
    kind: v.string(),
    editor: json<{ id: string; name: string }>(),
    editedAt: v.string(),
    version: v.number(),
    basedOn: v.nullable(v.string()),
    imported: v.boolean(),
    errors: v.number(),
    warnings: v.number(),
  }),
);
