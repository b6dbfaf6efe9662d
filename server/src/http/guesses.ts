import { type AppError } from '@stennet/core/errors';
import { countGuess, forgiveGuess } from '../db/sessions';
import type { Database } from '../db/database';

/**
 * What is guessed at, and how often before it is locked: for how long the first time, and the
 * longest. Each lock lasts twice as long as the one before.
 */
export interface Limit {
  key: string;
  most: number;
  first: string;
  longest: string;
}

/**
 * Compares a password or a PIN, counted before it is compared: many guesses at once count as many.
 * Counted in the database, so that another server, or this one started again, knows them too.
 * docs/adr/0003 says whom a lock keeps out.
 * @param own forgotten when the guess was right; of `shared` only this try is taken back
 * @throws AppError what `limited` makes of the minutes that are left
 */
export async function compareGuess(
  { db, now }: { db: Database; now: () => Date },
  { own, shared }: { own: readonly Limit[]; shared: readonly Limit[] },
  limited: (minutes: number) => AppError,
  compare: () => Promise<boolean>,
): Promise<boolean> {
  const all = [...own, ...shared];
  const moment = now();
  const column = <K extends keyof Limit>(name: K): Limit[K][] => all.map((limit) => limit[name]);
  const values = [column('key'), column('most'), column('first'), column('longest'), moment];
  const until = await db.atDoor(async (c) => (await countGuess(c, ...values))[0]?.until);
  if (until) throw limited(Math.max(1, Math.ceil((until.getTime() - moment.getTime()) / 60_000)));
  const fits = await compare();
  if (fits)
    await db.atDoor((c) =>
      forgiveGuess(
        c,
        own.map((l) => l.key),
        shared.map((l) => l.key),
        moment,
      ),
    );
  return fits;
}
