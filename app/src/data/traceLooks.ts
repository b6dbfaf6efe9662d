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
