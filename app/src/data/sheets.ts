import { keepPreviousData, useQuery, useQueryClient } from '@tanstack/react-query';
import { routes } from '@stennet/core/contract';
import type { SheetBrief, SheetReply } from '@stennet/core/contract/work';
import type { Sheet } from '@stennet/core/procedure';
import { asAppError, call } from './api';
import { database } from './database';
import { useSignedIn } from './account';
import { queryKeys } from './queryKeys';

export interface SheetFilter {
  maker?: string;
  engine?: string;
  kind?: string;
}

const MOST_FOUND = 20;
/** With a slow answer from the server, the device's own library answers in the meantime. */
const PATIENCE_MS = 1500;

/** What was found, and among how many sheets of this device where the server did not answer. */
export interface Found {
  sheets: SheetBrief[];
  onDevice: number | null;
}

async function findOnDevice(shop: string, q: string, filter: SheetFilter): Promise<Found | null> {
  const { countOnDevice, libraryOf } = await import('./library');
  const count = await countOnDevice(shop);
  return count > 0
    ? { sheets: await (await libraryOf(shop)).find(q, filter, MOST_FOUND), onDevice: count }
    : null;
}

async function find(shop: string, q: string, filter: SheetFilter): Promise<Found> {
  const asked = call('findSheets', {}, undefined, { ...filter, ...(q ? { q } : {}) }).then(
    (r): Found => ({ ...r, onDevice: null }),
  );
  const waited = new Promise<null>((resolve) =>
    setTimeout(() => resolve(null), navigator.onLine ? PATIENCE_MS : 0),
  );
  const first = await Promise.race([asked, waited]).catch((e: unknown) => onlyAway(e));
  return first ?? (await findOnDevice(shop, q, filter).catch(() => null)) ?? asked;
}

/** A server that cannot be reached is waited out; what it refused stays refused. */
function onlyAway(error: unknown): null {
  if (asAppError(error).code !== 'OFFLINE') throw error;
  return null;
}

/** While typing: the last answer stays until the next one is there. */
export function useFoundSheets(q: string, filter: SheetFilter) {
  const shop = useSignedIn().me.shop.id;
  return useQuery({
    queryKey: queryKeys.found(q, filter),
    queryFn: () => find(shop, q, filter),
    placeholderData: keepPreviousData,
    staleTime: 30_000,
    // Every letter typed is a question of its own: they are not kept for the next start.
    gcTime: q ? 60_000 : 7 * 86_400_000,
  });
}

export function useSheetPlaces() {
  const shop = useSignedIn().me.shop.id;
  const onDevice = async () => ({
    places: await (await (await import('./library')).libraryOf(shop)).places(),
  });
  return useQuery({
    queryKey: queryKeys.sheetPlaces,
    queryFn: () => call('sheetPlaces').catch(async (e: unknown) => onlyAway(e) ?? onDevice()),
    staleTime: 60_000,
  });
}

/**
 * From the server; where it cannot be reached, what was seen before, else what the device's library
 * has of it.
 */
export function useSheet(sheet: string, revision: string) {
  const shop = useSignedIn().me.shop.id;
  const client = useQueryClient();
  const key = queryKeys.sheet(sheet, revision);
  const onDevice = async (away: unknown): Promise<SheetReply> => {
    const look = async () =>
      (await (await import('./library')).libraryOf(shop)).get(sheet, revision);
    // A device without workers has no library: the server’s being away is what there is to say.
    const kept = client.getQueryData(key) ? null : await look().catch(() => null);
    if (!kept) throw away;
    return { ...kept, hash: '', approval: null, draft: null, uses: [] };
  };
  return useQuery({
    queryKey: key,
    queryFn: () =>
      call('sheet', { sheet, revision }).catch(async (e: unknown) => onlyAway(e) ?? onDevice(e)),
    staleTime: 60_000,
  });
}

/** Sheets that this device keeps at hand, pinned ones first, then the last ones seen. */
export interface AtHand {
  pinned: SheetBrief[];
  seen: SheetBrief[];
}
const MOST_SEEN = 12;
const NONE: AtHand = { pinned: [], seen: [] };

const atHandIn = (text: string | undefined): AtHand => (text ? (JSON.parse(text) as AtHand) : NONE);
const isSame = (a: SheetBrief, b: SheetBrief): boolean =>
  a.sheet === b.sheet && a.revision === b.revision;

export function useSheetsAtHand(): {
  atHand: AtHand;
  noteSeen: (brief: SheetBrief) => void;
  pin: (brief: SheetBrief, on: boolean) => void;
} {
  const client = useQueryClient();
  const { me } = useSignedIn();
  // Each person's, in each shop: one never sees what the other has.
  const key = `sheets at hand of ${me.person.id} in ${me.shop.id}`;
  const { data } = useQuery({
    queryKey: queryKeys.sheetsAtHand(key),
    queryFn: async () => atHandIn(await (await database()).get('answers', key)),
    staleTime: Infinity,
  });
  const change = async (by: (was: AtHand) => AtHand): Promise<void> => {
    try {
      const { store, done } = (await database()).transaction('answers', 'readwrite');
      const next = by(atHandIn(await store.get(key)));
      await store.put(JSON.stringify(next), key);
      await done;
      client.setQueryData(queryKeys.sheetsAtHand(key), next);
    } catch {
      // A device that keeps nothing says so on every screen.
    }
  };
  return {
    atHand: data ?? NONE,
    noteSeen: (brief) =>
      void change((was) => ({
        ...was,
        seen: [brief, ...was.seen.filter((b) => !isSame(b, brief))].slice(0, MOST_SEEN),
      })),
    pin: (brief, on) =>
      void change((was) => ({
        ...was,
        pinned: on
          ? [brief, ...was.pinned.filter((b) => !isSame(b, brief))]
          : was.pinned.filter((b) => !isSame(b, brief)),
      })),
  };
}

/** A paper disc for one angle, cut for one drive size. */
export const benchDiscPath = (angleDeg: number, drive: string): string =>
  `${routes.benchDisc.path}?angle=${angleDeg}&drive=${encodeURIComponent(drive)}`;

/** The paper disc of a sheet's angles, cut for one drive size. */
export function discPath(sheet: Pick<Sheet, 'id' | 'revision'>, drive?: string): string {
  const path = routes.anglePaper.path
    .replace(':sheet', sheet.id)
    .replace(':revision', sheet.revision);
  return drive ? `${path}?drive=${encodeURIComponent(drive)}` : path;
}
