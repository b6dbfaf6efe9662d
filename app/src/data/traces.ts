// What digital wrenches saw of pulls, named by its hash.
// - A trace is on disk before the pull that names it.
// - It is sent until the server has it; the value itself never waits for it.
// - It leaves this device when the server has it.
import { useQueries } from '@tanstack/react-query';
import { AppError } from '@stennet/core/errors';
import type { Trace } from '@stennet/core/trace';
import { asAppError, call } from './api';
import { database, STRICT } from './database';
import { fateOf } from './sendPolicy';
import { work } from './work';
import { queryClient } from './queries';
import { queryKeys } from './queryKeys';

/**
 * Keeps a trace on this device. @returns its name, for the pull it belongs to
 * @throws AppError STORAGE_FAILED
 */
export async function keepTrace(trace: Trace): Promise<string> {
  const { traceName } = await work();
  const name = traceName(trace);
  try {
    const transaction = (await database()).transaction('traces', 'readwrite', STRICT);
    await transaction.store.put(trace, name);
    await transaction.done;
  } catch {
    throw new AppError('STORAGE_FAILED');
  }
  // The next bolt is looked at beside it, also once it has left this device.
  queryClient.setQueryData(queryKeys.trace(name), trace);
  return name;
}

let isSending = false;
let again = false;
/** Goes out beside the entries, one after the other. */
export async function sendTraces(): Promise<void> {
  // One that came while others were on their way goes out behind them.
  if (isSending) return void (again = true);
  isSending = true;
  try {
    const db = await database();
    do {
      again = false;
      for (const name of await db.getAllKeys('traces')) {
        const trace = await db.get('traces', name);
        if (trace && !(await isTaken(name, trace))) return;
        await db.delete('traces', name);
      }
    } while (again);
  } catch {
    // The device's own storage is away: they stay where they are.
  } finally {
    isSending = again = false;
  }
}

/**
 * false: not now. One that the server will never have (too large, of an older form) does not hold
 * up the others.
 */
async function isTaken(name: string, trace: Trace): Promise<boolean> {
  try {
    await call('keepTrace', { trace: name }, trace);
    return true;
  } catch (error) {
    // The person on now may not send it; the next sign-in can.
    return fateOf(asAppError(error), { FORBIDDEN: 'person' }) === 'refused';
  }
}

/** Those that wait here, by name: they go along when what is unsent is saved as a file. */
export async function waitingTraces(names: readonly string[]): Promise<Record<string, Trace>> {
  const db = await database();
  const found = await Promise.all(
    names.map(async (name) => [name, await db.get('traces', name)] as const),
  );
  return Object.fromEntries(
    found.flatMap(([name, trace]) => (trace ? [[name, trace] as const] : [])),
  );
}

/** null: it is not on the server yet, nor here. */
async function traceOf(name: string): Promise<Trace | null> {
  const here = await (await database()).get('traces', name);
  if (here) return here;
  try {
    return await call('trace', { trace: name });
  } catch (error) {
    if (asAppError(error).code === 'NOT_FOUND') return null;
    throw error;
  }
}

/**
 * The named traces, as far as they are known; a trace never changes, but one that is missing may
 * still come.
 */
export function useTraces(names: readonly string[]): {
  traces: ReadonlyMap<string, Trace>;
  missing: number;
  isLoading: boolean;
} {
  return useQueries({
    queries: names.map((name) => ({
      queryKey: queryKeys.trace(name),
      queryFn: () => traceOf(name),
      meta: { kept: false },
      staleTime: ({ state }: { state: { data: unknown } }) => (state.data ? Infinity : 0),
    })),
    combine: (found) => ({
      traces: new Map(
        found.flatMap(({ data }, i) => (data ? [[names[i] ?? '', data] as const] : [])),
      ),
      missing: found.filter((q) => !q.isPending && !q.data).length,
      isLoading: found.some((q) => q.isPending),
    }),
  });
}
