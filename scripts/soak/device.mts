import { randomBytes, randomUUID } from 'node:crypto';
import { wrenchesOf } from '../../core/src/prepare/index.ts';
import { type Wrench } from '../../core/src/quantity/index.ts';
import { canonicalJson, sha256Hex } from '../../core/src/record/index.ts';
import { replay, type RunEvent } from '../../core/src/run/index.ts';
import { headSheet, Technician } from '../../core/src/testing/index.ts';
import {
  HALDEN,
  JOB,
  PATIENCE_MS,
  counted,
  acknowledged,
  keptAside,
  sent,
  runs,
  sleep,
  soak,
} from './ledger.mts';

/**
 * One phone in the bay: it confirms without waiting for anybody, keeps what it confirmed, and sends
 * until it is told.
 */
export class Device {
  protected readonly id = randomUUID();
  /** What it holds runs with. */
  protected readonly holdKey = randomBytes(32).toString('base64url');
  private cookie = '';
  protected person = '';
  protected wrenches: Wrench[] = [];
  protected t: Technician | null = null;
  protected unsent: RunEvent[] = [];
  isCut = false;
  /** When the last request that stored anything was begun. */
  ackedSince = 0;
  /** Whose run this device is to take over next, and whether it did. */
  wanted: Device | null = null;
  took: boolean | null = null;

  constructor(
    private readonly name: string,
    private readonly servers: readonly { url: () => string }[],
  ) {}

  protected async ask(
    where: string,
    body?: unknown,
  ): Promise<{ status: number; reply: any; cookie: string | null }> {
    if (this.isCut) throw new Error('no network');
    const server = this.servers[Math.floor(Math.random() * this.servers.length)] as {
      url: () => string;
    };
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

  protected async until<T>(work: () => Promise<T>): Promise<T> {
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
    while (!soak.isOver) {
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
    this.t = this.technicianAt(await this.newJoint());
  }

  protected async newJoint(): Promise<string> {
    const joint = randomUUID();
    await this.until(() =>
      this.ask(`/api/jobs/${JOB}/joints`, {
        joint,
        name: 'Soak',
        sheet: headSheet.id,
        revision: headSheet.revision,
      }),
    );
    return joint;
  }

  protected technicianAt(joint: string): Technician {
    const run = randomUUID();
    runs.add(run);
    return new Technician(headSheet, {
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
  protected async send(): Promise<void> {
    const [first] = this.unsent;
    if (!first) return sleep(20);
    const { run } = first;
    const batch = this.unsent
      .filter((e) => e.run === run)
      .slice(0, 1 + Math.floor(Math.random() * 6));
    const from = Date.now();
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
        this.ackedSince = Math.max(this.ackedSince, from);
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

  /** Takes the other's run over while that one is cut off with pulls that no one has seen. */
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

/** Ids of a simulated technician are counted; here each event gets one that no one else has. */
export function fresh(t: Technician, event: RunEvent): RunEvent {
  const own = { ...event, id: randomUUID() } as RunEvent;
  const events = t.state.events.toArray().map((e) => (e === event ? own : e));
  t.state = replay(headSheet, events);
  return own;
}
