import { useQuery } from '@tanstack/react-query';
import { wrap } from 'comlink';
import type { LookedAt, TracedPull } from '@stennet/core/trace';
import type { TracesWorker } from '@/workers/traces.worker';
import { queryKeys } from './queryKeys';

/**
 * What the curves of one stage show beside each other; calculated in a worker, once for the same
 * traces.
 */
export const useTraceLooks = (name: string, pulls: readonly TracedPull[]) =>
  useQuery({
    queryKey: queryKeys.traceLooks(
      name,
      pulls.map((p) => p.id),
    ),
    enabled: pulls.length > 0,
    networkMode: 'always',
    staleTime: Infinity,
    gcTime: 0,
    meta: { kept: false },
    queryFn: async (): Promise<LookedAt[]> => {
      const worker = new Worker('/workers/traces.js');
      try {
        return await wrap<TracesWorker>(worker).lookAtPulls([...pulls]);
      } finally {
        worker.terminate();
      }
    },
  });

let judge: ReturnType<typeof wrap<TracesWorker>> | null = null;
/** Stays: what is said at the bolt does not wait for a worker to start. */
export const atTheBolt = (): NonNullable<typeof judge> =>
  (judge ??= wrap<TracesWorker>(new Worker('/workers/traces.js')));

/**
 * The last of these pulls, looked at beside the others. undefined: not yet; null: it could not be
 * looked at, and nothing is said of it.
 */
export function useBoltLook(pulls: readonly TracedPull[]): LookedAt | null | undefined {
  const id = pulls.at(-1)?.id ?? '';
  const { data, isError } = useQuery({
    queryKey: queryKeys.traceLooks('bolt', [id]),
    networkMode: 'always',
    staleTime: Infinity,
    gcTime: 0,
    retry: false,
    meta: { kept: false },
    queryFn: async () => (await atTheBolt().lookAtLast([...pulls])) ?? null,
  });
  return isError ? null : data;
}
