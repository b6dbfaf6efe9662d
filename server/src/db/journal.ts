import * as v from 'valibot';
import { rowsOf, done } from './statement';
import lastOfJournalSql from './queries/lastOfJournal.sql';
import insertJournalSql from './queries/insertJournal.sql';
import listJournalSql from './queries/listJournal.sql';
import takeUnsealedSql from './queries/takeUnsealed.sql';

export const lastOfJournal = rowsOf(
  lastOfJournalSql,
  v.object({ place: v.string(), hash: v.string(), body: v.string(), seal: v.string() }),
);
export const insertJournal = done(insertJournalSql);
export const listJournal = rowsOf(
  listJournalSql,
  v.object({ place: v.string(), body: v.string(), hash: v.string(), seal: v.string() }),
);
/** What became of one row. digest null: it was taken away. */
const change = v.object({
  table: v.string(),
  key: v.string(),
  label: v.nullable(v.string()),
  of: v.nullable(v.string()),
  digest: v.nullable(v.string()),
});
export type Change = v.InferOutput<typeof change>;

export const takeUnsealed = rowsOf(
  takeUnsealedSql,
  v.object({
    shop: v.string(),
    changes: v.array(change),
    place: v.nullable(v.string()),
    hash: v.nullable(v.string()),
    key: v.nullable(v.string()),
  }),
);
