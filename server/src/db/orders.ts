import * as v from 'valibot';
import type { Order } from '@stennet/core/contract';
import type { Contact } from '@stennet/core/order';
import { rowsOf, done, changed, json } from './statement';
import listOrdersSql from './queries/listOrders.sql';
import insertOrderSql from './queries/insertOrder.sql';
import updateOrderSql from './queries/updateOrder.sql';
import updateOrderStateSql from './queries/updateOrderState.sql';
import findJobSql from './queries/findJob.sql';
import insertJobSql from './queries/insertJob.sql';
import insertJointSql from './queries/insertJoint.sql';
import findJointSql from './queries/findJoint.sql';
import setJointSheetSql from './queries/setJointSheet.sql';
import findVehiclesSql from './queries/findVehicles.sql';
import findEntrySql from './queries/findEntry.sql';
import lockEntrySql from './queries/lockEntry.sql';
import insertEntrySql from './queries/insertEntry.sql';
import findOrderChangeSql from './queries/findOrderChange.sql';
import lockOrderNumbersSql from './queries/lockOrderNumbers.sql';
import nextOrderNumberSql from './queries/nextOrderNumber.sql';
import listOwnRunsSql from './queries/listOwnRuns.sql';
import listOrderSheetsSql from './queries/listOrderSheets.sql';
import eraseCustomerSql from './queries/eraseCustomer.sql';
import eraseDueSql from './queries/eraseDue.sql';

export const listOrders = rowsOf(
  listOrdersSql,
  v.object({
    jobs: json<Order['jobs']>(),
    id: v.string(),
    number: v.string(),
    vehicle: json<Order['vehicle']>(),
    odometer: v.nullable(json<NonNullable<Order['odometer']>>()),
    customer: v.string(),
    contact: v.nullable(json<Contact>()),
    concern: v.string(),
    bay: v.nullable(v.string()),
    promisedAt: v.nullable(v.string()),
    state: v.picklist(['open', 'waiting', 'out', 'inWork', 'toCheck', 'done', 'handedOver']),
    version: v.number(),
    openedAt: v.string(),
    entries: json<Order['entries']>(),
    followUps: json<Order['followUps']>(),
  }),
);
export const insertOrder = changed(insertOrderSql);
export const updateOrder = changed(updateOrderSql);
export const updateOrderState = changed(updateOrderStateSql);
export const findJob = rowsOf(findJobSql, v.object({ id: v.string() }));
export const insertJob = changed(insertJobSql);
export const insertJoint = changed(insertJointSql);
export const findJoint = rowsOf(
  findJointSql,
  v.object({
    joint: v.string(),
    order_id: v.string(),
    number: v.string(),
    vehicle: json<Order['vehicle']>(),
    job: v.string(),
    name: v.string(),
    sheet: v.string(),
    revision: v.string(),
    body: v.string(),
    hash: v.string(),
    superseded_by: v.nullable(v.string()),
  }),
);
export const setJointSheet = changed(setJointSheetSql);
export const findVehicles = rowsOf(
  findVehiclesSql,
  v.object({
    vehicle: json<Order['vehicle']>(),
    customer: v.string(),
    contact: v.nullable(json<Contact>()),
  }),
);
export const findEntry = rowsOf(
  findEntrySql,
  v.object({
    version: v.number(),
    body: v.string(),
    gone: v.boolean(),
    repair_order: v.string(),
    at: v.date(),
    by: v.string(),
  }),
);
export const lockEntry = done(lockEntrySql);
export const insertEntry = done(insertEntrySql);
export const findOrderChange = rowsOf(
  findOrderChangeSql,
  v.object({ changed_by: v.nullable(v.string()), changed_at: v.nullable(v.date()) }),
);
export const lockOrderNumbers = done(lockOrderNumbersSql);
export const nextOrderNumber = rowsOf(nextOrderNumberSql, v.object({ number: v.string() }));
export const listOwnRuns = rowsOf(listOwnRunsSql, v.object({ signed_by_another: v.boolean() }));
export const listOrderSheets = rowsOf(
  listOrderSheetsSql,
  v.object({ job: v.string(), joint: v.string(), name: v.string(), body: v.string() }),
);
export const eraseCustomer = rowsOf(eraseCustomerSql, v.object({ erased: v.number() }));
export const eraseDue = done(eraseDueSql);
