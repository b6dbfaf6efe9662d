import * as v from 'valibot';
import { rowsOf, done } from './statement';
import lastOfJournalSql from './queries/lastOfJournal.sql';
import lockJournalSql from './queries/lockJournal.sql';
import insertJournalSql from './queries/insertJournal.sql';
import listJournalSql from './queries/listJournal.sql';
import takeUnsealedSql from './queries/takeUnsealed.sql';

export const lastOfJournal = rowsOf(
  lastOfJournalSql,
  v.object({ place: v.string(), hash: v.string(), body: v.string(), seal: v.string() }),
);
export const lockJournal = done(lockJournalSql);
export const insertJournal = done(insertJournalSql);
export const listJournal = rowsOf(
  listJournalSql,
  v.object({ place: v.string(), body: v.string(), hash: v.string(), seal: v.string() }),
);
export const takeUnsealed = rowsOf(
  takeUnsealedSql,
  v.object({
    table: v.string(),
    key: v.string(),
    label: v.nullable(v.string()),
    of: v.nullable(v.string()),
    digest: v.nullable(v.string()),
    shop: v.string(),
  }),
);
