import { announcer } from '@/platform/announce';
import type { AppError } from '@stennet/core/errors';
import type { Sheet } from '@stennet/core/procedure';
import { asAppError } from './api';
import type { KeptDraft } from './database';
import { fateOf } from './sendPolicy';

/** Where a draft is kept on the device, and who takes it from there. */
export interface DraftPorts {
  keep: (kept: KeptDraft) => Promise<void>;
  send: (kept: KeptDraft) => Promise<{ version: number }>;
  later: (act: () => void, ms: number) => () => void;
  now: () => string;
}

export interface DraftState {
  kept: KeptDraft;
  saving: 'device' | 'unkept' | 'sending' | 'saved' | 'offline' | 'refused';
  refused: AppError | null;
  canUndo: boolean;
  canRedo: boolean;
}

const PAUSE_MS = 1200;
const RETRY_MS = 6000;
const DEEPEST_UNDO = 200;

/**
 * A draft while it is written. Every change is on the device at once, and goes to the server when
 * the hand rests; a change made in the meantime goes after it. What the server refuses stays on the
 * device and is shown, never dropped.
 */
export class DraftKeeper {
  private past: Sheet[] = [];
  private future: Sheet[] = [];
  private lastKey: string | null = null;
  private cancel: (() => void) | null = null;
  private sending: Promise<void> | null = null;
  private writing: Promise<void> = Promise.resolve();
  private readonly changed = announcer();
  private current: DraftState;

  constructor(
    kept: KeptDraft,
    private readonly ports: DraftPorts,
  ) {
    this.current = {
      kept,
      saving: kept.dirty ? 'device' : 'saved',
      refused: null,
      canUndo: false,
      canRedo: false,
    };
    if (kept.dirty) this.sendSoon(0);
  }

  readonly state = (): DraftState => this.current;
  readonly subscribe = this.changed.on;

  /** @param key changes of one field one after the other are one step back */
  change(draft: Sheet, key: string | null = null): void {
    if (draft === this.current.kept.draft) return;
    if (key === null || key !== this.lastKey)
      this.past = [...this.past.slice(1 - DEEPEST_UNDO), this.current.kept.draft];
    this.lastKey = key;
    this.future = [];
    this.put(draft);
  }

  undo(): void {
    const was = this.past.pop();
    if (!was) return;
    this.future.push(this.current.kept.draft);
    this.lastKey = null;
    this.put(was);
  }

  redo(): void {
    const next = this.future.pop();
    if (!next) return;
    this.past.push(this.current.kept.draft);
    this.lastKey = null;
    this.put(next);
  }

  /** After a refusal: mine goes on over what the server has now. */
  goOnOver(version: number): void {
    this.set({
      kept: { ...this.current.kept, version, dirty: true },
      refused: null,
      saving: 'device',
    });
    this.write();
    this.sendSoon(0);
  }

  /** Everything on the device, and sent where the server can be reached. */
  async flush(): Promise<void> {
    this.cancel?.();
    await this.writing;
    // What is on its way may be older than what stands here.
    await this.sending;
    await this.send();
    await this.writing;
  }

  stop(): void {
    this.cancel?.();
  }

  private put(draft: Sheet): void {
    const kept = { ...this.current.kept, draft, dirty: true, changedAt: this.ports.now() };
    this.set({ kept, saving: this.current.refused ? 'refused' : 'device' });
    this.write();
    if (!this.current.refused) this.sendSoon(PAUSE_MS);
  }

  private write(): void {
    const { kept } = this.current;
    this.writing = this.writing.then(() => this.ports.keep(kept)).catch(() => this.noteUnkept());
  }

  /**
   * A device that is full, or keeps nothing: the server is the only place left, so it goes there at
   * once.
   */
  private noteUnkept(): void {
    if (!this.current.kept.dirty || this.current.refused) return;
    this.set({ saving: 'unkept' });
    this.sendSoon(0);
  }

  private sendSoon(ms: number): void {
    this.cancel?.();
    this.cancel = this.ports.later(() => void this.send(), ms);
  }

  private send(): Promise<void> {
    const { kept, refused } = this.current;
    if (!this.sending && kept.dirty && !refused)
      this.sending = this.sendNow(kept).finally(() => (this.sending = null));
    return this.sending ?? Promise.resolve();
  }

  private async sendNow(kept: KeptDraft): Promise<void> {
    this.set({ saving: 'sending' });
    try {
      const { version } = await this.ports.send(kept);
      const isLatest = this.current.kept.draft === kept.draft;
      this.set({
        kept: { ...this.current.kept, version, dirty: !isLatest },
        saving: isLatest ? 'saved' : 'device',
      });
      this.write();
      if (!isLatest) this.sendSoon(PAUSE_MS);
    } catch (thrown) {
      const error = asAppError(thrown);
      const isAway = fateOf(error) !== 'refused';
      this.set(isAway ? { saving: 'offline' } : { saving: 'refused', refused: error });
      if (isAway) this.sendSoon(RETRY_MS);
    }
  }

  private set(over: Partial<DraftState>): void {
    this.current = {
      ...this.current,
      ...over,
      canUndo: this.past.length > 0,
      canRedo: this.future.length > 0,
    };
    this.changed.tell();
  }
}
