import * as v from 'valibot';
import type { Order } from '@stennet/core/contract';
import { rowsOf, done, changed, json } from './statement';
import findRecordSql from './queries/findRecord.sql';
import listChainSql from './queries/listChain.sql';
import findAwaySql from './queries/findAway.sql';
import listDueAwaySql from './queries/listDueAway.sql';
import noteAwaySql from './queries/noteAway.sql';
import deleteChainSql from './queries/deleteChain.sql';
import listSignedWordsSql from './queries/listSignedWords.sql';
import insertSignedWordSql from './queries/insertSignedWord.sql';
import setSigningSql from './queries/setSigning.sql';
import findForeignSql from './queries/findForeign.sql';
import findForeignForUpdateSql from './queries/findForeignForUpdate.sql';
import insertForeignSql from './queries/insertForeign.sql';
import listForeignSql from './queries/listForeign.sql';

export const findRecord = rowsOf(
  findRecordSql,
  v.object({
    id: v.string(),
    part: v.string(),
    instance: v.string(),
    state: v.picklist(['open', 'paused', 'finished']),
    signing: v.picklist(['open', 'wantsSecond', 'signed']),
    head_hash: v.string(),
    last_position: v.number(),
    sheet_id: v.string(),
    revision: v.string(),
    joint_id: v.string(),
    joint: v.string(),
    order_id: v.string(),
    number: v.string(),
    vehicle: json<Order['vehicle']>(),
    odometer_value: v.nullable(v.number()),
    odometer_unit: v.picklist(['km', 'mi']),
    customer: v.string(),
    sheet: v.string(),
    sheet_hash: v.string(),
    instances: v.nullable(json<{ labels: string[] }>()),
  }),
);
export const listChain = rowsOf(
  listChainSql,
  v.object({
    body: v.string(),
    hash: v.string(),
    seal: v.nullable(v.string()),
    lateMs: v.nullable(v.number()),
  }),
);
export const findAway = rowsOf(findAwaySql, v.object({ late: v.array(v.nullable(v.number())) }));
export const listDueAway = rowsOf(listDueAwaySql, v.object({ run: v.string() }));
export const noteAway = done(noteAwaySql);
export const deleteChain = changed(deleteChainSql);
export const listSignedWords = rowsOf(
  listSignedWordsSql,
  v.object({ body: v.string(), signature: v.string() }),
);
export const insertSignedWord = done(insertSignedWordSql);
export const setSigning = done(setSigningSql);
export const findForeign = rowsOf(
  findForeignSql,
  v.object({ body: v.string(), at: v.string(), by: v.string() }),
);
export const findForeignForUpdate = rowsOf(findForeignForUpdateSql, v.object({ body: v.string() }));
export const insertForeign = changed(insertForeignSql);
export const listForeign = rowsOf(
  listForeignSql,
  v.object({
    run: v.string(),
    number: v.string(),
    joint: v.string(),
    from: v.string(),
    fingerprint: v.string(),
    at: v.string(),
  }),
);
