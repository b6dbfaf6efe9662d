import { CheckedRecords } from '../record/checkedRecords';
import { KeptRuns } from '../record/keptRuns';
import fs from 'node:fs';
import path from 'node:path';
import { randomBytes, randomUUID } from 'node:crypto';
import type pg from 'pg';
import type { Role } from '@stennet/core/contract';
import { canonicalJson, type SignedKind } from '@stennet/core/record';
import type { RunEvent } from '@stennet/core/run';
import type { Client } from '../db/database';
import type { Keys } from '../keys/keys';
import type { Session } from '../http/session';
import { sign } from '../routes/signatures';
import aroundFirstStart from './aroundFirstStart.sql';
import { insertTrace } from '../db/traces';
import { append } from '../run/append';

export interface PastRun {
  run: string;
  signed: ('technician' | 'second')[];
  /** Left or finished so long ago; else three hours after its order was opened. */
  endedMinutesAgo?: number;
}

interface Made {
  run: string;
  person: string;
  events: RunEvent[];
}

export interface PastShop {
  id: string;
  name: string;
  locale: string;
  timeZone: string;
  paper: string;
  torqueUnit: string;
  members: { person: string; role: string }[];
}

const MINUTE_MS = 60_000;
const HOUR_MS = 60 * MINUTE_MS;
const BATCH = 100;
/** Known to no one: a run that is still open is taken over. */
const HOLD_KEY = randomBytes(32).toString('base64url');

/**
 * What was tightened before today: written as the server writes it, event by event, sealed and
 * signed.
 */
export class Past {
  private readonly made: Made[];
  private readonly traces: Record<string, unknown>;
  constructor(
    private readonly client: pg.Client,
    private readonly shop: PastShop,
    folder: string,
    private readonly keys: Keys,
    private readonly nameOf: (id: string) => string | undefined,
  ) {
    this.traces = (
      JSON.parse(fs.readFileSync(path.join(folder, 'past-traces.json'), 'utf8')) as {
        traces: Record<string, unknown>;
      }
    ).traces;
    this.made = (
      JSON.parse(fs.readFileSync(path.join(folder, 'past.json'), 'utf8')) as { runs: Made[] }
    ).runs;
  }

  async seed(runs: readonly PastRun[], opened: Date, now: Date): Promise<void> {
    for (const { run, signed, endedMinutesAgo } of runs) {
      const made = this.made.find((m) => m.run === run);
      if (!made) throw new Error(`run ${run} is not in past.json`);
      const finished =
        endedMinutesAgo === undefined
          ? new Date(opened.getTime() + 3 * HOUR_MS)
          : new Date(now.getTime() - endedMinutesAgo * MINUTE_MS);
      const events = movedTo(made.events, finished);
      for (let at = 0; at < events.length; at += BATCH)
        await this.append(run, made.person, events.slice(at, at + BATCH), finished);
      for (const { trace } of events.flatMap((e) => (e.type === 'pulled' ? [e.payload] : []))) {
        if (trace)
          await insertTrace(
            this.client,
            this.shop.id,
            trace,
            canonicalJson(this.traces[trace]),
            made.person,
            finished,
          );
      }
      await this.client.query(aroundFirstStart, [run, made.person, finished]);
      for (const kind of signed)
        await this.sign(
          run,
          kind,
          kind === 'technician' ? made.person : this.lead(),
          events.length,
          new Date(finished.getTime() + HOUR_MS),
        );
    }
  }

  private async append(run: string, person: string, events: RunEvent[], now: Date): Promise<void> {
    const body = { deviceName: 'Phone', holdKey: HOLD_KEY, events };
    const { refused } = await append({
      client: this.client as unknown as Client,
      session: this.session(person),
      params: { run },
      body,
      deps: this.deps(now),
    });
    if (refused) throw new Error(`the demo’s own run was refused: ${refused.code}`);
  }

  private async sign(
    run: string,
    kind: SignedKind,
    person: string,
    position: number,
    now: Date,
  ): Promise<void> {
    await sign({
      client: this.client as unknown as Client,
      session: this.session(person),
      params: { run },
      body: { id: randomUUID(), kind, position },
      deps: this.deps(now),
    });
  }

  private readonly deps = (
    now: Date,
  ): {
    now: () => Date;
    keys: Keys;
    judgesWaits: boolean;
    foreign: null;
    files: null;
    runs: KeptRuns;
    checked: CheckedRecords;
  } => ({
    now: () => now,
    keys: this.keys,
    judgesWaits: true,
    foreign: null,
    files: null,
    runs: this.runs,
    checked: this.checked,
  });
  private readonly runs = new KeptRuns();
  private readonly checked = new CheckedRecords();
  private readonly lead = (): string =>
    this.shop.members.find((m) => m.role === 'lead')?.person ?? '';

  private session(person: string): Session {
    const role = this.shop.members.find((m) => m.person === person)?.role as Role;
    const { members: _members, ...shop } = this.shop;
    return {
      id: '',
      entryKey: '',
      person: { id: person, name: this.nameOf(person) ?? '' },
      role,
      shop: {
        ...shop,
        secondSignature: false,
        idleMinutes: 240,
        retentionMonths: null,
      } as Session['shop'],
    };
  }
}

/** The same work, ending at another moment. */
function movedTo(events: readonly RunEvent[], end: Date): RunEvent[] {
  const last = events.at(-1);
  const by = last ? end.getTime() - Date.parse(last.deviceTime) : 0;
  return events.map((e) => ({
    ...e,
    deviceTime: new Date(Date.parse(e.deviceTime) + by).toISOString(),
  }));
}
