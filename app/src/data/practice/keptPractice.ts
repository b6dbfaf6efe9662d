// Practice on this device.
// - Every confirmation is on disk before the screen moves, the strokes before it with it.
// - A run that has ended is sent until the server has it; judged it is here already.
// - It has a store of its own: no sender of real runs ever sees it.
import { AppError } from '@stennet/core/errors';
import { asAppError, call } from '../api';
import { database, onDisk, writeAtOnce } from '../database';
import type { KeptPractice } from './form';

/** So many that are sent stay here, to be looked at again. */
const KEPT_SENT = 12;

export const readPractice = async (id: string): Promise<KeptPractice | undefined> =>
  (await database()).get('practice', id);

/** @throws AppError STORAGE_FAILED */
export async function keepPractice(kept: KeptPractice): Promise<void> {
  try {
    await onDisk((db) => writeAtOnce(db, 'practice', (all) => all.put(kept, kept.log.id)));
  } catch (error) {
    throw error instanceof AppError ? error : new AppError('STORAGE_FAILED');
  }
}

/** Those of this person here, the latest first. */
export async function listKept(person: string, shop: string): Promise<KeptPractice[]> {
  const all = await (await database()).getAll('practice');
  return all
    .filter((k) => k.person === person && k.shop === shop)
    .sort((a, b) => b.begunAt.localeCompare(a.begunAt));
}

let isSending = false;
/** All that have ended and are not sent. @returns whether anything new reached the server */
export async function sendPractice(person: string, shop: string): Promise<boolean> {
  if (isSending) return false;
  isSending = true;
  let any = false;
  try {
    const kept = await listKept(person, shop);
    for (const one of kept.filter((k) => k.result && !k.sent).reverse()) {
      try {
        await call('keepPractice', { attempt: one.log.id }, one.log);
      } catch (error) {
        if (asAppError(error).code !== 'PRACTICE_BROKEN') return any;
      }
      await keepPractice({ ...one, sent: true });
      any = true;
    }
    const old = kept.filter((k) => k.sent).slice(KEPT_SENT);
    const db = await database();
    for (const one of old) await db.delete('practice', one.log.id);
  } finally {
    isSending = false;
  }
  return any;
}
