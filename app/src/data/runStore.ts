import { AppError } from '@stennet/core/errors';
import { canonicalJson } from '@stennet/core/record';
import {
  type RunState,
  type RunEvent,
  type EventType,
  type PayloadOf,
  admit,
  evolve,
  replay,
  type EventOf,
  clocks,
  waitIn,
  next,
} from '@stennet/core/run';
import { now, steadyNow } from '@/platform/clock';
import { deviceId } from '@/platform/device';
import { newId } from '@/platform/ids';
import { call, asAppError } from './api';
import { noteClocks } from './clocks';
import { type KeptRun, inTime } from './database';
import { makeHoldKey } from './outbox/holdKeys';
import {
  readRun,
  keepServerRun,
  keepBack,
  keepEvent,
  dropRefused,
  waitingOf,
  type LocalRun,
} from './outbox/outbox';
import { onRunSent, noteConfirmed } from './outbox/sender';
import { onOtherTab } from './outbox/tabs';
import { say } from './statements';
import { createStore } from 'zustand/vanilla';

/** One run as this device knows it. */
export interface RunView {
  kept: KeptRun;
  state: RunState;
  unsent: number;
  /** Entries that the server did not take. */
  refused: { event: RunEvent; code: AppError['code']; params: AppError['params'] }[];
  isMine: boolean;
}

export type Loaded =
  { status: 'loading' } | { status: 'failed'; error: AppError } | ({ status: 'ready' } & RunView);
const LOADING: Loaded = { status: 'loading' };
/** Holds the live state of one run: admits, keeps, then shows. */
class RunStore {
  private readonly store = createStore<{ loaded: Loaded }>(() => ({ loaded: LOADING }));
  private watching = 0;
  private saving = false;
  /** Said while storage hung: it may have come to be on disk since. */
  private tried: RunEvent | null = null;
  readonly dispose: () => void;

  constructor(private readonly run: string) {
    const ends = [
      onRunSent((sent) => sent === run && void this.afterSending()),
      onOtherTab((written) => written === run && void this.refresh().catch(() => undefined)),
    ];
    this.dispose = () => ends.forEach((end) => end());
  }

  private get loaded(): Loaded {
    return this.store.getState().loaded;
  }
  readonly get = (): Loaded => this.loaded;
  readonly subscribe = (tell: () => void): (() => void) => {
    this.watching += 1;
    const end = this.store.subscribe(tell);
    return () => {
      this.watching -= 1;
      end();
    };
  };

  /**
   * From this device first, so that it opens without the server; then what the server has as well.
   */
  async load(): Promise<void> {
    const local = await inTime(readRun(this.run)).catch(() => undefined);
    if (local) this.show(local);
    try {
      const { events, headHash: _head, ...kept } = await call('run', { run: this.run });
      await keepServerRun(kept, events);
      await this.refresh();
    } catch (error) {
      if (this.loaded.status !== 'ready') this.set({ status: 'failed', error: asAppError(error) });
    }
  }

  /** What was written here wins over any hint from elsewhere. */
  lookAgain(): void {
    if (this.loaded.status === 'ready' && !this.loaded.isMine && this.watching > 0)
      void this.load();
  }

  /**
   * The browser has cleared its storage under an open run: what the screen knows is stored again,
   * and sent once more to be sure.
   */
  async keepAgain(): Promise<void> {
    if (this.loaded.status !== 'ready' || !this.loaded.isMine) return;
    await keepBack(this.loaded.kept, this.loaded.state.events.toArray());
    noteConfirmed();
  }

  /**
   * @returns whether it was taken: nothing is while the one before is still being written
   * @throws AppError what is wrong with it; nothing has changed then
   */
  async confirm<T extends EventType>(
    type: T,
    payload: PayloadOf<T>,
    person: string,
  ): Promise<boolean> {
    if (this.loaded.status !== 'ready' || this.saving) return false;
    const { state, kept } = this.loaded;
    const place = { hold: state.holder?.hold ?? 1, seq: state.lastSeq + 1 };
    const event = this.asTried(this.eventOf(state, place, type, payload, person));
    admit(state, event);
    assertWaited(state, event);
    this.saving = true;
    let after = state;
    try {
      await keepEvent(event, () => {
        after = evolve(state, event);
        next(after);
      });
      this.tried = null;
    } catch (error) {
      this.saving = false;
      const { code } = asAppError(error);
      if (code === 'STORAGE_HANGS') this.tried = event;
      if (code !== 'ALREADY_CONFIRMED') throw error;
      // Another tab of this browser wrote there first, or what was said before the storage hung is
      // there after all: show it.
      await this.refresh();
      const { length } = this.loaded.state.events;
      throw new AppError(code, { entries: length });
    } finally {
      this.saving = false;
    }
    const { loaded } = this;
    this.set({ ...loaded, status: 'ready', kept, state: after, unsent: loaded.unsent + 1 });
    // The screen first, then the way to the server.
    setTimeout(noteConfirmed);
    return true;
  }

  /**
   * This device becomes the one that writes. Needs the server, which knows who holds the run now.
   * @throws AppError OFFLINE, or HOLD_ENDED when someone else was faster
   */
  async takeOver(person: string, name: string): Promise<void> {
    const { events, headHash: _head, ...kept } = await call('run', { run: this.run });
    const state = replay(kept.sheet, events);
    const payload = { fromDevice: state.holder?.device ?? deviceId(), deviceName: name };
    const event = this.eventOf(
      state,
      { hold: (state.holder?.hold ?? 0) + 1, seq: 1 },
      'tookOver',
      payload,
      person,
    );
    admit(state, event);
    const holdKey = await makeHoldKey(this.run, event.hold);
    const { stored } = await call(
      'appendRunEvents',
      { run: this.run },
      { deviceName: name, holdKey, sentAt: now().toISOString(), events: [event] },
    );
    // What the other device still got through between the look and the word comes before it, and
    // belongs to what is continued past.
    const isNext = stored[0]?.position === events.length + 1;
    await keepServerRun(
      kept,
      isNext ? [...events, event] : (await call('run', { run: this.run })).events,
    );
    await this.refresh();
  }

  /**
   * Entries that the server refused are dismissed by their author: what they were and why stands as
   * a note on the record first.
   * @throws AppError OFFLINE, or what the server said to the note
   */
  async dismissRefused(person: string, text: string): Promise<void> {
    await say(this.run, { id: newId(), lead: person, pin: null, say: { kind: 'note' }, text });
    await dropRefused(this.run, person);
    noteConfirmed();
    await this.load();
  }

  /** A refusal mostly means that another device writes now: what the server has is shown then. */
  private async afterSending(): Promise<void> {
    const waiting = await waitingOf(this.run);
    const { loaded } = this;
    // Only acknowledged: what is on the screen stays as it is, however long the run.
    if (
      loaded.status === 'ready' &&
      loaded.refused.length === 0 &&
      waiting.every((e) => !e.refused)
    )
      return this.set({ ...loaded, unsent: waiting.length });
    await this.refresh();
    if (this.loaded.status === 'ready' && this.loaded.refused.length > 0) await this.load();
  }

  /** The same word in the same place is the same entry, pressed when it was first pressed. */
  private asTried<T extends EventType>(event: EventOf<T>): EventOf<T> {
    const said = ({ hold, seq, type, person, payload }: RunEvent): string =>
      canonicalJson({ hold, seq, type, person, payload });
    const { tried } = this;
    return tried && said(tried) === said(event) ? (tried as EventOf<T>) : event;
  }

  private eventOf<T extends EventType>(
    state: RunState,
    place: { hold: number; seq: number },
    type: T,
    payload: PayloadOf<T>,
    person: string,
  ): EventOf<T> {
    const shop = state.events.at(0)?.shop ?? '';
    return {
      v: 1,
      id: newId(),
      shop,
      run: this.run,
      ...place,
      device: deviceId(),
      person,
      deviceTime: now().toISOString(),
      type,
      payload,
    } as unknown as EventOf<T>;
  }

  private async refresh(): Promise<void> {
    const local = await readRun(this.run);
    if (local && !this.saving) this.show(local);
  }

  private show(local: LocalRun): void {
    const counted = local.events.filter((e) => !e.refused).map((e) => e.event);
    const refused = local.events.flatMap((e) =>
      e.refused ? [{ event: e.event, ...e.refused }] : [],
    );
    const unsent = local.events.filter((e) => !e.sent && !e.refused).length;
    const before = this.loaded.status === 'ready' ? this.loaded.state : undefined;
    // Nothing but acknowledgements: the same state object stays, so that nothing is drawn again.
    const same =
      before &&
      before.events.length === counted.length &&
      before.events.at(-1)?.id === counted.at(-1)?.id;
    // A confirmation made while this was read from disk is newer than what was read.
    if (before && before.events.length > counted.length && refused.length === 0) return;
    const state = same ? before : replay(local.kept.sheet, counted);
    this.set({ status: 'ready', kept: local.kept, state, unsent, refused, isMine: local.isMine });
  }

  private set(next: Loaded): void {
    this.store.setState({ loaded: next });
    if (next.status === 'ready')
      noteClocks(
        this.run,
        next.isMine && next.state.status !== 'finished' ? clocks(next.state) : [],
      );
  }
}

export const stores = new Map<string, RunStore>();
export function storeOf(run: string): RunStore {
  let store = stores.get(run);
  if (!store) {
    store = new RunStore(run);
    stores.set(run, store);
  }
  return store;
}

/** By the clock that cannot be put forward. @throws AppError TOO_EARLY */
function assertWaited(state: RunState, { type }: RunEvent): void {
  const wait = type === 'waited' ? waitIn(next(state)) : null;
  if (wait && steadyNow().getTime() < Date.parse(wait.until))
    throw new AppError('TOO_EARLY', { until: wait.until });
}
