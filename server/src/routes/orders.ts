import type { Express } from 'express';
import * as v from 'valibot';
import { OrdersQuery, VehiclesQuery } from '@stennet/core/contract';
import { dayIn } from '@stennet/core/followUp';
import { AppError } from '@stennet/core/errors';
import { bare } from '@stennet/core/find';
import { onlyRow, type Client } from '../db/database';
import { findJob, findVehicles, insertJoint, listOrders, setJointSheet } from '../db/orders';
import { findStanding } from '../db/sheets';
import { countOverdue } from '../db/followUps';
import { serve, type Deps } from '../http/serve';
import { orderIn, jointWithSheet, orderLabel } from '../order/findOrder';

export function orderRoutes(app: Express, deps: Deps): void {
  serve(app, deps, 'today', async ({ client, session, deps: { now } }) => ({
    ...first(await listOrders(client, null, null, null, false, null)),
    overdue: Number((await countOverdue(client, dayIn(now(), session.shop.timeZone)))[0]?.n ?? 0),
  }));
  serve(app, deps, 'orders', async ({ client, query }) => {
    const asked = v.safeParse(OrdersQuery, query);
    if (!asked.success) throw new AppError('BAD_REQUEST', { where: 'what to look for' });
    const { q, state, all } = asked.output;
    return {
      overdue: 0,
      ...first(
        await listOrders(
          client,
          null,
          q ? likeOf(q) : null,
          state ?? null,
          all === 'yes' || state === 'handedOver',
          bare(q ?? '') || null,
        ),
      ),
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
    const rowCount = await setJointSheet(client, joint.joint, body.sheet, body.revision);
    if (rowCount === 0) throw new AppError('JOINT_BEGUN');
    return { ok: true };
  });
  serve(app, deps, 'addJoint', async ({ client, session, params, body }) => {
    onlyRow(await findJob(client, params.job), new AppError('NOT_FOUND'));
    await assertStanding(client, body.sheet, body.revision);
    await keepJoint(client, session.shop.id, { ...body, job: params.job ?? '' });
    return { joint: body.joint };
  });
  serve(app, deps, 'vehicles', async ({ client, query }) => {
    const asked = v.safeParse(VehiclesQuery, query);
    if (!asked.success) throw new AppError('BAD_REQUEST', { where: 'what to look for' });
    const { q } = asked.output;
    return { vehicles: await findVehicles(client, bare(q), likeOf(q)) };
  });
}

const MOST = 200;
const first = <T>(orders: readonly T[]): { orders: T[]; more: boolean } => ({
  orders: orders.slice(0, MOST),
  more: orders.length > MOST,
});

/** Signs that mean something in a pattern stand for themselves. */
const likeOf = (q: string): string => `%${q.replace(/[\\%_]/g, '\\$&')}%`;

/**
 * Sent again after a lost answer, it is there already.
 * @throws AppError ID_TAKEN another is there under this id
 */
export async function keepJoint(
  client: Client,
  shop: string,
  j: { joint: string; job: string; name: string; sheet: string; revision: string },
): Promise<void> {
  const rowCount = await insertJoint(client, shop, j.joint, j.job, j.name, j.sheet, j.revision);
  if (rowCount === 0) throw new AppError('ID_TAKEN');
}

/** Only what stands is tightened by. */
export async function assertStanding(
  client: Client,
  sheet: string,
  revision: string,
): Promise<void> {
  const row = onlyRow(await findStanding(client, sheet, revision), new AppError('NOT_FOUND'));
  if (row.status !== 'approved') throw new AppError('SHEET_NOT_STANDING');
}
