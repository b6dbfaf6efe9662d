import type { Sheet } from '../procedure';
import type { Wrench } from '../quantity';
import {
  type RunState,
  type PayloadOf,
  initialState,
  type EventType,
  type RunEvent,
  type EventOf,
  admit,
  evolve,
  type Statement,
  type PullNext,
  CORE_VERSION,
  judgedPull,
} from '../run';

/** A UUID that tests can predict. */

export const testId = (n: number): string =>
  `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`;
const wrench = (
  n: number,
  name: string,
  unit: Wrench['unit'],
  min: number,
  max: number,
  calibratedUntil = '2099-01-01',
): Wrench => ({
  id: testId(n),
  name,
  kind: 'click',
  unit,
  min,
  max,
  graduation: unit === 'kgf.m' ? 0.1 : 1,
  calibratedUntil,
});

export const WRENCHES: readonly Wrench[] = [
  wrench(901, 'inch-pounds', '[in_i].[lbf_av]', 20, 250),
  wrench(902, 'large', 'N.m', 28.5, 340),
  wrench(903, 'overdue', 'N.m', 5, 340, '2026-01-01'),
];

export interface Place {
  shop: string;
  run: string;
  joint: string;
  device: string;
  person: string;
  sheetHash: string;
  wrenches: readonly Wrench[];
  /** Where ids and times start, so that two technicians differ. */
  from: number;
}

export const PLACE: Place = {
  shop: testId(1),
  run: testId(2),
  joint: testId(3),
  device: testId(4),
  person: testId(5),
  sheetHash: 'a'.repeat(64),
  wrenches: WRENCHES,
  from: 1000,
};
const LEAD = testId(6);
export const START_MS = Date.UTC(2026, 10, 24, 8);
/** Makes the events of a device, and lets them in. */

export class Hands {
  state: RunState;
  protected made: number;
  /** Seconds that have passed on the device. */
  protected clock = 0;

  constructor(
    sheet: Sheet,
    readonly place: Place = PLACE,
    readonly begin: Pick<
      PayloadOf<'started'>,
      'part' | 'instance' | 'fasteners' | 'prepared' | 'leftOut' | 'values'
    > = sheet.instances ? { instance: sheet.instances.labels[0] ?? '' } : {},
  ) {
    this.state = initialState(sheet, begin.part);
    this.made = place.from;
  }

  wait(seconds: number): void {
    this.clock += seconds;
  }

  nowIso(): string {
    return new Date(START_MS + this.clock * 1000).toISOString();
  }

  event<T extends EventType>(
    type: T,
    payload: PayloadOf<T>,
    over: Partial<RunEvent> = {},
  ): EventOf<T> {
    this.made += 1;
    this.clock += 1;
    const { shop, run, device, person } = this.place;
    const seq = type === 'started' ? 1 : this.state.lastSeq + 1;
    return {
      v: 1,
      id: testId(this.made),
      shop,
      run,
      hold: this.state.holder?.hold ?? 1,
      seq,
      device,
      person,
      deviceTime: this.nowIso(),
      type,
      payload,
      ...over,
    } as unknown as EventOf<T>;
  }

  /** @throws AppError when it is not let in; the state is then as before */
  do<T extends EventType>(type: T, payload: PayloadOf<T>): EventOf<T> {
    const event = this.event(type, payload);
    this.take(event);
    return event;
  }

  take(event: RunEvent): void {
    admit(this.state, event);
    this.state = evolve(this.state, event);
  }

  /** The lead says something, and this technician's run takes it in. */
  lead(said: LeadSays): EventOf<'used'> {
    this.made += 1;
    const statement = {
      id: testId(700000 + this.made),
      person: LEAD,
      role: 'lead',
      at: this.nowIso(),
      ...said,
    } as Statement;
    return this.do('used', { statement });
  }

  pull(due: PullNext, payload: Partial<PayloadOf<'pulled'>>): EventOf<'pulled'> {
    const said = {
      fastener: due.fastener,
      stage: due.stage.id,
      pass: due.pass,
      outcome: due.outcomes[0] ?? 'clicked',
      method: due.tool.method,
      ...(due.task.part ? { part: due.task.part.id } : {}),
      ...(due.tool.wrench ? { wrench: due.tool.wrench.id } : {}),
      ...payload,
    };
    return this.do('pulled', judgedPull(this.state, said));
  }

  protected start(): RunEvent {
    const { joint, sheetHash } = this.place;
    const { id, revision } = this.state.sheet;
    return this.do('started', {
      joint,
      sheet: id,
      revision,
      sheetHash,
      core: CORE_VERSION,
      cautionsRead: true,
      ...this.begin,
    });
  }

  takeOver(device: string): void {
    const hold = (this.state.holder?.hold ?? 0) + 1;
    const fromDevice = this.state.holder?.device ?? this.place.device;
    this.place.device = device;
    this.take(this.event('tookOver', { fromDevice, deviceName: 'Phone' }, { hold, seq: 1 }));
  }
}

export type LeadSays =
  | {
      kind: 'allowance';
      about:
        | { deviation: string }
        | { reuse: string }
        | { wrench: string }
        | { compound: string }
        | { step: string };
      decision: 'allow' | 'refuse';
    }
  | {
      kind: 'release';
      hold: string;
      decision: 'passed' | 'failed' | 'single' | 'redo';
      fastener?: string;
    }
  | { kind: 'leaveOut'; fastener: string }
  | { kind: 'claims'; claims: Extract<Statement, { kind: 'claims' }>['claims'] }
  | { kind: 'preparation'; steps: string[] }
  | { kind: 'note' };
