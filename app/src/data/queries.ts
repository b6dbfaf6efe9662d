import {
  dehydrate,
  keepPreviousData,
  QueryCache,
  QueryClient,
  useQuery,
  type Query,
} from '@tanstack/react-query';
import { createAsyncStoragePersister } from '@tanstack/query-async-storage-persister';
import type { PersistedClient } from '@tanstack/react-query-persist-client';
import type { Me } from '@stennet/core/contract';
import type { AppError } from '@stennet/core/errors';
import type { OrderState } from '@stennet/core/order';
import type { ListedTool, ShopTool } from '@stennet/core/prepare';
import { whenIdle } from '@/platform/frames';
import { useIsShown } from '@/platform/shown';
import { call, asAppError } from './api';
import { unverified, verifyNow } from './bay';
import { database, onDisk } from './database';
import { leave } from './leaving';
import { queryKeys } from './queryKeys';
import { isLive } from './stream';

const ASK_AGAIN_MS = 5_000;
const DAY_MS = 86_400_000;

export const queryClient = new QueryClient({
  // The first query to hear that the sign-in ran out tells all.
  queryCache: new QueryCache({ onError: (error) => noteSignedOut(asAppError(error)) }),
  defaultOptions: {
    queries: {
      staleTime: 5_000,
      gcTime: 7 * DAY_MS,
      networkMode: 'always',
      retry: (count, error) => asAppError(error).code === 'OFFLINE' && count < 1,
      retryDelay: 600,
      // A screen that has nothing to show yet comes by itself once the server answers again.
      refetchInterval: ({ state }) =>
        state.data === undefined && state.error && asAppError(state.error).code === 'OFFLINE'
          ? ASK_AGAIN_MS
          : false,
    },
  },
});

const ANSWERS = 'answers';
/** Answers kept for the next start, per device; cleared at sign-out and at a change of shop. */
export const persister = createAsyncStoragePersister({
  key: ANSWERS,
  throttleTime: 500,
  serialize: (client) => JSON.stringify(asLastKnown(client)),
  storage: {
    // Where the device keeps nothing, the app goes on with what the server says.
    getItem: (key: string) =>
      database().then(
        async (db) => (await db.get('answers', key)) ?? null,
        () => null,
      ),
    setItem: (key: string, value: string) =>
      database()
        .then(async (db) => void (await db.put('answers', value, key)))
        .catch(() => undefined),
    removeItem: (key: string) =>
      database()
        .then((db) => db.delete('answers', key))
        .catch(() => undefined),
  },
});
/**
 * All that is known but what is large and soon fetched or calculated again. A server that cannot be
 * reached takes nothing back: the next start without it has the same to show.
 */
export const isKept = ({ state, meta }: Query): boolean =>
  state.data !== undefined && !wasRefused(state.error) && meta?.kept !== false;
const wasRefused = (error: Error | null): boolean =>
  error !== null && !['OFFLINE', 'INTERNAL'].includes(asAppError(error).code);

export const persistOptions = {
  persister,
  maxAge: 7 * DAY_MS,
  buster: '3',
  dehydrateOptions: { shouldDehydrateQuery: isKept },
};

/**
 * The next start begins as this one, with nothing of whoever was here before: kept before their
 * name is on the screen, where the other answers are kept when there is time.
 */
export async function keepOnly(me: Me): Promise<void> {
  const next = new QueryClient();
  next.setQueryData(queryKeys.me, me);
  const { buster } = persistOptions;
  const kept: PersistedClient = { buster, timestamp: Date.now(), clientState: dehydrate(next) };
  next.clear();
  // A device that keeps nothing says so on every screen.
  await onDisk((db) => db.put('answers', JSON.stringify(kept), ANSWERS)).catch(() => undefined);
}

/**
 * All but who is signed in: that question stays open on the screen and must not be torn from it.
 */
const ofSomeone = { predicate: (q: Query) => q.queryKey[0] !== queryKeys.me[0] };
export const forgetAnswers = (): void => queryClient.removeQueries(ofSomeone);
/** What no screen shows any more. */
export const forgetUnshown = (): void =>
  queryClient.removeQueries({ ...ofSomeone, type: 'inactive' });

/** The last answers, without what went wrong with the questions after them. */
const asLastKnown = (client: PersistedClient): PersistedClient => ({
  ...client,
  clientState: {
    ...client.clientState,
    queries: client.clientState.queries.map((query) => ({
      ...query,
      state: { ...query.state, status: 'success', error: null, fetchFailureReason: null },
    })),
  },
});

/** Who is signed in; null when no one is. */
export const useMe = () => useQuery({ queryKey: queryKeys.me, queryFn: askMe, staleTime: 0 });

/** Whether this installation has no shop yet. */
export const useSetup = () =>
  useQuery({ queryKey: queryKeys.setup, queryFn: () => call('setup'), gcTime: 0 });

/** The door opens to the sign-in; a run on the screen goes on. */
export function noteSignedOut(error: AppError): void {
  if (error.code === 'SIGN_IN_NEEDED') queryClient.setQueryData(queryKeys.me, null);
}

async function askMe(): Promise<Me | null> {
  const me = await (unverified() ? verifyNow() : call('me')).catch((error: unknown) => {
    if (asAppError(error).code === 'SIGN_IN_NEEDED') return null;
    throw error;
  });
  const was = queryClient.getQueryData<Me | null>(queryKeys.me);
  if (was && me && !isSameSeat(was, me)) takeSeat();
  return me;
}

const isSameSeat = (a: Me, b: Me): boolean =>
  a.person.id === b.person.id && a.shop.id === b.shop.id;

/** Signed in, in another tab of this browser: what was asked for someone else is not theirs. */
function takeSeat(): void {
  leave();
  forgetUnshown();
  void queryClient.resetQueries({ ...ofSomeone, type: 'active' });
}

/** How often what others change is asked for: seldom while the stream tells of it. */
export const lookEvery = (ms: number) => (): number => (isLive() ? 60_000 : ms);

export const useToday = () =>
  useQuery({
    queryKey: queryKeys.today,
    queryFn: () => call('today'),
    refetchInterval: lookEvery(15_000),
    subscribed: useIsShown(),
  });
export const useOrder = (order: string) =>
  useQuery({
    queryKey: queryKeys.order(order),
    queryFn: () => call('order', { order }),
    enabled: order !== '',
    subscribed: useIsShown(),
    // Today has it already: shown at once, and still there where asking for it fails.
    initialDataUpdatedAt: 0,
    initialData: () =>
      queryClient
        .getQueryData<Awaited<ReturnType<typeof call<'today'>>>>(queryKeys.today)
        ?.orders.find((o) => o.id === order),
  });
export const useJointSheet = (joint: string) =>
  useQuery({ queryKey: queryKeys.jointSheet(joint), queryFn: () => call('jointSheet', { joint }) });
export const usePeople = () =>
  useQuery({ queryKey: queryKeys.people, queryFn: () => call('people'), staleTime: 60_000 });

/** One of the shop's tools, as the list of tools has it. */
export interface KeptTool {
  id: string;
  version: number;
  retired: boolean;
  changedBy: string | null;
  tool: ShopTool;
}
/** How the house stands, looked at again while it is open. */
export const useSystem = () =>
  useQuery({
    queryKey: queryKeys.system,
    queryFn: () => call('system'),
    refetchInterval: 10_000,
    subscribed: useIsShown(),
    meta: { kept: false },
  });
export const useTools = () =>
  useQuery({
    queryKey: queryKeys.tools,
    queryFn: () => call('tools'),
    select: ({ tools }): KeptTool[] => tools.map((t) => ({ ...t, tool: t.tool as ShopTool })),
  });
/** Tools that are in use, with their ids. */
export const inUse = (tools: readonly KeptTool[]): ListedTool[] =>
  tools.filter((t) => !t.retired).map((t) => ({ id: t.id, ...t.tool }));

export interface OrderFilter {
  q?: string;
  state?: OrderState;
}
/** While typing, the last answer stays until the next one is there. */
export const useOrders = ({ q, state }: OrderFilter) =>
  useQuery({
    queryKey: queryKeys.ordersLike(q ?? '', state ?? ''),
    queryFn: () =>
      call('orders', {}, undefined, { ...(q ? { q } : {}), ...(state ? { state } : {}) }),
    placeholderData: keepPreviousData,
    subscribed: useIsShown(),
    gcTime: q ? 60_000 : 7 * DAY_MS,
  });

/** A joint's small drawing. A revision never changes: it is asked for once, after what is read. */
export const useThumb = ({ sheetId: sheet, revision }: { sheetId: string; revision: string }) =>
  useQuery({
    queryKey: queryKeys.thumb(sheet, revision),
    queryFn: () => whenIdle(500).then(() => call('sheetThumb', { sheet, revision })),
    staleTime: Infinity,
  }).data;
