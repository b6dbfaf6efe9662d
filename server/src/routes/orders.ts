import type { Express } from 'express';
import type { Order } from '@stennet/core/contract';
import type { JointSheet } from '@stennet/core/contract/run';
import { AppError } from '@stennet/core/errors';
import { onlyRow, type Client } from '../db/database';
import findJoint from '../db/queries/findJoint.sql';
import listOrders from '../db/queries/listOrders.sql';
import findJob from '../db/queries/findJob.sql';
import findStanding from '../db/queries/findStanding.sql';
import findVehicle from '../db/queries/findVehicle.sql';
import insertJoint from '../db/queries/insertJoint.sql';
import setJointSheet from '../db/queries/setJointSheet.sql';
import listWrenches from '../db/queries/listWrenches.sql';
import type { Wrench } from '@stennet/core/quantity';
import { serve, type Deps } from '../http/serve';

export function orderRoutes(app: Express, deps: Deps): void {
  serve(app, deps, 'today', async ({ client }) => ({ orders: (await client.query<Order>(listOrders, [null])).rows }));
  serve(app, deps, 'order', async ({ client, params }) => onlyRow((await client.query<Order>(listOrders, [params.order])).rows, new AppError('NOT_FOUND')));
  serve(app, deps, 'jointSheet', async ({ client, params }) => {
    const joint = await jointWithSheet(client, params.joint ?? '');
    return { joint: joint.joint, order: orderLabel(joint), sheet: JSON.parse(joint.body), sheetHash: joint.hash, supersededBy: joint.superseded_by };
  });
  serve(app, deps, 'setJointSheet', async ({ client, params, body }) => {
    const joint = await jointWithSheet(client, params.joint ?? '');
    if (joint.sheet === body.sheet && joint.revision === body.revision) return { ok: true };
    await assertStanding(client, body.sheet, body.revision);
    const { rowCount } = await client.query(setJointSheet, [joint.joint, body.sheet, body.revision]);
    if (rowCount === 0) throw new AppError('JOINT_BEGUN');
    return { ok: true };
  });
  serve(app, deps, 'addJoint', async ({ client, session, params, body }) => {
    onlyRow((await client.query<{ id: string }>(findJob, [params.job])).rows, new AppError('NOT_FOUND'));
    await assertStanding(client, body.sheet, body.revision);
    // Sent again after a lost answer: it is there already.
    if ((await client.query(findJoint, [body.joint])).rows.length === 0) {
      await client.query(insertJoint, [session.shop.id, body.joint, params.job, body.name, body.sheet, body.revision]);
    }
    return { joint: body.joint };
  });
  serve(app, deps, 'vehicle', async ({ client, params }) => {
    const [row] = (await client.query<{ vehicle: Order['vehicle'] }>(findVehicle, [params.vin])).rows;
    return { vehicle: row?.vehicle ?? null };
  });
  serve(app, deps, 'wrenches', async ({ client }) => ({ wrenches: (await client.query<Wrench>(listWrenches)).rows }));
}

interface JointRow {
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
  return onlyRow((await client.query<JointRow>(findJoint, [joint])).rows, new AppError('NOT_FOUND'));
}

/** Only what stands is tightened by. */
async function assertStanding(client: Client, sheet: string, revision: string): Promise<void> {
  const row = onlyRow((await client.query<{ status: string }>(findStanding, [sheet, revision])).rows, new AppError('NOT_FOUND'));
  if (row.status !== 'approved') throw new AppError('SHEET_NOT_STANDING');
}

export function orderLabel(row: JointRow): JointSheet['order'] {
  return { id: row.order_id, number: row.number, vehicle: `${row.vehicle.maker} ${row.vehicle.model}`, built: row.vehicle.built, job: row.job, joint: row.name };
}
