import {
  openDB,
  type DBSchema,
  type IDBPDatabase,
  type IDBPObjectStore,
  type StoreNames,
} from 'idb';
import type { KeptRun } from '@stennet/core/contract/work';
import { AppError, type ErrorCode, type ErrorParams } from '@stennet/core/errors';
import type { OrderEntry } from '@stennet/core/order';
import type { Sheet } from '@stennet/core/procedure';
import type { RunEvent } from '@stennet/core/run';
import type { Trace } from '@stennet/core/trace';
import type { KeptPractice } from './practice/form';
import { storedBefore } from '@/platform/storage';
import { noteOpened, noteStored } from './stored';

export type { KeptRun };
export interface KeptEvent {
  event: RunEvent;
  sent: boolean;
  /**
   * The run, as long as the server does not have it: found by its index, however long the run is.
   */
  waits?: string;
  /** For sending it while another person is on. */
  proof?: { session: string; proof: string };
  refused?: { code: ErrorCode; params: ErrorParams };
}

/** A sheet that someone is writing on this device, as it is now. */
export interface KeptDraft {
  draft: Sheet;
  /** What the server had last from here; 0 before the first time. */
  version: number;
  basedOn: string | null;
  /** Earlier revisions, siblings and conflicting sheets: what it is compared with. */
  related: Sheet[];
  /** Changed here since the server had it. */
  dirty: boolean;
  changedAt: string;
}

/** A sheet with the words it is found by: they are not calculated again at each start. */
export interface KeptSheet {
  sheet: Sheet;
  words: [string, number][];
}

/** Something for a repair order that the server does not have yet, or did not take. */
export interface KeptEntry {
  /** Of this change: a later one of the same entry has another. */
  change: string;
  order: string;
  entry: string;
  /** The version it was changed on; 0 for a new one. */
  version: number;
  body: OrderEntry;
  gone: boolean;
  /** Was on its way at least once: the server may have it even where no answer came. */
  wasSent?: boolean;
  /** What this change took the place of while the answer to it was out. It is sent again first. */
  unanswered?: Unanswered | null;
  /** A photo's own bytes, until the server has them. */
  photo: Blob | null;
  refused: { code: ErrorCode; params: ErrorParams } | null;
  changedAt: string;
}

export type Unanswered = Pick<KeptEntry, 'version' | 'body' | 'gone'>;

interface Schema extends DBSchema {
  runs: { key: string; value: KeptRun };
  /** Key [run, hold, seq]: a second tab cannot write the same place twice. */
  events: { key: [string, number, number]; value: KeptEvent; indexes: { waits: string } };
  /** What this device holds a run with. Key [run, hold]. */
  holds: { key: [string, number]; value: string };
  answers: { key: string; value: string };
  /**
   * Every sheet of the shop that works here, so that it is found offline. Key [shop, sheet,
   * revision].
   */
  library: { key: [string, string, string]; value: KeptSheet };
  /** Key [person, shop, sheet]. */
  drafts: { key: [string, string, string]; value: KeptDraft };
  /** Key [person, shop, entry]. */
  entries: { key: [string, string, string]; value: KeptEntry };
  /** By its hash, until the server has it. */
  traces: { key: string; value: Trace };
  /** Practice, apart from all runs. */
  practice: { key: string; value: KeptPractice };
}

/** Open before on this page: if nothing is there afterwards, it was cleared under it. */
let wasOpen = false;
let opened: Promise<IDBPDatabase<Schema>> | undefined;

/**
 * A storage that does not answer for so long hangs: another tab holds it, or the browser's own file
 * is stuck.
 */
const HANGS_MS = 3000;

/** @throws AppError STORAGE_HANGS after three seconds; what comes in later counts all the same */
export function inTime<T>(work: Promise<T>): Promise<T> {
  return new Promise((resolve, reject) => {
    const late = setTimeout(() => {
      noteStored({ is: 'hangs' });
      reject(new AppError('STORAGE_HANGS'));
    }, HANGS_MS);
    void work.then(resolve, reject).finally(() => {
      clearTimeout(late);
      noteOpened();
    });
  });
}

/**
 * Open for one piece of work; a connection that the browser closed in that moment is opened once
 * more.
 */
export async function onDisk<T>(work: (db: IDBPDatabase<Schema>) => Promise<T>): Promise<T> {
  try {
    return await inTime(database().then(work));
  } catch (error) {
    if (!(error instanceof DOMException) || error.name !== 'InvalidStateError') throw error;
    opened = undefined;
    return inTime(database().then(work));
  }
}

/**
 * Closed from outside: opened again at once, so that what the screens know is put back before
 * anything else happens.
 */
function openAgain(): void {
  opened = undefined;
  void database().catch(() => undefined);
}

export function database(): Promise<IDBPDatabase<Schema>> {
  opened ??= open().then(
    (db) => {
      wasOpen = true;
      noteOpened();
      return db;
    },
    (error: unknown) => {
      // A private window, or storage that is blocked: tried again at the next use.
      opened = undefined;
      noteStored({ is: 'refused' });
      throw error;
    },
  );
  return opened;
}

async function open(): Promise<IDBPDatabase<Schema>> {
  return openDB<Schema>('stennet', 7, {
    async upgrade(db, from, _to, transaction) {
      const before = from === 0 ? storedBefore() : null;
      if (before !== null || (from === 0 && wasOpen))
        noteStored({ is: 'cleared', unsent: before ?? 0 });
      if (from < 1) {
        db.createObjectStore('runs');
        db.createObjectStore('events');
        db.createObjectStore('answers');
      }
      if (from < 2) {
        db.createObjectStore('drafts');
        db.createObjectStore('library');
      }
      if (from < 3) db.createObjectStore('entries');
      if (from < 5) db.createObjectStore('traces');
      if (from < 6) db.createObjectStore('holds');
      if (from < 7) db.createObjectStore('practice');
      if (from < 4) {
        const events = transaction.objectStore('events');
        events.createIndex('waits', 'waits');
        for (let at = await events.openCursor(); at; at = await at.continue()) {
          if (!at.value.sent) await at.update({ ...at.value, waits: at.value.event.run });
        }
      }
    },
    // A newer app in another tab takes over; this one opens it again when it next needs it.
    blocking: (_now, next, event) => {
      (event.target as IDBDatabase).close();
      opened = undefined;
      // Not a newer app: it is being deleted under this one.
      if (next === null) openAgain();
    },
    terminated: openAgain,
  });
}

/**
 * One write, on its way to the disk at once and not when the page next has a moment: a page that is
 * closed right after it takes nothing along.
 */
export async function writeAtOnce<N extends StoreNames<Schema>>(
  db: IDBPDatabase<Schema>,
  name: N,
  write: (store: IDBPObjectStore<Schema, [N], N, 'readwrite'>) => Promise<unknown>,
): Promise<void> {
  const transaction = db.transaction(name, 'readwrite');
  const written = write(transaction.store);
  transaction.commit();
  await Promise.all([written, transaction.done]);
}

/** All events of a run, by hold and sequence. */
export const rangeOf = (run: string): IDBKeyRange => IDBKeyRange.bound([run], [run, []]);
/** On disk before the promise resolves, where the browser can: a confirmation survives a crash. */
export const STRICT = { durability: 'strict' } as const;
