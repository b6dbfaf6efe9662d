// The outbox: what was confirmed on this device, by run.
// - Order is the holder's sequence.
// - An event is on disk before the screen moves.
// - An event is sent until the server has acknowledged it.
// - A refused event is shown, never dropped.
// - “Saved” is said only of what the server has.
import { AppError } from '@stennet/core/errors';
import type { RunEvent } from '@stennet/core/run';
import { database, onDisk, rangeOf, STRICT, type KeptEvent, type KeptRun } from '../database';
import { isHeldHere } from './holdKeys';
import { proofOf } from './proofs';
import { tellTabs } from './tabs';

/** Where an entry goes whose place was taken by another: behind every hold that a run can have. */
const SET_ASIDE = 100_000;

export interface LocalRun {
  kept: KeptRun;
  events: KeptEvent[];
  /** Whether this device holds it, as far as what is kept here says. */
  isMine: boolean;
}

export async function readRun(run: string): Promise<LocalRun | undefined> {
  const db = await database();
  const kept = await db.get('runs', run);
  if (!kept) return undefined;
  const events = await db.getAll('events', rangeOf(run));
  const begun = events.findLast(
    (e) => !e.refused && (e.event.type === 'started' || e.event.type === 'tookOver'),
  )?.event;
  return { kept, events, isMine: await isHeldHere(run, begun ?? null) };
}

/**
 * Puts one confirmation on disk. The same one again, after a storage that hung, is there once.
 * @param meanwhile done while the disk writes
 * @throws AppError STORAGE_FAILED when the device cannot keep it; STORAGE_HANGS when it does not
 * say; ALREADY_CONFIRMED when another tab was faster
 */
export async function keepEvent(
  event: RunEvent,
  meanwhile: () => void = () => undefined,
): Promise<void> {
  const proof = await proofOf(event);
  try {
    await onDisk(async (db) => {
      const transaction = db.transaction('events', 'readwrite', STRICT);
      const done = transaction.done.catch(() => undefined);
      try {
        const added = transaction.store.add(
          { event, sent: false, waits: event.run, ...(proof ? { proof } : {}) },
          [event.run, event.hold, event.seq],
        );
        // Nothing more comes: written at once, not when the page next has a moment.
        transaction.commit();
        meanwhile();
        await added;
        await transaction.done;
      } finally {
        await done;
      }
    });
  } catch (error) {
    if (error instanceof AppError) throw error;
    const isThere = error instanceof DOMException && error.name === 'ConstraintError';
    if (!isThere) throw new AppError('STORAGE_FAILED');
    if (!(await isOnDisk(event))) throw new AppError('ALREADY_CONFIRMED');
  }
  tellTabs(event.run);
}

const isOnDisk = async ({ run, hold, seq, id }: RunEvent): Promise<boolean> =>
  (await onDisk((db) => db.get('events', [run, hold, seq])))?.event.id === id;

/** What the server holds of a run, laid over what this device has; nothing unsent is touched. */
export async function keepServerRun(kept: KeptRun, events: readonly RunEvent[]): Promise<void> {
  const db = await database();
  const transaction = db.transaction(['runs', 'events'], 'readwrite', STRICT);
  await transaction.objectStore('runs').put(kept, kept.id);
  const store = transaction.objectStore('events');
  for (const event of events) {
    const key: [string, number, number] = [event.run, event.hold, event.seq];
    const local = await store.get(key);
    if (local?.sent && local.event.id === event.id) continue;
    // Another entry on the same place: this device lost its hold while it was away. Its own words
    // are kept aside.
    if (local && local.event.id !== event.id)
      await store.put({ ...local, waits: event.run, refused: { code: 'HOLD_ENDED', params: {} } }, [
        event.run,
        event.hold + SET_ASIDE,
        event.seq,
      ]);
    await store.put({ event, sent: true }, key);
  }
  await transaction.done;
}

/** Entries from a file: a place that is taken keeps what it has. @returns how many were put back */
export async function keepBack(
  kept: KeptRun | undefined,
  events: readonly RunEvent[],
): Promise<number> {
  const db = await database();
  const transaction = db.transaction(['runs', 'events'], 'readwrite', STRICT);
  if (kept && !(await transaction.objectStore('runs').get(kept.id)))
    await transaction.objectStore('runs').put(kept, kept.id);
  const store = transaction.objectStore('events');
  let count = 0;
  for (const event of events) {
    const key: [string, number, number] = [event.run, event.hold, event.seq];
    if (await store.get(key)) continue;
    await store.put({ event, sent: false, waits: event.run }, key);
    count += 1;
  }
  await transaction.done;
  return count;
}

export async function markSent(events: readonly RunEvent[]): Promise<void> {
  const db = await database();
  const transaction = db.transaction('events', 'readwrite');
  for (const event of events)
    await transaction.store.put({ event, sent: true }, [event.run, event.hold, event.seq]);
  await transaction.done;
}

/**
 * The server will not have it, nor what builds on it: kept with the reason, out of the run's state.
 */
export async function markRefused(
  events: readonly RunEvent[],
  refused: NonNullable<KeptEvent['refused']>,
): Promise<void> {
  const db = await database();
  const transaction = db.transaction('events', 'readwrite', STRICT);
  for (const event of events)
    await transaction.store.put({ event, sent: false, waits: event.run, refused }, [
      event.run,
      event.hold,
      event.seq,
    ]);
  await transaction.done;
}

/** Refused entries that their own author has dismissed, once a note of it is on the server. */
export async function dropRefused(run: string, person: string): Promise<void> {
  const db = await database();
  const transaction = db.transaction('events', 'readwrite', STRICT);
  for (
    let cursor = await transaction.store.openCursor(rangeOf(run));
    cursor;
    cursor = await cursor.continue()
  ) {
    const { refused, event } = cursor.value;
    if (refused && event.person === person) await cursor.delete();
  }
  await transaction.done;
}

/**
 * What the server does not have, refused ones among it, in the order it was confirmed; of one run,
 * or of all. Costs what waits, not what there is.
 */
export async function waitingOf(run?: string): Promise<KeptEvent[]> {
  return (await database()).getAllFromIndex('events', 'waits', run);
}

/** What still goes to the server, run by run, each in order. */
export async function waitingByRun(): Promise<[run: string, waiting: KeptEvent[]][]> {
  const byRun = new Map<string, KeptEvent[]>();
  for (const kept of (await waitingOf()).filter((e) => !e.refused)) {
    const of = byRun.get(kept.event.run);
    if (of) of.push(kept);
    else byRun.set(kept.event.run, [kept]);
  }
  return [...byRun];
}

/** Runs that still have something for the server. */
export const runsToSend = async (): Promise<string[]> => (await waitingByRun()).map(([run]) => run);

export async function countUnsent(): Promise<{ unsent: number; refused: number }> {
  const waiting = await waitingOf();
  return {
    unsent: waiting.filter((e) => !e.refused).length,
    refused: waiting.filter((e) => e.refused).length,
  };
}

/** Forgets finished, fully sent runs: the server has them. */
export async function forgetSentRuns(): Promise<void> {
  const db = await database();
  for (const run of await db.getAllKeys('runs')) {
    const events = await db.getAll('events', rangeOf(run));
    if (events.some((e) => !e.sent) || !events.some((e) => e.event.type === 'finished')) continue;
    const transaction = db.transaction(['runs', 'events', 'holds'], 'readwrite');
    await transaction.objectStore('runs').delete(run);
    await transaction.objectStore('holds').delete(rangeOf(run));
    await transaction.objectStore('events').delete(rangeOf(run));
    await transaction.done;
  }
}
