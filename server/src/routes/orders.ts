import type { Express } from 'express';
import * as v from 'valibot';
import { OrdersQuery, type Order } from '@stennet/core/contract';
import type { JointSheet } from '@stennet/core/contract/run';
import { dayIn } from '@stennet/core/followUp';
import { AppError } from '@stennet/core/errors';
import { narrowed } from '@stennet/core/order';
import { onlyRow, type Client } from '../db/database';
import findJoint from '../db/queries/findJoint.sql';
import listOrders from '../db/queries/listOrders.sql';
import findJob from '../db/queries/findJob.sql';
import findStanding from '../db/queries/findStanding.sql';
import findVehicle from '../db/queries/findVehicle.sql';
import insertJoint from '../db/queries/insertJoint.sql';
import setJointSheet from '../db/queries/setJointSheet.sql';
import countOverdue from '../db/queries/countOverdue.sql';
import { serve, type Deps } from '../http/serve';

export function orderRoutes(app: Express, deps: Deps): void {
  serve(app, deps, 'today', async ({ client, session, deps: { now } }) => ({
    orders: (await client.query<Order>(listOrders, [null, null, null, false])).rows,
    overdue: Number(
      (await client.query<{ n: string }>(countOverdue, [dayIn(now(), session.shop.timeZone)]))
        .rows[0]?.n ?? 0,
    ),
  }));
  serve(app, deps, 'orders', async ({ client, query }) => {
    const asked = v.safeParse(OrdersQuery, query);
    if (!asked.success) throw new AppError('BAD_REQUEST', { where: 'what to look for' });
    const { q, state, all } = asked.output;
    return {
      overdue: 0,
      orders: (
        await client.query<Order>(listOrders, [
          null,
          q ? likeOf(q) : null,
          state ?? null,
          all === 'yes' || state === 'handedOver',
        ])
      ).rows,
    };
  });
  serve(app, deps, 'order', async ({ client, params }) => orderIn(client, params.order));
  serve(app, deps, 'jointSheet', async ({ client, params }) => {
    const joint = await jointWithSheet(client, params.joint ?? '');
    return {
      joint: joint.joint,
      order: orderLabel(joint),
      sheet: JSON.parse(joint.body),
      sheetHash: joint.hash,
      supersededBy: joint.superseded_by,
    };
  });
  serve(app, deps, 'setJointSheet', async ({ client, params, body }) => {
    const joint = await jointWithSheet(client, params.joint ?? '');
    if (joint.sheet === body.sheet && joint.revision === body.revision) return { ok: true };
    await assertStanding(client, body.sheet, body.revision);
    const { rowCount } = await client.query(setJointSheet, [
      joint.joint,
      body.sheet,
      body.revision,
    ]);
    if (rowCount === 0) throw new AppError('JOINT_BEGUN');
    return { ok: true };
  });
  serve(app, deps, 'addJoint', async ({ client, session, params, body }) => {
    onlyRow(
      (await client.query<{ id: string }>(findJob, [params.job])).rows,
      new AppError('NOT_FOUND'),
    );
    await assertStanding(client, body.sheet, body.revision);
    await keepJoint(client, session.shop.id, { ...body, job: params.job ?? '' });
    return { joint: body.joint };
  });
  serve(app, deps, 'vehicle', async ({ client, params }) => {
    const [row] = (await client.query<{ vehicle: Order['vehicle'] }>(findVehicle, [params.vin]))
      .rows;
    return { vehicle: row?.vehicle ?? null };
  });
}

/** @throws AppError NOT_FOUND */
export async function orderIn(client: Client, order: string | undefined): Promise<Order> {
  const whole = onlyRow(
    (await client.query<Order>(listOrders, [order, null, null, true])).rows,
    new AppError('NOT_FOUND'),
  );
  const entries = whole.entries.map((e) => e.body);
  return {
    ...whole,
    jobs: whole.jobs.map((job) => ({
      ...job,
      joints: job.joints.map((j) => narrowed(j, entries)),
    })),
  };
}

/** Signs that mean something in a pattern stand for themselves. */
const likeOf = (q: string): string => `%${q.replace(/[\\%_]/g, '\\$&')}%`;

export interface JointRow {
  joint: string;
  order_id: string;
  number: string;
  vehicle: Order['vehicle'];
  job: string;
  name: string;
  sheet: string;
  revision: string;
  body: string;
  hash: string;
  superseded_by: string | null;
}

export async function jointWithSheet(client: Client, joint: string): Promise<JointRow> {
  return onlyRow(
    (await client.query<JointRow>(findJoint, [joint])).rows,
    new AppError('NOT_FOUND'),
  );
}

/**
 * Sent again after a lost answer, it is there already.
 * @throws AppError ID_TAKEN another is there under this id
 */
export async function keepJoint(
  client: Client,
  shop: string,
  j: { joint: string; job: string; name: string; sheet: string; revision: string },
): Promise<void> {
  const { rowCount } = await client.query(insertJoint, [
    shop,
    j.joint,
    j.job,
    j.name,
    j.sheet,
    j.revision,
  ]);
  if (rowCount === 0) throw new AppError('ID_TAKEN');
}

/** Only what stands is tightened by. */
export async function assertStanding(
  client: Client,
  sheet: string,
  revision: string,
): Promise<void> {
  const row = onlyRow(
    (await client.query<{ status: string }>(findStanding, [sheet, revision])).rows,
    new AppError('NOT_FOUND'),
  );
  if (row.status !== 'approved') throw new AppError('SHEET_NOT_STANDING');
}

export function orderLabel(row: JointRow): JointSheet['order'] {
  return {
    id: row.order_id,
    number: row.number,
    vehicle: `${row.vehicle.maker} ${row.vehicle.model}`,
    built: row.vehicle.built,
    job: row.job,
    joint: row.name,
  };
}
