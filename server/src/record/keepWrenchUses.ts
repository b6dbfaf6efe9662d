import type { Sheet } from '@stennet/core/procedure';
import { runRecord, wrenchUses } from '@stennet/core/record';
import type { RunEvent } from '@stennet/core/run';
import type { Client } from '../db/database';
import type { NewInList } from '../db/runs';
import { saveWrenchUse } from '../db/tools';

/**
 * Where counting on would be wrong or a number is still missing, the uses are recomputed from
 * the whole list.
 */
const ANEW: readonly RunEvent['type'][] = [
  'finished',
  'paused',
  'undone',
  'corrected',
  'reconciled',
  'passConfirmed',
];

const isAnew = (fresh: readonly RunEvent[]): boolean => fresh.some((e) => ANEW.includes(e.type));

/**
 * Which wrenches were used in what is new, so that a recall finds also what was tightened a minute
 * ago. None where they are recounted.
 */
export function usesIn(fresh: readonly RunEvent[]): NewInList['uses'] {
  if (isAnew(fresh)) return [];
  const pulls = fresh.flatMap((e) =>
    e.type === 'pulled' && e.payload.wrench ? [{ wrench: e.payload.wrench, at: e.deviceTime }] : [],
  );
  return [...new Set(pulls.map((p) => p.wrench))].map((wrench) => {
    const times = pulls.flatMap((p) => (p.wrench === wrench ? [p.at] : [])).sort();
    const [firstAt = ''] = times;
    return { wrench, firstAt, lastAt: times.at(-1) ?? firstAt, pulls: times.length };
  });
}

/** Everything is sent before anything is answered. */
export async function recountUses(
  client: Client,
  { shop, run, sheet }: { shop: string; run: string; sheet: Sheet },
  events: readonly RunEvent[],
  fresh: readonly RunEvent[],
): Promise<void> {
  if (!isAnew(fresh)) return;
  const pulls = runRecord(sheet, events).fasteners.flatMap((f) => f.pulls);
  const saved = wrenchUses(pulls).map((use) =>
    saveWrenchUse(
      client,
      shop,
      run,
      use.wrench,
      use.firstAt,
      use.lastAt,
      use.pulls,
      use.readings,
      use.ratio,
    ),
  );
  await Promise.all(saved);
}
