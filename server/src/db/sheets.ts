import * as v from 'valibot';
import type { SheetBrief } from '@stennet/core/find';
import { rowsOf, done, changed, json } from './statement';
import findSheetRevisionSql from './queries/findSheetRevision.sql';
import listSheetsSql from './queries/listSheets.sql';
import listSheetPlacesSql from './queries/listSheetPlaces.sql';
import listSheetUsesSql from './queries/listSheetUses.sql';
import listBesideSheetsSql from './queries/listBesideSheets.sql';
import listRelatedSheetsSql from './queries/listRelatedSheets.sql';
import listRevisionsSql from './queries/listRevisions.sql';
import listExportSql from './queries/listExport.sql';
import listPickedSql from './queries/listPicked.sql';
import listLibraryChangesSql from './queries/listLibraryChanges.sql';
import listReplacedSql from './queries/listReplaced.sql';
import countStandingSql from './queries/countStanding.sql';
import findStandingSql from './queries/findStanding.sql';
import findWordsSql from './queries/findWords.sql';
import findSheetsSql from './queries/findSheets.sql';
import nextChangeSql from './queries/nextChange.sql';
import supersedeSheetSql from './queries/supersedeSheet.sql';
import insertSheetRevisionSql from './queries/insertSheetRevision.sql';
import insertSheetWordsSql from './queries/insertSheetWords.sql';
import insertWordFormsSql from './queries/insertWordForms.sql';
import countWordsSql from './queries/countWords.sql';

/** A revision as it is kept: its document, and whether it stands now. */
const standing = {
  body: v.string(),
  status: v.picklist(['draft', 'approved', 'superseded']),
  superseded_by: v.nullable(v.string()),
};

export const findSheetRevision = rowsOf(
  findSheetRevisionSql,
  v.object({
    hash: v.string(),
    approver: v.nullable(v.string()),
    approved_at: v.nullable(v.string()),
    draft_editor: v.nullable(v.string()),
    draft_at: v.nullable(v.string()),
    ...standing,
  }),
);
export const listSheets = rowsOf(
  listSheetsSql,
  v.object({
    brief: json<SheetBrief>(),
  }),
);
export const listSheetPlaces = rowsOf(
  listSheetPlacesSql,
  v.object({ maker: v.string(), engine: v.string(), kind: v.string(), sheets: v.number() }),
);
export const listSheetUses = rowsOf(
  listSheetUsesSql,
  v.object({
    number: v.string(),
    jointId: v.string(),
    joint: v.string(),
    revision: v.string(),
    state: v.nullable(v.picklist(['open', 'paused', 'finished'])),
    order_id: v.string(),
  }),
);
export const listBesideSheets = rowsOf(listBesideSheetsSql, v.object({ ...standing }));
export const listRelatedSheets = rowsOf(
  listRelatedSheetsSql,
  v.object({
    ...standing,
  }),
);
export const listRevisions = rowsOf(
  listRevisionsSql,
  v.object({
    ...standing,
    sheet: v.string(),
  }),
);
export const listExport = rowsOf(
  listExportSql,
  v.object({ ...standing, sheet: v.string(), revision: v.string() }),
);
export const listPicked = rowsOf(
  listPickedSql,
  v.object({
    ...standing,
  }),
);
export const listLibraryChanges = rowsOf(
  listLibraryChangesSql,
  v.object({
    ...standing,
    sheet: v.string(),
    revision: v.string(),
    change: v.string(),
  }),
);
export const listReplaced = rowsOf(
  listReplacedSql,
  v.object({
    sheet: v.string(),
    revision: v.string(),
    by: v.string(),
    title: v.string(),
    order: v.string(),
    number: v.string(),
    joint: v.string(),
    jointName: v.string(),
    state: v.nullable(v.picklist(['open', 'paused', 'finished'])),
  }),
);
export const countStanding = rowsOf(countStandingSql, v.object({ standing: v.number() }));
export const findStanding = rowsOf(findStandingSql, v.object({ status: v.string() }));
export const findWords = rowsOf(
  findWordsSql,
  v.object({
    n: v.number(),
    word: v.string(),
    sheets: v.number(),
    how: v.picklist(['whole', 'begins', 'near']),
  }),
);
export const findSheets = rowsOf(findSheetsSql, v.object({ brief: json<SheetBrief>() }));
export const nextChange = rowsOf(nextChangeSql, v.object({ change: v.string() }));
export const supersedeSheet = done(supersedeSheetSql);
export const insertSheetRevision = changed(insertSheetRevisionSql);
export const insertSheetWords = done(insertSheetWordsSql);
export const insertWordForms = done(insertWordFormsSql);
export const countWords = done(countWordsSql);
