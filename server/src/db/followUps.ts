import * as v from 'valibot';
import type { Order } from '@stennet/core/contract';
import type { Contact, RunSeen } from '@stennet/core/order';
import { rowsOf, done, changed, json } from './statement';
import findFollowUpSql from './queries/findFollowUp.sql';
import insertFollowUpSql from './queries/insertFollowUp.sql';
import listFollowUpsSql from './queries/listFollowUps.sql';
import moveFollowUpSql from './queries/moveFollowUp.sql';
import settleFollowUpSql from './queries/settleFollowUp.sql';
import settleByRunSql from './queries/settleByRun.sql';
import fillOdometerSql from './queries/fillOdometer.sql';
import findTightJointSql from './queries/findTightJoint.sql';
import listOdometerSql from './queries/listOdometer.sql';
import listOpenOfVehicleSql from './queries/listOpenOfVehicle.sql';
import countOverdueSql from './queries/countOverdue.sql';
import findFeedSql from './queries/findFeed.sql';
import saveFeedSql from './queries/saveFeed.sql';
import deleteFeedSql from './queries/deleteFeed.sql';

export const findFollowUp = rowsOf(
  findFollowUpSql,
  v.object({
    version: v.number(),
    state: v.string(),
    note: v.nullable(v.string()),
    by: v.nullable(v.string()),
    vin: v.string(),
    built: v.string(),
  }),
);
export const insertFollowUp = done(insertFollowUpSql);
export const listFollowUps = rowsOf(
  listFollowUpsSql,
  v.object({
    number: v.string(),
    kind: v.picklist(['check', 'beforeFirstStart', 'afterFirstStart', 'retighten', 'fluid']),
    at: v.nullable(v.string()),
    id: v.string(),
    state: v.picklist(['open', 'done', 'declined']),
    vehicle: json<Order['vehicle']>(),
    version: v.number(),
    by: v.nullable(v.string()),
    note: v.nullable(v.string()),
    text: v.string(),
    joint: v.string(),
    distanceKm: v.nullable(v.number()),
    days: v.nullable(v.number()),
    celsius: v.nullable(v.number()),
    seenKm: v.nullable(v.number()),
    after: v.string(),
    since: v.string(),
    sinceKm: v.nullable(v.number()),
    dueOn: v.string(),
    customer: v.string(),
    contact: v.nullable(json<Contact>()),
    order: v.string(),
    jointName: v.string(),
  }),
);
export const fillOdometer = done(fillOdometerSql);
export const moveFollowUp = done(moveFollowUpSql);
export const settleFollowUp = changed(settleFollowUpSql);
export const settleByRun = done(settleByRunSql);
export const findTightJoint = rowsOf(
  findTightJointSql,
  v.object({
    joint: v.string(),
    order: v.string(),
    vin: v.string(),
    built: v.string(),
    value: v.nullable(v.number()),
    unit: v.picklist(['km', 'mi']),
    sheet: v.string(),
    part: v.string(),
    timeZone: v.string(),
    runs: json<readonly Pick<RunSeen, 'part' | 'instance' | 'state'>[]>(),
    instances: v.nullable(json<{ labels: readonly string[] }>()),
  }),
);
export const listOdometer = rowsOf(
  listOdometerSql,
  v.object({ vin: v.string(), day: v.string(), value: v.number(), unit: v.picklist(['km', 'mi']) }),
);
export const listOpenOfVehicle = rowsOf(
  listOpenOfVehicleSql,
  v.object({
    id: v.string(),
    distanceKm: v.number(),
    days: v.nullable(v.number()),
    since: v.string(),
    sinceKm: v.nullable(v.number()),
    dueOn: v.string(),
  }),
);
export const countOverdue = rowsOf(countOverdueSql, v.object({ n: v.string() }));
export const findFeed = changed(findFeedSql);
export const saveFeed = done(saveFeedSql);
export const deleteFeed = done(deleteFeedSql);
