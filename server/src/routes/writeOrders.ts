import { text as said } from '../language/text';
import type { Express } from 'express';
import { jointSeen, type Order } from '@stennet/core/contract';
import { AppError } from '@stennet/core/errors';
import {
  mayNotBecome,
  ORDER_STATE_TEXT,
  stepsFrom,
  type OrderHead,
  type OrderState,
} from '@stennet/core/order';
import { brokenConstraint, onlyRow, type Client } from '../db/database';
import {
  findEntry,
  findOrderChange,
  insertEntry,
  insertJob,
  insertOrder,
  listOwnRuns,
  lockEntry,
  lockOrderNumbers,
  nextOrderNumber,
  updateOrder,
  updateOrderState,
} from '../db/orders';
import { canonicalJson } from '@stennet/core/record';
import { toKm } from '@stennet/core/followUp';
import { fillOdometer } from '../db/followUps';
import { expectAnew } from '../followUps/keepFollowUps';
import { type Call, serve, type Deps } from '../http/serve';
import { assertStanding, keepJoint } from './orders';
import { orderIn } from '../order/findOrder';

/**
 * Repair orders are written here; a save on top of another person's change is
 * told, and nothing is written over.
 */
export function writeOrderRoutes(app: Express, deps: Deps): void {
  serve(app, deps, 'createOrder', async ({ client, body, session, deps: { now } }) => {
    const number = body.head.number ?? (await freshNumber(client));
    const head = { ...body.head, number };
    const rowCount = await unlessTaken(number, () =>
      insertOrder(client, session.shop.id, body.order, ...columns(head), session.person.id, now()),
    );
    if (rowCount === 0) assertSame(await orderIn(client, body.order), head);
    await expectAnew(client, head.vehicle.vin.toUpperCase(), head.vehicle.built);
    return { order: body.order };
  });

  serve(app, deps, 'saveOrder', async ({ client, params, body, session, deps: { now } }) => {
    const order = params.order ?? '';
    const rowCount = await unlessTaken(body.head.number, () =>
      updateOrder(client, order, body.version, ...columns(body.head), session.person.id, now()),
    );
    if (rowCount === 0) throw await changed(client, order);
    if (body.head.odometer) await fillOdometer(client, order, toKm(body.head.odometer));
    await expectAnew(client, body.head.vehicle.vin.toUpperCase(), body.head.vehicle.built);
    return { ok: true };
  });

  serve(app, deps, 'setOrderState', async ({ client, params, body, session, deps: { now } }) => {
    const order = await orderIn(client, params.order);
    if (order.state === body.state) return { ok: true };
    assertMayBecome(order, body.state);
    if (order.state === 'toCheck' && body.state === 'done')
      await assertCheckedByAnother(client, order.id, session.person.id);
    const rowCount = await updateOrderState(
      client,
      order.id,
      body.version,
      body.state,
      session.person.id,
      now(),
    );
    if (rowCount === 0) throw await changed(client, order.id);
    return { ok: true };
  });

  serve(app, deps, 'addJob', async ({ client, params, body, session }) => {
    await orderIn(client, params.order);
    for (const joint of body.joints) await assertStanding(client, joint.sheet, joint.revision);
    const rowCount = await insertJob(
      client,
      session.shop.id,
      body.id,
      params.order,
      body.kind,
      body.title,
    );
    if (rowCount === 0) assertSameJob(await orderIn(client, params.order), body);
    for (const { id, ...joint } of body.joints)
      await keepJoint(client, session.shop.id, { ...joint, joint: id, job: body.id });
    return { job: body.id };
  });

  serve(app, deps, 'saveEntry', keepEntry);
}

/**
 * The next version of an entry, as a row of its own.
 * @throws AppError ORDER_CHANGED when someone else has written it in the meantime
 */
async function keepEntry({
  client,
  params,
  body,
  session,
  deps: { now },
}: Call<'saveEntry'>): Promise<{ version: number }> {
  const order = await orderIn(client, params.order);
  // A request whose page was closed may still be at work when the same is sent again.
  await lockEntry(client, params.entry);
  const known = (await findEntry(client, params.entry))[0];
  if (known && known.repair_order !== order.id) throw new AppError('NOT_FOUND');
  const text = canonicalJson(body.body);
  // Sent again after a lost answer: the same on top of the same.
  if (
    known &&
    known.version === body.version + 1 &&
    known.body === text &&
    known.gone === body.gone
  )
    return { version: known.version };
  if ((known?.version ?? 0) !== body.version)
    throw new AppError('ORDER_CHANGED', {
      by: known?.by ?? said.someone,
      at: known?.at.toISOString() ?? '',
    });
  await insertEntry(
    client,
    session.shop.id,
    params.entry,
    body.version + 1,
    order.id,
    text,
    body.gone,
    session.person.id,
    now(),
  );
  return { version: body.version + 1 };
}

const columns = (h: OrderHead): unknown[] => [
  h.number,
  JSON.stringify(h.vehicle),
  h.odometer?.value ?? null,
  h.odometer?.unit ?? 'km',
  h.customer,
  h.concern,
  h.bay,
  h.promisedAt,
  h.contact ?? null,
];

/**
 * Sent again after a lost answer it is the same; anything else under its id would be lost.
 * @throws AppError ID_TAKEN
 */
function assertSame(known: Order, { vehicle, concern, customer }: OrderHead): void {
  if (known.vehicle.vin !== vehicle.vin || known.concern !== concern || known.customer !== customer)
    throw new AppError('ID_TAKEN');
}

function assertSameJob(order: Order, { id, title }: { id: string; title: string }): void {
  if (order.jobs.find((j) => j.id === id)?.title !== title) throw new AppError('ID_TAKEN');
}

/** Two at the counter at the same moment get two numbers. */
async function freshNumber(client: Client): Promise<string> {
  await lockOrderNumbers(client);
  return String((await nextOrderNumber(client))[0]?.number ?? 101);
}

async function unlessTaken<T>(number: string, work: () => Promise<T>): Promise<T> {
  try {
    return await work();
  } catch (error) {
    if (brokenConstraint(error) === 'repair_order_shop_number_key')
      throw new AppError('ORDER_NUMBER_TAKEN', { number });
    throw error;
  }
}

async function changed(client: Client, order: string): Promise<AppError> {
  const row = onlyRow(await findOrderChange(client, order), new AppError('NOT_FOUND'));
  return new AppError('ORDER_CHANGED', {
    by: row.changed_by ?? said.someone,
    at: row.changed_at?.toISOString() ?? '',
  });
}

/**
 * No one checks their own work alone: someone else has signed each run of theirs, or sets it to
 * checked.
 */
async function assertCheckedByAnother(
  client: Client,
  order: string,
  person: string,
): Promise<void> {
  const own = await listOwnRuns(client, order, person);
  if (own.some((r) => !r.signed_by_another)) throw new AppError('OWN_WORK');
}

function assertMayBecome(order: Awaited<ReturnType<typeof orderIn>>, to: OrderState): void {
  if (!stepsFrom(order.state).includes(to))
    throw new AppError('ORDER_STATE', {
      state: ORDER_STATE_TEXT[to],
      why: said.order.isNow({ state: ORDER_STATE_TEXT[order.state] }),
    });
  const joints = order.jobs.flatMap((j) => j.joints).map(jointSeen);
  const why = mayNotBecome(to, {
    joints,
    entries: order.entries.map((e) => e.body),
    followUps: order.followUps,
  });
  if (why) throw new AppError('ORDER_STATE', { state: ORDER_STATE_TEXT[to], why });
}
