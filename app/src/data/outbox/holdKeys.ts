import type { RunEvent } from '@stennet/core/run';
import { deviceId } from '@/platform/device';
import { newSecret } from '@/platform/ids';
import { database, STRICT } from '../database';

/*
 * The device that holds a run shows a secret with each entry: made on the device at the start or
 * the take-over, and known to no other. The device's id says nothing, since all who may read the
 * run can read that.
 */

/**
 * Kept before it is first sent: an answer that is lost must not leave the server with a key that
 * no one has.
 */
export async function makeHoldKey(run: string, hold: number): Promise<string> {
  const db = await database();
  const made = newSecret();
  const transaction = db.transaction('holds', 'readwrite', STRICT);
  const known = await transaction.store.get([run, hold]);
  if (known === undefined) await transaction.store.put(made, [run, hold]);
  await transaction.done;
  return keepInMind(run, hold, known ?? made);
}

/**
 * A browser that clears its storage under an open page takes no hold away: what the page knows is
 * stored again.
 */
const inMind = new Map<string, string>();
function keepInMind(run: string, hold: number, key: string): string {
  inMind.set(`${run} ${hold}`, key);
  return key;
}

export async function holdKeyOf(run: string, hold: number): Promise<string | undefined> {
  const stored = await (await database()).get('holds', [run, hold]);
  if (stored !== undefined) return keepInMind(run, hold, stored);
  const known = inMind.get(`${run} ${hold}`);
  if (known !== undefined) await keepHoldKey(run, hold, known);
  return known;
}

/** Of the holds that these entries were confirmed in. */
export async function holdsOf(
  events: readonly RunEvent[],
): Promise<{ run: string; hold: number; key: string }[]> {
  const places = new Map(events.map(({ run, hold }) => [`${run} ${hold}`, { run, hold }]));
  const found = await Promise.all(
    [...places.values()].map(async (at) => ({ ...at, key: await holdKeyOf(at.run, at.hold) })),
  );
  return found.flatMap(({ key, ...at }) => (key === undefined ? [] : [{ ...at, key }]));
}

/** From a file; what this device has itself stays. */
export async function keepHoldKey(run: string, hold: number, key: string): Promise<void> {
  const transaction = (await database()).transaction('holds', 'readwrite', STRICT);
  if ((await transaction.store.get([run, hold])) === undefined)
    await transaction.store.put(key, [run, hold]);
  await transaction.done;
}

/** This device holds the run, and can show that it does. */
export const isHeldHere = async (
  run: string,
  holder: { hold: number; device: string } | null,
): Promise<boolean> =>
  holder !== null &&
  holder.device === deviceId() &&
  (await holdKeyOf(run, holder.hold)) !== undefined;
