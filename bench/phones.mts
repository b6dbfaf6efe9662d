// What several benches share: a shop's phone without a screen, and runs for it to send.
import { randomUUID } from 'node:crypto';
import http from 'node:http';
import type pg from 'pg';
import { wrenchesOf } from '../core/src/prepare/index.ts';
import { canonicalJson, sha256Hex } from '../core/src/record/index.ts';
import type { RunEvent } from '../core/src/run/index.ts';
import { headSheet, Technician } from '../core/src/testing/index.ts';

export const HALDEN = '5e000000-0000-4000-8000-000000000001';
/** On a repair order where nothing stands in the way. */
const JOB = '5e000000-0000-4000-8000-000000000301';

/** Asks a server on connections that stay open. */
export class Caller {
  private readonly agent = new http.Agent({ keepAlive: true, maxSockets: 256 });
  constructor(private readonly url: string) {}

  ask(
    method: 'GET' | 'POST',
    path: string,
    cookie: string,
    body?: string,
  ): Promise<{ status: number; text: string; cookies: string[] }> {
    return new Promise((resolve, reject) => {
      const headers = {
        Origin: this.url,
        Cookie: cookie,
        ...(body === undefined
          ? {}
          : { 'Content-Type': 'application/json', 'Content-Length': Buffer.byteLength(body) }),
      };
      const asked = http.request(`${this.url}${path}`, { method, headers, agent: this.agent });
      asked.on('response', (reply) => {
        const pieces: Buffer[] = [];
        reply.on('data', (piece: Buffer) => pieces.push(piece));
        reply.on('end', () =>
          resolve({
            status: reply.statusCode ?? 0,
            text: Buffer.concat(pieces).toString(),
            cookies: reply.headers['set-cookie'] ?? [],
          }),
        );
        reply.on('error', reject);
      });
      asked.on('error', reject);
      asked.end(body);
    });
  }

  close(): void {
    this.agent.destroy();
  }
}

/** Someone who is signed in. */
export interface Hand {
  shop: string;
  person: string;
  cookie: string;
}

export async function signIn(caller: Caller, name: string): Promise<Hand> {
  const { status, text, cookies } = await caller.ask(
    'POST',
    '/api/session',
    '',
    JSON.stringify({ name, password: 'witness-mark' }),
  );
  if (status !== 200) throw new Error(`${name} was not let in: ${text}`);
  const me = JSON.parse(text) as { shop: { id: string }; person: { id: string } };
  return {
    shop: me.shop.id,
    person: me.person.id,
    cookie: cookies.map((c) => c.split(';')[0]).join('; '),
  };
}

const sheet = { id: headSheet.id, revision: headSheet.revision };

/**
 * A joint to tighten, on a repair order of its own as it would be in a shop: on one order for all of
 * them each start would read the others too.
 */
export async function freshJoint(admin: pg.Client, shop: string): Promise<string> {
  const [order, job, joint] = [randomUUID(), randomUUID(), randomUUID()];
  await admin.query(
    `with o as (
       insert into repair_order (shop, id, number, vehicle, odometer_value, odometer_unit, customer, concern, state)
       select o.shop, $2::uuid, 'B ' || $2::uuid, o.vehicle, o.odometer_value, o.odometer_unit, o.customer, o.concern, 'open'
       from repair_order o join job j on j.shop = o.shop and j.repair_order = o.id where o.shop = $1 and j.id = $5 returning shop, id
     ), j as (insert into job (shop, id, repair_order, title, place) select shop, $3::uuid, id, 'Bench', 0 from o returning shop, id)
     insert into joint select shop, $4::uuid, id, 'Bench', 0, $6, $7 from j`,
    [shop, order, job, joint, JOB, sheet.id, sheet.revision],
  );
  return joint;
}

/** A whole run of the demo's cylinder head as a text, to be given other ids for each that is sent. */
export class Runs {
  private constructor(
    private readonly template: string,
    private readonly ids: readonly string[],
    readonly length: number,
  ) {}

  static async from(caller: Caller, hand: Hand): Promise<Runs> {
    const { text } = await caller.ask('GET', '/api/tools', hand.cookie);
    const { tools } = JSON.parse(text) as { tools: { id: string; tool: object }[] };
    const wrenches = wrenchesOf(tools.map((t) => ({ id: t.id, ...t.tool })) as never).filter((w) =>
      /^Wrench [23]/.test(w.name),
    );
    const technician = new Technician(headSheet, {
      shop: hand.shop,
      run: randomUUID(),
      joint: randomUUID(),
      device: randomUUID(),
      person: hand.person,
      sheetHash: sha256Hex(canonicalJson(headSheet)),
      wrenches,
      from: 1,
    });
    const events: RunEvent[] = [];
    for (let event = technician.step(); event; event = technician.step()) events.push(event);
    const { shop, run, joint, device, person } = technician.place;
    return new Runs(
      JSON.stringify(events),
      [shop, person, joint, run, device, ...events.map((e) => e.id)],
      events.length,
    );
  }

  /** The same work once more: other ids, by this hand, on this joint. */
  next(hand: Hand, joint: string): { run: string; events: RunEvent[] } {
    const run = randomUUID();
    const [shop, person, ...rest] = this.ids;
    const fresh = new Map([
      [shop, hand.shop],
      [person, hand.person],
      ...rest.map((id): [string, string] => [id, randomUUID()]),
    ]);
    fresh.set(rest[0] as string, joint);
    fresh.set(rest[1] as string, run);
    const text = this.template.replace(
      /[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}/g,
      (id) => fresh.get(id) ?? id,
    );
    const now = Date.now();
    const events = (JSON.parse(text) as RunEvent[]).map((event, i) => ({
      ...event,
      deviceTime: new Date(now + i * 1000).toISOString(),
    }));
    return { run, events };
  }
}

/** A stop of the run's list is sent as the app does: one request with what waits. */
export async function send(
  caller: Caller,
  hand: Hand,
  run: string,
  events: readonly RunEvent[],
): Promise<void> {
  const { status, text } = await caller.ask(
    'POST',
    `/api/runs/${run}/events`,
    hand.cookie,
    JSON.stringify({ deviceName: 'Bench', holdKey: 'b'.repeat(43), events }),
  );
  const reply = JSON.parse(text) as { stored?: unknown[]; refused?: unknown };
  if (status !== 200 || reply.refused || reply.stored?.length !== events.length)
    throw new Error(`not stored: ${status} ${text.slice(0, 300)}`);
}
