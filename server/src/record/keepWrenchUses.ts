import type { Sheet } from '@stennet/core/procedure';
import { runRecord, wrenchUses } from '@stennet/core/record';
import type { RunEvent } from '@stennet/core/run';
import type { Client } from '../db/database';
import { addWrenchUse, saveWrenchUse } from '../db/tools';

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

/**
 * Keeps which wrench was used in a run, so that a recall finds also what was tightened a minute
 * ago. Everything is sent before anything is answered.
 */
export async function keepWrenchUses(
  client: Client,
  at: { shop: string; run: string; sheet: Sheet },
  events: readonly RunEvent[],
  fresh: readonly RunEvent[],
): Promise<void> {
  if (fresh.some((e) => ANEW.includes(e.type))) return computeAnew(client, at, events);
  const pulls = fresh.flatMap((e) =>
    e.type === 'pulled' && e.payload.wrench ? [{ wrench: e.payload.wrench, at: e.deviceTime }] : [],
  );
  const added = [...new Set(pulls.map((p) => p.wrench))].map((wrench) => {
    const times = pulls.flatMap((p) => (p.wrench === wrench ? [p.at] : [])).sort();
    return addWrenchUse(client, at.shop, at.run, wrench, times[0], times.at(-1), times.length);
  });
  await Promise.all(added);
}

async function computeAnew(
  client: Client,
  { shop, run, sheet }: { shop: string; run: string; sheet: Sheet },
  events: readonly RunEvent[],
): Promise<void> {
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
