import { LRUCache } from 'lru-cache';
import type { ListedTool } from '@stennet/core/prepare';
import type { Sheet } from '@stennet/core/procedure';
import type { StoredEvent } from '@stennet/core/record';
import type { RunState } from '@stennet/core/run';

/** An event as it stands in the table. */
export interface Sealed {
  stored: StoredEvent;
  body: string;
  hash: string;
  seal: string;
  /** How long it had lain on the device; null: not said. */
  lateMs: number | null;
}

/** What the list of a run has come to. */
export interface KeptRun {
  /** Hash of its last entry: the state stands for the list that ends with it, and for no other. */
  head: string;
  sheet: Sheet;
  sheetHash: string;
  entries: readonly Sealed[];
  state: RunState;
}

const MOST = 500;

/**
 * Runs that were written here last, folded. Only good while the row in the table has the same head:
 * another server, or a transaction that was rolled back, has another, and then the list is read and
 * folded as if nothing had been kept. Nothing is decided by what is kept alone.
 */
export class KeptRuns {
  private readonly runs = new LRUCache<string, KeptRun>({ max: MOST });
  /** Each shop's list of tools as it was read last: the table is asked again before it counts. */
  readonly tools = new Map<string, readonly ListedTool[]>();

  of(shop: string, run: string): KeptRun | undefined {
    return this.runs.get(`${shop} ${run}`);
  }

  put(shop: string, run: string, kept: KeptRun): void {
    this.runs.set(`${shop} ${run}`, kept);
  }
}
