import type { Appended } from '@stennet/core/contract';
import { AppError } from '@stennet/core/errors';
import { wrenchesOf, type ListedTool } from '@stennet/core/prepare';
import type { Adapter, Wrench } from '@stennet/core/quantity';
import {
  canonicalJson,
  GENESIS_HASH,
  sealEvent,
  waitedAtMost,
  type StoredEvent,
} from '@stennet/core/record';
import {
  admit,
  evolve,
  next,
  timeOf,
  waitIn,
  type RunEvent,
  type RunState,
} from '@stennet/core/run';
import type { ShopKey } from '../keys/keys';
import type { Sealed } from '../record/keptRuns';

/** Clocks are read at two ends of a network. */
const WAIT_SLACK_MS = 5000;

/** One batch on its way into a run's list. */
export class Appending {
  readonly answered: Appended['stored'] = [];
  readonly fresh: Sealed[] = [];
  private readonly byId: Map<string, Sealed>;
  private last: Sealed | undefined;

  constructor(
    public state: RunState,
    earlier: readonly Sealed[],
    private readonly shop: {
      tools: readonly ListedTool[];
      said: ReadonlyMap<string, string>;
      key: ShopKey;
      isSigned: boolean;
    },
    /** What the device shows that it holds the run with, and what it has to be. */
    readonly hold: { shown: Buffer; wanted: Buffer | null },
    private readonly received: { at: string; sentAt: string | null; judgesWaits: boolean },
  ) {
    this.byId = new Map(earlier.map((s) => [s.stored.event.id, s]));
    this.last = earlier.at(-1);
  }

  takeAll(
    events: readonly RunEvent[],
    sheetHash: string,
  ): { id: string; type: RunEvent['type']; error: AppError } | null {
    for (const event of events) {
      try {
        this.take(event, sheetHash);
      } catch (error) {
        if (error instanceof AppError) return { id: event.id, type: event.type, error };
        throw error;
      }
    }
    return null;
  }

  private take(event: RunEvent, sheetHash: string): void {
    const known = this.byId.get(event.id);
    if (known) {
      if (canonicalJson(known.stored.event) !== canonicalJson(event))
        throw new AppError('EVENT_ID_REUSED');
      this.answer(known);
      return;
    }
    if (this.state.holder && event.hold < this.state.holder.hold) throw new AppError('HOLD_ENDED');
    if (this.shop.isSigned) throw new AppError('RUN_SIGNED');
    admit(this.state, event);
    if (event.type === 'waited') this.assertWaited();
    this.assertHolds(event);
    if (event.type === 'started' && event.payload.sheetHash !== sheetHash)
      throw new AppError('SHEET_MISMATCH');
    if (event.type === 'wrenchChosen' && event.payload.wrench)
      this.assertOurs(event.payload.wrench, event.payload.pendingLead === true);
    // What a lead says is taken in only as it stands in the server's own list.
    if (
      event.type === 'used' &&
      this.shop.said.get(event.payload.statement.id) !== canonicalJson(event.payload.statement)
    )
      throw new AppError('STATEMENT_UNKNOWN');
    this.state = evolve(this.state, event);
    const stored: StoredEvent = {
      position: (this.last?.stored.position ?? 0) + 1,
      receivedAt: this.received.at,
      prevHash: this.last?.hash ?? GENESIS_HASH,
      event,
    };
    const { body, hash } = sealEvent(stored);
    const lateMs =
      this.received.sentAt === null
        ? null
        : Math.max(0, Date.parse(this.received.sentAt) - Date.parse(timeOf(event)));
    const sealed = { stored, body, hash, seal: this.shop.key.sign(hash), lateMs };
    this.byId.set(event.id, sealed);
    this.fresh.push(sealed);
    this.last = sealed;
    this.answer(sealed);
  }

  /**
   * A start and a take-over say from now on by what the holder is known; everything else shows it.
   */
  private assertHolds({ type }: RunEvent): void {
    const isNew = type === 'started' || type === 'tookOver' || this.hold.wanted === null;
    if (isNew) this.hold.wanted = this.hold.shown;
    else if (!this.hold.wanted?.equals(this.hold.shown)) throw new AppError('HOLD_ENDED');
  }

  /**
   * The scale as the device describes it must be that of a wrench in the shop's list. Its
   * calibration is judged by what the list says now and by the server's day: it may have been
   * renewed since the device loaded it.
   */
  private assertOurs(wrench: Wrench, isPending: boolean): void {
    const ours = wrenchesOf(this.shop.tools).find((w) => w.id === wrench.id);
    if (!ours || scaleOf(ours) !== scaleOf(wrench) || !this.isOurAdapter(wrench.adapter))
      throw new AppError('WRENCH_UNKNOWN');
    const isAllowed = isPending || this.state.progress.allowed[`wrench:${wrench.id}`] !== undefined;
    if (!isAllowed && ours.calibratedUntil < this.received.at.slice(0, 10))
      throw new AppError('WRENCH_OUT_OF_CALIBRATION', {
        wrench: ours.name,
        until: ours.calibratedUntil,
      });
  }

  /**
   * A device's clock may have been put: what a wait began with came here before, so this clock
   * knows how long ago at most.
   */
  private assertWaited(): void {
    const wait = waitIn(next(this.state));
    if (!wait || !this.received.judgesWaits) return;
    const begun = [...this.byId.values()]
      .filter((s) => timeOf(s.stored.event) === wait.from)
      .at(-1);
    if (!begun || begun.lateMs === null || begun.stored.receivedAt === this.received.at) return;
    const wanted = Date.parse(wait.until) - Date.parse(wait.from);
    if (waitedAtMost(begun.stored, begun.lateMs, this.received.at) < wanted - WAIT_SLACK_MS)
      throw new AppError('TOO_EARLY', { until: wait.until });
  }

  private isOurAdapter(adapter: Adapter | undefined): boolean {
    return (
      !adapter ||
      this.shop.tools.some(
        (t) => t.kind === 'crowfoot' && t.id === adapter.tool && t.offsetMm === adapter.offsetMm,
      )
    );
  }

  private answer(sealed: Sealed): void {
    this.answered.push({
      id: sealed.stored.event.id,
      position: sealed.stored.position,
      hash: sealed.hash,
    });
  }
}

/** What makes a setting right or wrong. */
const scaleOf = ({ unit, min, max, graduation, lengthMm }: Wrench): string =>
  JSON.stringify([unit, min, max, graduation, lengthMm ?? null]);
