import type { Entry, Me, Order } from '@stennet/core/contract';
import type { OrderEntry } from '@stennet/core/order';
import { now } from '@/platform/clock';
import { newId } from '@/platform/ids';
import { onBackOnline } from '@/platform/online';
import { asAppError, call } from './api';
import { isUnseen } from './bay';
import { database, writeAtOnce, type KeptEntry, type Unanswered } from './database';
import { onLeaving } from './leaving';
import { sendPhoto } from './photos';
import { queryKeys } from './queryKeys';
import { refresh } from './refresh';
import { fateOf, Retry } from './sendPolicy';
import { create } from 'zustand';

/*
 * What is written on a repair order, on its way to the server:
 * - Kept on this device first, then sent; offline it waits, and goes out when the network is back.
 * - One change waits for each entry: a later one takes its place.
 * - What someone else changed in the meantime is not written over: it is refused, kept here, and
 * shown beside theirs.
 * - It goes out only as the person who wrote it, in the shop it was written for.
 */
type Key = [string, string, string];

let whose: { person: string; shop: string } | null = null;
const useWaiting = create(() => ({ waiting: [] as readonly KeptEntry[] }));
const waitingNow = (): readonly KeptEntry[] => useWaiting.getState().waiting;
let working = false;
let again = false;
const retry = new Retry(() => send());
let isListening = false;

const keyOf = (entry: string): Key => [whose?.person ?? '', whose?.shop ?? '', entry];
function show(next: readonly KeptEntry[]): void {
  useWaiting.setState({ waiting: next });
}

/** Takes up what this person left on this device. */
export async function startEntries(me: Me): Promise<void> {
  if (whose?.person === me.person.id && whose.shop === me.shop.id) return;
  whose = { person: me.person.id, shop: me.shop.id };
  if (!isListening) onBackOnline(() => void send());
  isListening = true;
  const range = IDBKeyRange.bound([me.person.id, me.shop.id], [me.person.id, me.shop.id, []]);
  const left = await database().then(
    (db) => db.getAll('entries', range),
    () => [],
  );
  show(left);
  void send();
}

export interface Change {
  order: string;
  /** Left out: a new one. */
  entry?: string;
  version?: number;
  body: OrderEntry;
  gone?: boolean;
  photo?: Blob;
}

/** @throws when this device cannot keep it: then nothing has changed */
export async function saveEntry({
  order,
  entry = newId(),
  version = 0,
  body,
  gone = false,
  photo,
}: Change): Promise<void> {
  const before = waitingNow().find((k) => k.entry === entry);
  const kept: KeptEntry = {
    change: newId(),
    order,
    entry,
    version,
    body,
    gone,
    photo: photo ?? before?.photo ?? null,
    unanswered: unansweredOf(before),
    refused: null,
    changedAt: now().toISOString(),
  };
  await writeAtOnce(await database(), 'entries', (entries) => entries.put(kept, keyOf(entry)));
  show([...waitingNow().filter((k) => k.entry !== entry), kept]);
  void send();
}

/**
 * What the server may have taken without this device knowing: a later change is made on top of it,
 * and must not be held for a change against it.
 */
function unansweredOf(before: KeptEntry | undefined): Unanswered | null {
  if (!before || before.refused) return null;
  const { version, body, gone, wasSent, unanswered } = before;
  return unanswered ?? (wasSent ? { version, body, gone } : null);
}

/** The person looked at both: theirs stands. */
export async function letEntryGo(entry: string): Promise<void> {
  const kept = waitingNow().find((k) => k.entry === entry);
  if (kept) await putBack(kept, null);
}

/**
 * Takes a change off this device, or puts another in its place; a later one of the same entry is
 * left as it is.
 */
async function putBack(was: KeptEntry, next: KeptEntry | null): Promise<void> {
  const { store, done } = (await database()).transaction('entries', 'readwrite');
  const key = keyOf(was.entry);
  if ((await store.get(key))?.change === was.change)
    await (next ? store.put(next, key) : store.delete(key));
  await done;
  show(waitingNow().flatMap((k) => (k.change !== was.change ? [k] : next ? [next] : [])));
}

async function send(): Promise<void> {
  // Someone whom the server has not seen yet: theirs waits, so that it does not go out as
  // another's.
  if (isUnseen(whose?.person)) return;
  if (working) return void (again = true);
  working = true;
  retry.stop();
  try {
    do {
      again = false;
      const writer = whose;
      for (const kept of waitingNow().filter((k) => !k.refused)) {
        // Signed out or in another shop in the meantime: the rest waits for its own person.
        if (whose !== writer) break;
        await sendOne(kept);
      }
    } while (again);
    retry.reset();
  } catch {
    // Offline, signed out or the server failed: later.
    retry.later();
  } finally {
    working = false;
  }
}

async function sendOne(kept: KeptEntry): Promise<void> {
  try {
    const { unanswered } = kept;
    if (unanswered) {
      const version = await put(kept, unanswered);
      await putBack(kept, { ...kept, version, unanswered: null });
      again = true;
      return;
    }
    if (!kept.wasSent) {
      await putBack(kept, { ...kept, wasSent: true });
      again = true;
      return;
    }
    await taken(kept, await put(kept, kept));
  } catch (error) {
    const { code, params } = asAppError(error);
    if (fateOf({ code }) !== 'refused') throw error;
    await putBack(kept, { ...kept, refused: { code, params } });
  }
}

async function put(
  { order, entry, photo }: KeptEntry,
  { version, body, gone }: Unanswered,
): Promise<number> {
  const sent = { version, body: await withPhoto(body, photo), gone };
  return (await call('saveEntry', { order, entry }, sent)).version;
}

async function withPhoto(body: OrderEntry, photo: Blob | null): Promise<OrderEntry> {
  if (!photo || body.kind !== 'photo') return body;
  return { ...body, ...(await sendPhoto(photo)) };
}

/** The server has it. What was changed here in the meantime goes out on top of it. */
async function taken(sent: KeptEntry, version: number): Promise<void> {
  // What the server has is shown before the change leaves the screen.
  await refresh(queryKeys.order(sent.order));
  void refresh(queryKeys.today);
  void refresh(queryKeys.orders);
  await putBack(sent, null);
  const newer = waitingNow().find((k) => k.entry === sent.entry);
  if (!newer) return;
  await putBack(newer, { ...newer, version, unanswered: null });
  again = true;
}

onLeaving(() => {
  whose = null;
  show([]);
});

/** An entry as this device shows it: what waits here goes before what the server has. */
export interface ShownEntry<B extends OrderEntry = OrderEntry> extends Entry<B> {
  waiting: KeptEntry | null;
}

export function useEntries(order: Pick<Order, 'id' | 'entries'>): ShownEntry[] {
  const kept = useWaiting(({ waiting }) => waiting).filter((k) => k.order === order.id);
  const onServer = order.entries.map((e): ShownEntry => ({ ...e, waiting: null }));
  const known = onServer.map((e) => {
    const own = kept.find((k) => k.entry === e.id);
    return own && !own.refused
      ? { ...e, body: own.body, waiting: own }
      : own
        ? { ...e, waiting: own }
        : e;
  });
  const fresh = kept
    .filter((k) => !onServer.some((e) => e.id === k.entry))
    .map((k): ShownEntry => ({
      id: k.entry,
      version: k.version,
      by: '',
      at: k.changedAt,
      body: k.body,
      waiting: k,
    }));
  return [...known, ...fresh].filter((e) => !(e.waiting?.gone && !e.waiting.refused));
}

export const ofKind = <K extends OrderEntry['kind']>(
  entries: readonly ShownEntry[],
  kind: K,
): ShownEntry<Extract<OrderEntry, { kind: K }>>[] =>
  entries.filter((e): e is ShownEntry<Extract<OrderEntry, { kind: K }>> => e.body.kind === kind);
