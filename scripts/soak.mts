// Many devices, two servers, one database, machines that fail: everything against a ledger that the
// devices keep. Holds when every acknowledged pull is there exactly once, every record equals its
// replay and verifies, and everything that was confirmed on a device but not taken into the run's
// list is kept as a claim.
import { execFileSync, spawn, type ChildProcess } from 'node:child_process';
import { randomBytes, randomUUID } from 'node:crypto';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import pg from 'pg';
import { wrenchesOf } from '../core/src/prepare/index.ts';
import type { Wrench } from '../core/src/quantity/index.ts';
import { canonicalJson, firstBreak, sha256Hex } from '../core/src/record/index.ts';
import { replay, type RunEvent } from '../core/src/run/index.ts';
import { headSheet, Technician } from '../core/src/testing/index.ts';
import { clusterIn, freePort, keyFolder } from './cluster.mjs';
import { ended } from './serving.mjs';

const isShort = process.argv.includes('--short');
const GOAL = isShort
  ? { pulls: 500, kills: 4, databaseKills: 1, cuts: 4, takeOvers: 3 }
  : { pulls: 10_000, kills: 20, databaseKills: 5, cuts: 20, takeOvers: 10 };
const DEVICES = 8;
const HALDEN = '5e000000-0000-4000-8000-000000000001';
const JOB = '5e000000-0000-4000-8000-000000000301';
const PEOPLE = ['Jonah Pike', 'Mei Sandoval', 'Ines Corte'];
const PATIENCE_MS = 6000;
const STILL_MS = 180_000;

const home = fs.mkdtempSync(path.join(os.tmpdir(), 'stennet-soak-'));
fs.chmodSync(home, 0o755);
const cluster = clusterIn(home);
const counted = {
  pulls: 0,
  kills: 0,
  databaseKills: 0,
  cuts: 0,
  takeOvers: 0,
  retries: 0,
  claims: 0,
  endedThemselves: 0,
};
/** What each device was told that the server has, and what it was told is kept aside. */
const acknowledged = new Map<string, string>();
const keptAside = new Set<string>();
/** What was confirmed, to the letter, by id. */
const sent = new Map<string, string>();
const runs = new Set<string>();
let isOver = false;
const sleep = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));

class Server {
  private process: ChildProcess | null = null;
  constructor(
    private readonly databaseUrl: string,
    readonly port: number,
  ) {}
  readonly url = (): string => `http://127.0.0.1:${this.port}`;
  start(): void {
    const own = spawn(process.execPath, ['server/dist/main.js'], {
      stdio: ['ignore', 'ignore', 'inherit'],
      env: {
        ...process.env,
        DATABASE_URL: this.databaseUrl,
        KEY_DIR: keyFolder(home),
        PORT: String(this.port),
        LOG_LEVEL: 'silent',
      },
    });
    this.process = own;
    // Killed is killed; one that ends by itself while PostgreSQL is away is started again, as its
    // keeper would, and counted.
    own.once('exit', () => {
      if (this.process !== own) return;
      counted.endedThemselves += 1;
      setTimeout(() => this.process === own && this.start(), 300);
    });
  }
  async kill(): Promise<void> {
    const own = this.process;
    this.process = null;
    if (!own) return;
    own.kill('SIGKILL');
    await ended(own);
  }
}

/**
 * One phone in the bay: it confirms without waiting for anybody, keeps what it confirmed, and sends
 * until it is told.
 */
class Device {
  private readonly id = randomUUID();
  /** What it holds runs with. */
  private readonly holdKey = randomBytes(32).toString('base64url');
  private cookie = '';
  private person = '';
  private wrenches: Wrench[] = [];
  private t: Technician | null = null;
  private unsent: RunEvent[] = [];
  isCut = false;
  /** Whose run this device is to take over next, and whether it did. */
  wanted: Device | null = null;
  took: boolean | null = null;

  constructor(
    private readonly name: string,
    private readonly servers: readonly Server[],
  ) {}

  private async ask(
    where: string,
    body?: unknown,
  ): Promise<{ status: number; reply: any; cookie: string | null }> {
    if (this.isCut) throw new Error('no network');
    const server = this.servers[Math.floor(Math.random() * this.servers.length)] as Server;
    const response = await fetch(`${server.url()}${where}`, {
      method: body === undefined ? 'GET' : 'POST',
      headers: {
        Origin: server.url(),
        Cookie: this.cookie,
        ...(body === undefined ? {} : { 'Content-Type': 'application/json' }),
      },
      signal: AbortSignal.timeout(PATIENCE_MS),
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    });
    const reply: any = await response.json();
    if (response.status >= 500) throw new Error(`${response.status}`);
    return { status: response.status, reply, cookie: response.headers.get('set-cookie') };
  }

  private async until<T>(work: () => Promise<T>): Promise<T> {
    for (;;) {
      try {
        return await work();
      } catch {
        counted.retries += 1;
        await sleep(40 + Math.random() * 160);
      }
    }
  }

  async signIn(): Promise<void> {
    const { reply, cookie } = await this.until(() =>
      this.ask('/api/session', { name: this.name, password: 'witness-mark' }),
    );
    this.cookie = /stennet_session=[^;]+/.exec(cookie ?? '')?.[0] ?? '';
    this.person = reply.person.id;
    const { reply: list } = await this.until(() => this.ask('/api/tools'));
    this.wrenches = wrenchesOf(
      list.tools.map((tool: any) => ({ id: tool.id, ...tool.tool })),
    ).filter((w: Wrench) => /^Wrench [23]/.test(w.name));
  }

  async work(): Promise<void> {
    while (!isOver) {
      if (this.wanted && this.unsent.length === 0) {
        const other = this.wanted;
        this.wanted = null;
        this.took = await this.takeOver(other);
      }
      if (!this.t) await this.begin();
      const t = this.t as unknown as Technician;
      const event = this.unsent.length < 12 && !this.wanted ? t.step() : null;
      if (event) this.unsent.push(fresh(t, event));
      if (this.unsent.length >= 3 || !event) await this.send();
      if (t.state.status === 'finished' && this.unsent.length === 0) this.t = null;
    }
    while (this.unsent.length > 0) await this.send();
  }

  private async begin(): Promise<void> {
    const joint = randomUUID();
    await this.until(() =>
      this.ask(`/api/jobs/${JOB}/joints`, {
        joint,
        name: 'Soak',
        sheet: headSheet.id,
        revision: headSheet.revision,
      }),
    );
    const run = randomUUID();
    runs.add(run);
    this.t = new Technician(headSheet, {
      shop: HALDEN,
      run,
      joint,
      device: this.id,
      person: this.person,
      sheetHash: sha256Hex(canonicalJson(headSheet)),
      wrenches: this.wrenches,
      from: 0,
    });
  }

  /**
   * As long as the network is away it is tried again; what was refused because another device took
   * over is kept aside by the server.
   */
  private async send(): Promise<void> {
    const run = this.t?.place.run ?? this.unsent[0]?.run ?? '';
    const batch = this.unsent.slice(0, 1 + Math.floor(Math.random() * 6));
    if (batch.length === 0) return sleep(20);
    try {
      const { reply } = await this.ask(`/api/runs/${run}/events`, {
        deviceName: 'Soak',
        holdKey: this.holdKey,
        events: batch,
      });
      for (const { id } of reply.stored ?? []) {
        const event = batch.find((e) => e.id === id);
        if (event) sent.set(id, canonicalJson(event));
        if (event?.type === 'pulled' && !acknowledged.has(id)) counted.pulls += 1;
        acknowledged.set(id, run);
      }
      this.unsent = this.unsent.filter((e) => !acknowledged.has(e.id));
      if (reply.refused?.code === 'KEPT_AS_CLAIM') await this.lose(run);
      else if (reply.refused || reply.error)
        throw new Error(JSON.stringify(reply.refused ?? reply.error));
    } catch (error) {
      if (error instanceof Error && error.message.startsWith('{')) throw error;
      counted.retries += 1;
      await sleep(40 + Math.random() * 160);
    }
  }

  /**
   * Another device holds the run now: all that waits is sent once more, so that the server keeps
   * all of it.
   */
  private async lose(run: string): Promise<void> {
    const late = this.unsent;
    for (let at = 0; at < late.length; at += 100) {
      const { reply } = await this.until(() =>
        this.ask(`/api/runs/${run}/events`, {
          deviceName: 'Soak',
          holdKey: this.holdKey,
          events: late.slice(at, at + 100),
        }),
      );
      if (reply.refused?.code !== 'KEPT_AS_CLAIM')
        throw new Error(`a late entry was not kept: ${JSON.stringify(reply)}`);
    }
    for (const e of late) {
      keptAside.add(e.id);
      sent.set(e.id, canonicalJson(e));
    }
    counted.claims += late.length;
    this.unsent = [];
    this.t = null;
  }

  /** Takes the other's run over while that one is cut off with pulls that nobody has seen. */
  async takeOver(other: Device): Promise<boolean> {
    if (
      !other.t ||
      other.t.state.status !== 'open' ||
      other.unsent.length === 0 ||
      this.unsent.length > 0
    )
      return false;
    const { run } = other.t.place;
    const { status, reply } = await this.until(() => this.ask(`/api/runs/${run}`));
    if (status !== 200 || reply.events.length < 3) return false;
    const t = new Technician(headSheet, {
      ...other.t.place,
      device: this.id,
      person: this.person,
      wrenches: this.wrenches,
    });
    t.state = replay(headSheet, reply.events as RunEvent[]);
    if (t.state.status !== 'open') return false;
    const before = t.state.events.length;
    t.takeOver(this.id);
    const took = fresh(t, t.state.events.at(before) as RunEvent);
    const { reply: taken } = await this.until(() =>
      this.ask(`/api/runs/${run}/events`, {
        deviceName: 'Soak',
        holdKey: this.holdKey,
        events: [took],
      }),
    );
    if (taken.refused || taken.error) return false;
    acknowledged.set(took.id, run);
    sent.set(took.id, canonicalJson(took));
    // As the app does it: what the other one still got through comes before.
    const isNext = taken.stored[0].position === reply.events.length + 1;
    if (!isNext)
      t.state = replay(
        headSheet,
        (await this.until(() => this.ask(`/api/runs/${run}`))).reply.events as RunEvent[],
      );
    this.t = t;
    return true;
  }
}

/** Ids of a simulated technician are counted; here each event gets one that nobody else has. */
function fresh(t: Technician, event: RunEvent): RunEvent {
  const own = { ...event, id: randomUUID() } as RunEvent;
  const events = t.state.events.toArray().map((e) => (e === event ? own : e));
  t.state = replay(headSheet, events);
  return own;
}

async function chaos(devices: readonly Device[], servers: readonly Server[]): Promise<void> {
  const acts: ('kills' | 'databaseKills' | 'cuts' | 'takeOvers')[] = (
    ['kills', 'databaseKills', 'cuts', 'takeOvers'] as const
  ).flatMap((kind) => Array.from({ length: GOAL[kind] }, () => kind));
  acts.sort(() => Math.random() - 0.5);
  const every = GOAL.pulls / (acts.length + 1);
  for (const [i, act] of acts.entries()) {
    while (counted.pulls < every * (i + 0.5)) await sleep(20);
    await does[act](devices, servers);
    counted[act] += 1;
  }
}

const does = {
  kills: async (_devices: readonly Device[], servers: readonly Server[]): Promise<void> => {
    const server = servers[Math.floor(Math.random() * servers.length)] as Server;
    await server.kill();
    await sleep(150);
    server.start();
  },
  databaseKills: async (): Promise<void> => {
    cluster.kill();
    await cluster.start();
  },
  cuts: async (devices: readonly Device[]): Promise<void> => {
    const device = devices[Math.floor(Math.random() * devices.length)] as Device;
    device.isCut = true;
    await sleep(700);
    device.isCut = false;
  },
  takeOvers: async (devices: readonly Device[]): Promise<void> => {
    for (;;) {
      const [a, b] = [...devices].sort(() => Math.random() - 0.5) as [Device, Device];
      a.isCut = true;
      await sleep(400);
      b.took = null;
      b.wanted = a;
      while (b.took === null && !isOver) await sleep(20);
      a.isCut = false;
      if (b.took !== false) return;
    }
  },
};

/** Fails where all of it stands still: something waits for what will never come. */
async function standsStill(): Promise<never> {
  for (let before = -1; before !== counted.pulls;) {
    before = counted.pulls;
    await sleep(STILL_MS);
  }
  throw new Error(`nothing was acknowledged for ${STILL_MS / 1000} s: ${JSON.stringify(counted)}`);
}

const eventIn = (body: string): RunEvent => (JSON.parse(body) as { event: RunEvent }).event;

/** What stands there otherwise than it was sent. */
const changedIn = (stored: readonly RunEvent[]): string[] =>
  stored.flatMap((e) =>
    sent.has(e.id) && sent.get(e.id) !== canonicalJson(e)
      ? [`${e.type} ${e.id} is not what was sent`]
      : [],
  );

async function check(admin: pg.Client): Promise<string[]> {
  const faults: string[] = [];
  const kept = (
    await admin.query<{ run: string; id: string; body: string; hash: string }>(
      'select run, id, body, hash from run_event where run = any($1) order by run, position',
      [[...runs]],
    )
  ).rows;
  const times = new Map<string, number>();
  for (const { id } of kept) times.set(id, (times.get(id) ?? 0) + 1);
  for (const id of acknowledged.keys())
    if (times.get(id) !== 1) faults.push(`acknowledged ${id} is there ${times.get(id) ?? 0} times`);
  const late = (await admin.query<{ id: string; body: string }>('select id, body from late_event'))
    .rows;
  const lateIds = new Set(late.map((r) => r.id));
  for (const id of keptAside) if (!lateIds.has(id)) faults.push(`late ${id} was not kept`);
  const stored = [
    ...kept.map((r) => eventIn(r.body)),
    ...late.map((r) => JSON.parse(r.body) as RunEvent),
  ];
  faults.push(...changedIn(stored));
  // The check itself is checked: a changed time in a single pull does not pass it.
  const [one] = stored.filter((e) => e.type === 'pulled');
  if (
    one &&
    changedIn([{ ...one, deviceTime: new Date(Date.parse(one.deviceTime) + 1).toISOString() }])
      .length !== 1
  )
    faults.push('a changed time would not have been seen');
  for (const run of runs) {
    const rows = kept.filter((r) => r.run === run);
    if (rows.length === 0) continue;
    const broken = firstBreak(rows);
    if (broken) faults.push(`run ${run} breaks at ${broken.position}`);
    const state = replay(
      headSheet,
      rows.map((r) => eventIn(r.body)),
    );
    const head = (
      await admin.query<{ state: string; last_position: number; head_hash: string }>(
        'select state, last_position, head_hash from run where id = $1',
        [run],
      )
    ).rows[0];
    if (
      head?.state !== state.status ||
      head.last_position !== rows.length ||
      head.head_hash !== rows.at(-1)?.hash
    )
      faults.push(`the head of run ${run} is not what its list says`);
  }
  return faults;
}

const servers: Server[] = [];

async function main(): Promise<void> {
  await cluster.start();
  const urls = cluster.ensureDatabase('stennet_soak');
  const env = { ...process.env, OWNER_DATABASE_URL: urls.owner, KEY_DIR: keyFolder(home) };
  execFileSync(process.execPath, ['server/dist/prepareDatabase.js', 'server/migrations', 'demo'], {
    env,
  });
  servers.push(new Server(urls.app, await freePort()), new Server(urls.app, await freePort()));
  for (const server of servers) server.start();
  // Through the pool: a database that was killed is found again.
  const admin = new pg.Pool({ connectionString: urls.admin, max: 2 }) as unknown as pg.Client;
  admin.on('error', () => undefined);
  const devices = Array.from(
    { length: DEVICES },
    (_, i) => new Device(PEOPLE[i % PEOPLE.length] ?? '', servers),
  );
  for (const device of devices) await device.signIn();
  const from = Date.now();
  const work = Promise.all(devices.map((d) => d.work()));
  const all = chaos(devices, servers).then(async () => {
    while (counted.pulls < GOAL.pulls) await sleep(50);
    isOver = true;
  });
  await Promise.race([Promise.all([all, work]), standsStill()]);
  const faults = await check(admin);
  await admin.end();
  const verified = execFileSync(process.execPath, ['server/dist/verify.js', '--all'], {
    env,
    encoding: 'utf8',
  }).trim();
  console.log(
    `${counted.pulls} acknowledged pulls of ${DEVICES} devices in ${runs.size} runs; ${counted.kills} servers killed, ${counted.databaseKills} databases killed, ${counted.cuts} cuts, ${counted.takeOvers} take-overs, ${counted.claims} entries kept as claims, ${counted.retries} tries again, ${counted.endedThemselves} servers that ended by themselves, ${sent.size} entries compared to the letter, ${Math.round((Date.now() - from) / 1000)} s.`,
  );
  console.log(verified);
  for (const fault of faults.slice(0, 20)) console.error(fault);
  if (faults.length > 0) throw new Error(`${faults.length} faults`);
  console.log('Everything acknowledged is there once.');
}

main()
  .then(() => 0)
  .catch((error: unknown) => {
    console.error(error);
    return 1;
  })
  .then(async (code) => {
    for (const server of servers) await server.kill();
    cluster.destroy();
    fs.rmSync(home, { recursive: true, force: true });
    process.exit(code);
  });
