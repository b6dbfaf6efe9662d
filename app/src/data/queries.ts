import { QueryCache, QueryClient, useQuery } from '@tanstack/react-query';
import { createAsyncStoragePersister } from '@tanstack/query-async-storage-persister';
import type { Me } from '@stennet/core/contract';
import type { AppError } from '@stennet/core/errors';
import { call, asAppError } from './api';
import { database } from './database';

const DAY_MS = 86_400_000;

export const queryClient = new QueryClient({
  // Whoever is told first that the sign-in has run out says so to all.
  queryCache: new QueryCache({ onError: (error) => noteSignedOut(asAppError(error)) }),
  defaultOptions: {
    queries: {
      staleTime: 5_000,
      gcTime: 7 * DAY_MS,
      networkMode: 'always',
      retry: (count, error) => asAppError(error).code === 'OFFLINE' && count < 1,
      retryDelay: 600,
    },
  },
});

/** Answers kept for the next start, per device; cleared at sign-out and at a change of shop. */
export const persister = createAsyncStoragePersister({
  key: 'answers',
  throttleTime: 500,
  storage: {
    getItem: async (key: string) => (await (await database()).get('answers', key)) ?? null,
    setItem: async (key: string, value: string) => void (await (await database()).put('answers', value, key)),
    removeItem: async (key: string) => (await database()).delete('answers', key),
  },
});
export const KEEP_MS = 7 * DAY_MS;

/** Who is signed in; null when nobody is. */
export const useMe = () => useQuery({ queryKey: ['me'], queryFn: askMe, staleTime: 0 });

/** The door opens to the sign-in; a run on the screen goes on. */
export function noteSignedOut(error: AppError): void {
  if (error.code === 'SIGN_IN_NEEDED') queryClient.setQueryData(['me'], null);
}

async function askMe(): Promise<Me | null> {
  return call('me').catch((error: unknown) => {
    if (asAppError(error).code === 'SIGN_IN_NEEDED') return null;
    throw error;
  });
}

export const useToday = () => useQuery({ queryKey: ['today'], queryFn: () => call('today'), refetchInterval: 15_000 });
export const useOrder = (order: string) =>
  useQuery({
    queryKey: ['order', order],
    queryFn: () => call('order', { order }),
    // Today has it already: shown at once, and off-line.
    placeholderData: () => queryClient.getQueryData<Awaited<ReturnType<typeof call<'today'>>>>(['today'])?.orders.find((o) => o.id === order),
  });
export const useJointSheet = (joint: string) => useQuery({ queryKey: ['jointSheet', joint], queryFn: () => call('jointSheet', { joint }) });
export const useWrenches = () => useQuery({ queryKey: ['wrenches'], queryFn: () => call('wrenches'), staleTime: 60_000 });
