import fs from 'node:fs';
import path from 'node:path';
import pg from 'pg';
import * as v from 'valibot';
import { nameKey, nameLook } from '@stennet/core/contract';
import { OrderEntrySchema } from '@stennet/core/order';
import {
  checkPoints,
  judgeCheck,
  READINGS_EACH,
  usualTolerance,
  WrenchCheckSchema,
} from '@stennet/core/calibration';
import { ShopToolSchema, type ShopTool } from '@stennet/core/prepare';
import { assertRunnable, readSheet } from '@stennet/core/procedure';
import { canonicalJson } from '@stennet/core/record';
import { keepSheet } from '../db/keepSheet';
import { insertEntry, insertOrder } from '../db/orders';
import { savePin } from '../db/people';
import { insertWrenchCheck, saveTool } from '../db/tools';
import { forgetOutside, journalOf } from '../journal/journal';
import type { Keys } from '../keys/keys';
import { hashPassword } from '../http/passwords';
import { promisedAt } from './promisedAt';
import { Past, type PastRun, type PastShop } from './seedPast';

const DAY_MS = 86_400_000;

interface World {
  password: string;
  people: { id: string; name: string }[];
  shops: DemoShop[];
}

interface DemoShop extends PastShop {
  sheets: string[];
  pins: { person: string; pin: string }[];
  tools: ({ id: string; calibratedInDays?: number } & Record<string, unknown>)[];
  wrenchChecks: DemoCheck[];
  orders: {
    id: string;
    number: string;
    vehicle: object;
    odometer: { value: number; unit: string };
    customer: string;
    contact?: object;
    concern: string;
    bay: string;
    /** In hours that the shop is open; negative: plain hours ago. */
    promisedInHours: number;
    /** Opened so long ago; its runs are in past.json, signed in this order. */
    daysAgo?: number;
    runs?: PastRun[];
    state: string;
    by: string;
    entries?: { id: string; person: string; hoursAgo: number; inHours?: number; body: object }[];
    jobs: {
      id: string;
      title: string;
      kind: string;
      joints: { id: string; name: string; sheet: string; revision: string }[];
    }[];
  }[];
}

/**
 * Fills an empty database with the demo world, its dates near `now`. A database that has shops is
 * left as it is.
 */
export async function seedDemo(
  ownerUrl: string,
  folder: string,
  now: Date,
  keys: Keys,
): Promise<boolean> {
  const world = JSON.parse(fs.readFileSync(path.join(folder, 'world.json'), 'utf8')) as World;
  const client = new pg.Client({ connectionString: ownerUrl, pipeline: true });
  await client.connect();
  try {
    if ((await client.query('select 1 from account limit 1')).rows.length > 0) return false;
    await client.query('begin');
    const hash = await hashPassword(world.password);
    for (const p of world.people)
      await client.query(
        'insert into account (id, name, name_key, name_look, password_hash) values ($1, $2, $3, $4, $5)',
        [p.id, p.name, nameKey(p.name), nameLook(p.name), hash],
      );
    for (const shop of world.shops) {
      keys.make(shop.id);
      forgetOutside(keys.folder, shop.id);
      await seedShop(client, shop, world, folder, now, keys);
    }
    const { written, committed } = await journalOf(keys, () => now).seal(client);
    await written;
    await client.query('commit');
    committed();
    return true;
  } finally {
    await client.end();
  }
}

async function seedShop(
  client: pg.Client,
  shop: DemoShop,
  world: World,
  folder: string,
  now: Date,
  keys: Keys,
): Promise<void> {
  const days = (n: number): string =>
    new Date(now.getTime() + n * DAY_MS).toISOString().slice(0, 10);
  const nameOf = (id: string): string | undefined => world.people.find((p) => p.id === id)?.name;
  await client.query("select set_config('stennet.shop', $1, true)", [shop.id]);
  await client.query('insert into shop values ($1, $2, $3, $4, $5, $6)', [
    shop.id,
    shop.name,
    shop.locale,
    shop.timeZone,
    shop.paper,
    shop.torqueUnit,
  ]);
  for (const m of shop.members)
    await client.query('insert into membership values ($1, $2, $3, $4)', [
      shop.id,
      m.person,
      nameOf(m.person),
      m.role,
    ]);
  for (const file of shop.sheets) {
    const sheet = readSheet(JSON.parse(fs.readFileSync(path.join(folder, 'sheets', file), 'utf8')));
    assertRunnable(sheet);
    await keepSheet(client, shop.id, sheet);
  }
  const checks = shop.wrenchChecks;
  for (const { id, calibratedInDays, ...rest } of shop.tools) {
    const tool = v.parse(ShopToolSchema, {
      ...rest,
      ...(calibratedInDays === undefined ? {} : { calibratedUntil: days(calibratedInDays) }),
    });
    await saveTool(
      client,
      shop.id,
      id,
      tool.kind,
      tool.name,
      JSON.stringify(tool),
      0,
      false,
      null,
      now,
    );
    for (const check of checks.filter((c) => c.wrench === id))
      await seedCheck(client, shop, { id, tool }, check, days);
  }
  for (const pin of shop.pins)
    await savePin(client, shop.id, pin.person, await hashPassword(pin.pin), now);
  for (const o of shop.orders) await seedOrder(client, shop, o, now);
  const past = new Past(client, shop, folder, keys, nameOf);
  for (const o of shop.orders)
    if (o.runs) await past.seed(o.runs, new Date(now.getTime() - (o.daysAgo ?? 0) * DAY_MS), now);
}

/** Three points to the right, twice each; what the reference read. */
interface DemoCheck {
  id: string;
  wrench: string;
  daysAgo: number;
  by: string;
  read: readonly number[];
}

async function seedCheck(
  client: pg.Client,
  shop: DemoShop,
  { id, tool }: { id: string; tool: ShopTool },
  of: DemoCheck,
  days: (n: number) => string,
): Promise<void> {
  if (!('graduation' in tool)) return;
  const check = v.parse(WrenchCheckSchema, {
    day: days(-of.daysAgo),
    unit: tool.unit,
    max: tool.max,
    graduation: tool.graduation,
    tolerancePercent: tool.tolerancePercent ?? usualTolerance(tool),
    reference: { name: 'Torque transducer, bench', uncertaintyPercent: 0.5 },
    readings: checkPoints(tool).flatMap(({ percent, value }, i) =>
      of.read
        .slice(i * READINGS_EACH, (i + 1) * READINGS_EACH)
        .map((reference) => ({ percent, direction: 'right', wrench: value, reference })),
    ),
  });
  const { verdict } = judgeCheck(check);
  const at = `${check.day}T08:00:00Z`;
  await insertWrenchCheck(
    client,
    shop.id,
    of.id,
    id,
    check.day,
    verdict,
    JSON.stringify(check),
    of.by,
    at,
  );
}

async function seedOrder(
  client: pg.Client,
  shop: DemoShop,
  o: DemoShop['orders'][number],
  now: Date,
): Promise<void> {
  const opened = new Date(now.getTime() - (o.daysAgo ?? 0) * DAY_MS);
  const promised = promisedAt(now, o.promisedInHours, shop.timeZone);
  const at = [
    shop.id,
    o.id,
    o.number,
    JSON.stringify(o.vehicle),
    o.odometer.value,
    o.odometer.unit,
    o.customer,
    o.concern,
    o.bay,
    promised,
    o.contact ?? null,
  ];
  await insertOrder(client, ...at, o.by, opened);
  await client.query('update repair_order set state = $2 where id = $1', [o.id, o.state]);
  for (const [place, job] of o.jobs.entries()) {
    await client.query('insert into job values ($1, $2, $3, $4, $5, $6)', [
      shop.id,
      job.id,
      o.id,
      job.title,
      place,
      job.kind,
    ]);
    for (const [at, joint] of job.joints.entries()) {
      await client.query('insert into joint values ($1, $2, $3, $4, $5, $6, $7)', [
        shop.id,
        joint.id,
        job.id,
        joint.name,
        at,
        joint.sheet,
        joint.revision,
      ]);
    }
  }
  await seedEntries(client, shop.id, o, now);
}

async function seedEntries(
  client: pg.Client,
  shop: string,
  o: DemoShop['orders'][number],
  now: Date,
): Promise<void> {
  for (const e of o.entries ?? []) {
    // A reminder is for a moment near the start.
    const due =
      e.inHours === undefined
        ? {}
        : { at: new Date(now.getTime() + e.inHours * 3_600_000).toISOString() };
    const body = canonicalJson(v.parse(OrderEntrySchema, { ...e.body, ...due }));
    await insertEntry(
      client,
      shop,
      e.id,
      1,
      o.id,
      body,
      false,
      e.person,
      new Date(now.getTime() - e.hoursAgo * 3_600_000),
    );
  }
}
