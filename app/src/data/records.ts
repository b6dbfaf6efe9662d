import { useInfiniteQuery, useQuery } from '@tanstack/react-query';
import * as v from 'valibot';
import { replies, routes, type FollowUp } from '@stennet/core/contract';
import type { FollowUpState } from '@stennet/core/followUp';
import type { SignedKind } from '@stennet/core/record';
import { newId } from '@/platform/ids';
import { useIsShown } from '@/platform/shown';
import { AppError } from '@stennet/core/errors';
import { call, refusalIn } from './api';
import type { BodyOf } from '@stennet/core/contract/work';
import { queryClient } from './queries';
import { queryKeys } from './queryKeys';
import { refresh, refreshOrders } from './refresh';

/**
 * Who signed a record, whether it holds, and what keeps it from being signed. Only the server
 * knows.
 */
export const useSigning = (run: string) =>
  useQuery({
    queryKey: queryKeys.signing(run),
    queryFn: () => call('signatures', { run }),
    subscribed: useIsShown(),
    gcTime: 60_000,
    staleTime: 0,
    refetchOnMount: 'always',
  });

/** @throws AppError why it was not signed */
export async function signRun(
  run: string,
  said: { kind: SignedKind; position: number; text?: string },
): Promise<void> {
  queryClient.setQueryData(
    queryKeys.signing(run),
    await call('signRun', { run }, { id: newId(), ...said }),
  );
  void refresh(queryKeys.everyOrder);
  void refresh(queryKeys.today);
}

export const recordPath = (run: string, form: 'pdf' | 'json' | 'csv'): string =>
  `${routes.recordOut.path.replace(':run', run)}?form=${form}`;
export const archivePath = (order: string): string =>
  routes.orderArchive.path.replace(':order', order);
export const handOverPath = (order: string): string =>
  routes.handOver.path.replace(':order', order);

/** What to look for in what was tightened, as it stands behind the question mark. */
export type Asked = Record<string, string>;
export const useHistory = (asked: Asked | null) =>
  useInfiniteQuery({
    queryKey: queryKeys.historyOf(asked),
    queryFn: ({ pageParam }) =>
      call('history', {}, undefined, { ...asked, ...(pageParam ? { before: pageParam } : {}) }),
    initialPageParam: '',
    getNextPageParam: (last) => last.next ?? undefined,
    enabled: asked !== null,
  });
export const recallPath = (asked: Asked): string =>
  `${routes.history.path}?${new URLSearchParams({ ...asked, form: 'csv' }).toString()}`;

export const useForeignRecord = (run: string) =>
  useQuery({
    queryKey: queryKeys.foreign(run),
    queryFn: () => call('foreignRecord', { run }),
    meta: { kept: false },
  });
/** Whether it holds, looked at on the server each time. */
export const useForeignCheck = (run: string) =>
  useQuery({
    queryKey: queryKeys.foreignCheck(run),
    queryFn: () => call('checkForeign', { run }),
    staleTime: 0,
    gcTime: 60_000,
    refetchOnMount: 'always',
  });
export const foreignPath = (run: string): string => routes.foreignRecord.path.replace(':run', run);

type Taken = v.InferOutput<typeof replies.takeForeign>;

/**
 * A record or an archive from elsewhere.
 * @throws AppError FOREIGN_UNREADABLE, FOREIGN_BROKEN, FOREIGN_OTHER
 */
export async function takeForeign(file: File): Promise<Taken> {
  const response = await fetch(routes.takeForeign.path, {
    method: 'POST',
    credentials: 'same-origin',
    headers: { 'Content-Type': 'application/octet-stream' },
    body: file,
  }).catch(() => {
    throw new AppError('OFFLINE');
  });
  const reply: unknown = await response.json().catch(() => undefined);
  if (!response.ok) throw refusalIn(reply);
  void refresh(queryKeys.history);
  void refresh(queryKeys.everyForeign);
  return v.parse(replies.takeForeign, reply);
}

export const useFollowUps = (state?: FollowUpState) =>
  useQuery({
    queryKey: queryKeys.followUpsThat(state ?? 'all'),
    queryFn: () => call('followUps', {}, undefined, state ? { state } : {}),
  });

/** @throws AppError FOLLOW_UP_CHANGED, REASON_NEEDED, OFFLINE */
export async function settleFollowUp(
  { id, version }: Pick<FollowUp, 'id' | 'version'>,
  said: { state: FollowUpState; note: string | null; seenKm: number | null },
): Promise<void> {
  await call('settleFollowUp', { followUp: id }, { version, ...said });
  await refresh(queryKeys.followUps, queryKeys.everyOrder, queryKeys.orders, queryKeys.today);
}

/** A private calendar address of this person; a new one ends the one before. */
export async function makeFeed(): Promise<string> {
  const { path } = await call('makeFeed');
  void refresh(queryKeys.followUps);
  return new URL(path, window.location.href).href;
}
export async function dropFeed(): Promise<void> {
  await call('dropFeed');
  void refresh(queryKeys.followUps);
}
export const calendarPath = routes.calendar.path;
export const witnessPath = routes.witness.path;

/**
 * Who had it done is forgotten, on every order of theirs for this vehicle.
 * @throws AppError ERASE_OPEN, SIGN_IN_WRONG
 */
export async function eraseCustomer(order: string, own: string): Promise<number> {
  const { erased } = await call('eraseCustomer', { order }, { own });
  await refreshOrders();
  return erased;
}

/** What the shop decides for itself; taken over by asking again who is signed in. */
export async function saveShop(shop: NonNullable<BodyOf<'saveShop'>>): Promise<void> {
  await call('saveShop', {}, shop);
  await refresh(queryKeys.me);
}
