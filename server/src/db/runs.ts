import * as v from 'valibot';
import type { RunBrief } from '@stennet/core/contract';
import type { RunBefore } from '@stennet/core/prepare';
import type { RunEvent } from '@stennet/core/run';
import type { Connection } from './connection';
import { SessionRowSchema } from './sessions';
import { rowsOf, done, json } from './statement';
import findRunSql from './queries/findRun.sql';
import lockRunSql from './queries/lockRun.sql';
import insertRunSql from './queries/insertRun.sql';
import keepEntriesSql from './queries/keepEntries.sql';
import lockKnownSql from './queries/lockKnown.sql';
import listRunsOfJointSql from './queries/listRunsOfJoint.sql';
import listRunsOfOrderSql from './queries/listRunsOfOrder.sql';
import listRunsByNumberSql from './queries/listRunsByNumber.sql';
import findProverSql from './queries/findProver.sql';
import listLateIdsSql from './queries/listLateIds.sql';
import insertLateEventsSql from './queries/insertLateEvents.sql';
import listStatementsSql from './queries/listStatements.sql';
import insertStatementSql from './queries/insertStatement.sql';

export const findRun = rowsOf(
  findRunSql,
  v.object({
    joint: v.string(),
    part: v.string(),
    instance: v.string(),
    head_hash: v.string(),
    sheet: v.string(),
    sheet_hash: v.string(),
    superseded_by: v.nullable(v.string()),
  }),
);
export const lockRun = rowsOf(
  lockRunSql,
  v.object({
    sheet: v.nullable(v.string()),
    sheet_hash: v.string(),
    head_hash: v.string(),
    signing: v.string(),
    hold_key_hash: v.nullable(v.instance(Buffer)),
  }),
);
export const insertRun = done(insertRunSql);
/** Some runs' lists with what is new in them, as `keepEntries` takes them; dates as ISO 8601. */
export interface NewInList {
  run: string;
  state: 'open' | 'paused' | 'finished';
  holderPerson: string;
  holderDevice: string;
  /** What the device is called that holds it from now on; null: as before. */
  newHolder: string | null;
  hold: number;
  lastSeq: number;
  lastPosition: number;
  headHash: string;
  lastAt: string;
  standing: RunBrief['standing'];
  /** Hash of the key that the holder shows; hex. */
  holdKey: string | null;
  entries: {
    position: number;
    id: string;
    hold: number;
    seq: number;
    type: RunEvent['type'];
    person: string;
    body: string;
    hash: string;
    seal: string;
    lateMs: number | null;
  }[];
  uses: { wrench: string; firstAt: string; lastAt: string; pulls: number }[];
}
const keepEntriesOf = done(keepEntriesSql);
export const keepEntries = (
  client: Connection,
  shop: string,
  lists: readonly NewInList[],
): Promise<void> => keepEntriesOf(client, shop, JSON.stringify(lists));
export const lockKnown = rowsOf(
  lockKnownSql,
  v.object({
    ...SessionRowSchema.entries,
    place: v.number(),
    signing: v.string(),
    head_hash: v.string(),
    hold_key_hash: v.nullable(v.instance(Buffer)),
    sheet_hash: v.string(),
  }),
);
export const listRunsOfJoint = rowsOf(
  listRunsOfJointSql,
  v.object({
    part: v.string(),
    instance: v.nullable(v.string()),
    state: v.picklist(['open', 'paused', 'finished']),
    standing: json<RunBefore['standing']>(),
  }),
);
export const listRunsOfOrder = rowsOf(listRunsOfOrderSql, v.object({ id: v.string() }));
export const listRunsByNumber = rowsOf(listRunsByNumberSql, v.object({ run: v.string() }));
export const findProver = rowsOf(
  findProverSql,
  v.object({
    entry_key: v.instance(Buffer),
    role: v.picklist(['lead', 'technician', 'adviser', 'apprentice', 'owner']),
  }),
);
export const listLateIds = rowsOf(listLateIdsSql, v.object({ id: v.string() }));
export const insertLateEvents = done(insertLateEventsSql);
export const listStatements = rowsOf(
  listStatementsSql,
  v.object({ id: v.string(), body: v.string() }),
);
export const insertStatement = done(insertStatementSql);
