import type { Order } from '@stennet/core/contract';
import type { JointSheet } from '@stennet/core/contract/work';
import { AppError } from '@stennet/core/errors';
import { narrowed } from '@stennet/core/order';
import { type Client, onlyRow } from '../db/database';
import { listOrders, findJoint } from '../db/orders';

/** @throws AppError NOT_FOUND */
export async function orderIn(client: Client, order: string | undefined): Promise<Order> {
  const whole = onlyRow(
    await listOrders(client, order, null, null, true, null),
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
  return onlyRow(await findJoint(client, joint), new AppError('NOT_FOUND'));
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
