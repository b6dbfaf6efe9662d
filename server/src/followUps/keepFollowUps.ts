import { randomUUID } from 'node:crypto';
import {
  correctedDay,
  dayIn,
  dueDay,
  followUpsOf,
  kmPerDay,
  toKm,
  type OdometerSeen,
} from '@stennet/core/followUp';
import { jointState, type JointRuns } from '@stennet/core/order';
import { PROCEDURE, type Sheet } from '@stennet/core/procedure';
import type { Client } from '../db/database';
import {
  findTightJoint,
  insertFollowUp,
  listOdometer,
  listOpenOfVehicle,
  moveFollowUp,
  settleByRun,
} from '../db/followUps';

interface TightRow extends JointRuns {
  joint: string;
  order: string;
  vin: string;
  built: string;
  value: number | null;
  unit: 'km' | 'mi';
  sheet: string;
  part: string;
  timeZone: string;
}

interface Who {
  shop: string;
  person: string;
  now: Date;
}

/**
 * A run was finished: with the last of its places its joint is tight, and what is due is written
 * down; what was re-tightened is done.
 */
export async function keepFollowUps(client: Client, run: string, who: Who): Promise<void> {
  const row = (await findTightJoint(client, run))[0];
  if (!row) return;
  if (row.part !== PROCEDURE) return settleTightened(client, row, who);
  if (jointState(row) !== 'tight') return;
  const today = dayIn(who.now, row.timeZone);
  const perDay = kmPerDay(row.built, await odometerSeen(client, row.vin));
  for (const plan of followUpsOf(JSON.parse(row.sheet) as Sheet)) {
    const at = [
      plan.distanceKm,
      plan.days,
      plan.celsius,
      today,
      row.value === null ? null : toKm({ value: row.value, unit: row.unit }),
      dueDay(plan, today, perDay),
    ];
    await insertFollowUp(
      client,
      who.shop,
      randomUUID(),
      row.order,
      row.joint,
      plan.after,
      plan.kind,
      plan.text,
      ...at,
    );
  }
}

/** Tightened again after heat in every one of its places. */
async function settleTightened(client: Client, row: TightRow, { person, now }: Who): Promise<void> {
  const own = row.runs.filter((r) => r.part === row.part);
  const wanted: (string | null)[] = row.instances ? [...row.instances.labels] : [null];
  if (!wanted.every((i) => own.some((r) => r.instance === i && r.state === 'finished'))) return;
  await settleByRun(client, row.joint, row.part, person, now);
}

/** The odometer was seen: what is open for this vehicle is expected again. */
export async function expectAnew(client: Client, vin: string, built: string): Promise<void> {
  if (!vin) return;
  const open = await listOpenOfVehicle(client, vin);
  if (open.length === 0) return;
  const seen = await odometerSeen(client, vin);
  const last = seen.at(-1);
  if (!last) return;
  const perDay = kmPerDay(built, seen);
  for (const f of open) {
    const day = correctedDay(f, { day: f.since, km: f.sinceKm }, last, perDay);
    if (day !== f.dueOn) await moveFollowUp(client, f.id, day);
  }
}

async function odometerSeen(client: Client, vin: string): Promise<OdometerSeen[]> {
  return (await odometersSeen(client, [vin])).get(vin) ?? [];
}

/** Of many vehicles in one question, by their number. */
export async function odometersSeen(
  client: Client,
  vins: readonly string[],
): Promise<Map<string, OdometerSeen[]>> {
  const rows = await listOdometer(client, vins);
  const seen = new Map<string, OdometerSeen[]>();
  for (const r of rows) seen.set(r.vin, [...(seen.get(r.vin) ?? []), { day: r.day, km: toKm(r) }]);
  return seen;
}
