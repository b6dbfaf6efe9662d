import { wrap, type Remote } from 'comlink';
import { createStore } from 'zustand/vanilla';
import { AppError } from '@stennet/core/errors';
import {
  COLLEAGUE,
  practiceStart,
  setupFor,
  type Feel,
  type PracticeEntry,
  type PracticeSetup,
  type Practicing,
} from '@stennet/core/practice';
import {
  admit,
  evolve,
  initialState,
  next,
  waitIn,
  type EventOf,
  type EventType,
  type PayloadOf,
  type RunEvent,
  type RunState,
} from '@stennet/core/run';
import type { PracticeWorker } from '@/workers/practice.worker';
import { now } from '@/platform/clock';
import { deviceId } from '@/platform/device';
import { newId } from '@/platform/ids';
import { asAppError } from '../api';
import type { Loaded, RunView } from '../runStore';
import type { KeptPractice } from './form';
import { keepPractice, readPractice } from './keptPractice';

/** What a hand feels, and how that went on since the tool was put on. */
export interface Felt {
  feel: Feel | null;
  /** Turned and torque, degrees and N·m, since the tool was put on. */
  curve: readonly { deg: number; nm: number }[];
  /** The curve of the pull before, to hold it against. */
  before: readonly { deg: number; nm: number }[];
}
const NOTHING: Felt = { feel: null, curve: [], before: [] };
const MOST_STROKES = 400;
const MOST_STEPS = 2880;
/** A point of the curve for so much of a turn. */
const POINT_DEG = 0.5;

/**
 * One practice run: led by the same rules as a real one, kept on this device, its joint beside the
 * page.
 */
export class PracticeRun {
  readonly felt = createStore<Felt>(() => NOTHING);
  private readonly store = createStore<{ loaded: Loaded }>(() => ({
    loaded: { status: 'loading' },
  }));
  private kept: KeptPractice | null = null;
  private readonly worker: Worker;
  private readonly bench: Remote<PracticeWorker>;
  private wanted = 0;
  private isMoving: Promise<void> = Promise.resolve();
  private isBusy = false;
  private isSaving = false;
  /** How far the clock of this run was put forward by waiting. */
  private aheadMs = 0;

  constructor(private readonly id: string) {
    this.worker = new Worker('/workers/practice.js');
    this.bench = wrap<PracticeWorker>(this.worker);
  }

  readonly get = (): Loaded => this.store.getState().loaded;
  readonly subscribe = (tell: () => void): (() => void) => this.store.subscribe(tell);
  get exercise() {
    return this.kept?.log.exercise ?? null;
  }
  get result() {
    return this.kept?.result ?? null;
  }

  async load(): Promise<void> {
    try {
      const kept = await readPractice(this.id);
      if (!kept) throw new AppError('NOT_FOUND');
      this.kept = kept;
      const before = await this.bench.begin(kept.log, this.setup, this.who);
      let state = initialState(kept.sheet);
      for (const event of before) state = evolve(state, event);
      for (const entry of kept.log.entries)
        if ('event' in entry) state = evolve(state, entry.event);
      this.aheadMs =
        Math.max(0, Date.parse(state.events.at(-1)?.deviceTime ?? '') - now().getTime()) || 0;
      this.show(state);
      if (kept.log.entries.length === 0) await this.begin(state);
    } catch (error) {
      this.store.setState({ loaded: { status: 'failed', error: asAppError(error) } });
    }
  }

  /** The handle moves; what comes of it is felt as soon as the joint has answered. */
  move(steps: number): void {
    if (steps === 0 || this.kept?.result) return;
    this.wanted += steps;
    if (this.isBusy) return;
    this.isBusy = true;
    this.isMoving = this.moveOn().finally(() => (this.isBusy = false));
  }

  private async moveOn(): Promise<void> {
    while (this.wanted !== 0) {
      const steps = this.wanted;
      this.wanted = 0;
      const feel = await this.bench.move(steps);
      if (!feel) return;
      this.note(steps);
      this.feels(feel);
    }
  }

  /** A pull that a wrench of its own read: the joint is given the same. */
  async pullLike(read: { peakNm: number; turnedDeg: number | null }): Promise<void> {
    await this.isMoving;
    const steps = await this.bench.pullLike(read);
    if (steps > 0) this.note(steps);
    const feel = await this.bench.feel();
    if (feel) this.feels(feel);
  }

  stripes = (seats: readonly string[]): Promise<Record<string, number>> =>
    this.bench.stripes(seats);

  /**
   * @returns whether it was taken
   * @throws AppError what is wrong with it; nothing has changed then
   */
  async confirm<T extends EventType>(type: T, payload: PayloadOf<T>): Promise<boolean> {
    const { loaded } = this.store.getState();
    if (loaded.status !== 'ready' || this.isSaving || this.kept?.result) return false;
    const { state } = loaded;
    if (type === 'waited') this.passTime(state);
    const place = { hold: state.holder?.hold ?? 1, seq: state.lastSeq + 1 };
    await this.take(state, this.eventOf(place, type, payload));
    return true;
  }

  /** Nothing more is done: what was done is judged, and kept. */
  async end(): Promise<void> {
    const { kept } = this;
    if (!kept || kept.result) return;
    await this.isMoving;
    const result = await this.bench.judge(kept.log, this.setup, this.who);
    this.kept = { ...kept, result };
    await keepPractice(this.kept);
  }

  close(): void {
    this.worker.terminate();
  }

  private get setup(): PracticeSetup {
    if (!this.kept) throw new Error('practice is not open yet');
    return setupFor(this.kept.log, this.kept.sheet);
  }
  private get who(): Practicing {
    return { shop: this.kept?.shop ?? '', run: this.id, person: this.kept?.person ?? '' };
  }

  /** The first entry: a start, or what a colleague began is taken over. */
  private async begin(state: RunState): Promise<void> {
    const { sheet } = this.setup;
    if (state.holder)
      return this.take(
        state,
        this.eventOf({ hold: state.holder.hold + 1, seq: 1 }, 'tookOver', {
          fromDevice: COLLEAGUE.device,
          deviceName: 'Practice',
        }),
      );
    await this.take(state, this.eventOf({ hold: 1, seq: 1 }, 'started', practiceStart(sheet)));
  }

  private async take(state: RunState, event: RunEvent): Promise<void> {
    admit(state, event);
    this.isSaving = true;
    try {
      // The last stroke is in before what is said of it.
      await this.isMoving;
      await this.keep({ event });
      void this.bench.take(event);
    } finally {
      this.isSaving = false;
    }
    const { curve } = this.felt.getState();
    this.felt.setState(
      { feel: null, curve: [], before: event.type === 'pulled' ? curve : [] },
      true,
    );
    const after = evolve(state, event);
    if (after.status === 'finished') await this.end();
    this.show(after);
  }

  /** Waiting takes no time in practice. */
  private passTime(state: RunState): void {
    const until = waitIn(next(state))?.until;
    if (until) this.aheadMs += Math.max(0, Date.parse(until) + 1000 - this.time().getTime());
  }
  private time = (): Date => new Date(now().getTime() + this.aheadMs);

  private eventOf<T extends EventType>(
    place: { hold: number; seq: number },
    type: T,
    payload: PayloadOf<T>,
  ): EventOf<T> {
    return {
      v: 1,
      id: newId(),
      shop: this.who.shop,
      run: this.id,
      ...place,
      device: deviceId(),
      person: this.who.person,
      deviceTime: this.time().toISOString(),
      type,
      payload,
    } as unknown as EventOf<T>;
  }

  private async keep(entry: PracticeEntry): Promise<void> {
    const { kept } = this;
    if (!kept) return;
    const next = { ...kept, log: { ...kept.log, entries: [...kept.log.entries, entry] } };
    await keepPractice(next);
    this.kept = next;
  }

  /** Strokes go into the log as they come, and to disk with the confirmation after them. */
  private note(steps: number): void {
    const { kept } = this;
    if (!kept) return;
    const { entries } = kept.log;
    const last = entries.at(-1);
    const strokes = last && 'hand' in last ? last.hand : [];
    const isNew = strokes.length === 0 || strokes.length >= MOST_STROKES;
    const joined = isNew ? [steps] : withStroke(strokes, steps);
    const rest = isNew ? entries : entries.slice(0, -1);
    this.kept = { ...kept, log: { ...kept.log, entries: [...rest, { hand: joined }] } };
  }

  private feels(feel: Feel): void {
    const { curve, before } = this.felt.getState();
    const last = curve.at(-1);
    const isFurther =
      !last || feel.turnedDeg >= last.deg + POINT_DEG || feel.torqueNm > last.nm + 1;
    const goes = isFurther && feel.torqueNm > 0;
    this.felt.setState({
      feel,
      before,
      curve: goes ? [...curve, { deg: feel.turnedDeg, nm: feel.torqueNm }] : curve,
    });
  }

  private show(state: RunState): void {
    const { kept } = this;
    if (!kept) return;
    this.store.setState({ loaded: { status: 'ready', ...viewOf(kept, state) } });
  }
}

/** Strokes the same way are one, as far as one goes. */
function withStroke(strokes: readonly number[], steps: number): number[] {
  const last = strokes.at(-1) ?? 0;
  return Math.sign(last) === Math.sign(steps) && Math.abs(last + steps) <= MOST_STEPS
    ? [...strokes.slice(0, -1), last + steps]
    : [...strokes, steps];
}

function viewOf(kept: KeptPractice, state: RunState): RunView {
  return {
    kept: {
      id: kept.log.id,
      joint: '',
      order: { id: '', number: '', vehicle: '', job: '', joint: kept.sheet.title },
      sheet: kept.sheet,
      sheetHash: '',
      people: {},
    },
    state,
    unsent: 0,
    refused: [],
    isMine: true,
  };
}
