import { useQuery } from '@tanstack/react-query';
import * as v from 'valibot';
import { AppError } from '@stennet/core/errors';
import { saveFile } from '@/platform/files';
import { holdsOf, keepHoldKey } from './outbox/holdKeys';
import { keepBack, readRun, runsToSend, waitingOf } from './outbox/outbox';
import { send } from './outbox/sender';
import { keepTrace, waitingTraces } from './traces';
import { work } from './work';
import { queryKeys } from './queryKeys';

/**
 * Everything that the server does not have yet, as a file: for a device that is about to be wiped.
 * @returns how many entries
 */
export async function saveUnsent(): Promise<number> {
  const runs = await Promise.all(
    (await runsToSend()).map(async (run) => ({
      kept: (await readRun(run))?.kept,
      events: (await waitingOf(run)).flatMap((e) => (e.refused ? [] : [e.event])),
    })),
  );
  const named = runs.flatMap((r) =>
    r.events.flatMap((e) => (e.type === 'pulled' && e.payload.trace ? [e.payload.trace] : [])),
  );
  const traces = await waitingTraces(named);
  const holds = await holdsOf(runs.flatMap((r) => r.events));
  const text = `${JSON.stringify({ format: 'stennet-unsent', v: 1, runs, holds, traces }, null, 1)}\n`;
  saveFile(
    `stennet-unsent-${new Date().toISOString().slice(0, 16).replace(':', '')}.json`,
    text,
    'application/json',
  );
  return runs.reduce((n, r) => n + r.events.length, 0);
}

/**
 * The same read back, here or on another device; what is there already stays as it is.
 * @returns how many entries came back
 * @throws AppError FOREIGN_UNREADABLE
 */
export async function readUnsent(file: File): Promise<number> {
  let json: unknown;
  try {
    json = JSON.parse(await file.text());
  } catch {
    throw new AppError('FOREIGN_UNREADABLE', { why: 'it is no JSON' });
  }
  const { UnsentFileSchema } = await work();
  const parsed = v.safeParse(UnsentFileSchema, json);
  if (!parsed.success)
    throw new AppError('FOREIGN_UNREADABLE', { why: 'it is no file of unsent entries' });
  let count = 0;
  for (const { run, hold, key } of parsed.output.holds) await keepHoldKey(run, hold, key);
  for (const { kept, events } of parsed.output.runs) count += await keepBack(kept, events);
  for (const trace of Object.values(parsed.output.traces ?? {})) await keepTrace(trace);
  void send();
  return count;
}

/** Whose entries wait here, by name: each goes out when that person is signed in here. */
export const useUnsentByPerson = (unsent: number) =>
  useQuery({
    queryKey: queryKeys.unsent(unsent),
    gcTime: 0,
    queryFn: async () => {
      const people = new Map<string, { name: string; count: number }>();
      for (const { event, refused } of await waitingOf()) {
        if (refused) continue;
        const name =
          people.get(event.person)?.name ??
          (await readRun(event.run))?.kept.people[event.person] ??
          '';
        people.set(event.person, { name, count: (people.get(event.person)?.count ?? 0) + 1 });
      }
      return [...people.values()];
    },
  });
