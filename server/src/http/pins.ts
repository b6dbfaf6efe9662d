import { AppError } from '@stennet/core/errors';
import { passwordFits } from './passwords';
import type { Deps } from './serve';

const WINDOW_MINUTES = 15;
export const TRIES_PER_DEVICE = 5;
/** From all devices together: a device's name is only what it says. */
const TRIES_PER_PERSON = 20;

/** Wrong tries are counted in the database: another server, or this one started anew, knows them too. */
export async function assertPin(deps: Deps, who: { shop: string; person: string; name: string; hash: string | null; device: string }, pin: string): Promise<void> {
  if (!who.hash) throw new AppError('PIN_NONE', { name: who.name });
  const whole = `pin:${who.shop}:${who.person}`;
  const keys: [string, number][] = [
    [`${whole}:${who.device}`, TRIES_PER_DEVICE],
    [whole, TRIES_PER_PERSON],
  ];
  await limited(deps, keys, who.name);
  if (await passwordFits(who.hash, pin)) return void (await deps.db.atDoor((c) => c.query('select forget_attempts($1)', [keys[0]?.[0]])));
  await noteTries(
    deps,
    keys.map(([key]) => key),
  );
  throw new AppError('PIN_WRONG', { name: who.name });
}

export async function limited(deps: Deps, keys: readonly (readonly [string, number])[], name: string): Promise<void> {
  const since = new Date(deps.now().getTime() - WINDOW_MINUTES * 60_000);
  await deps.db.atDoor(async (c) => {
    for (const [key, most] of keys) {
      const tries = Number((await c.query<{ n: string }>('select recent_attempts($1, $2) as n', [key, since])).rows[0]?.n ?? 0);
      if (tries >= most) throw new AppError('PIN_LIMITED', { name, minutes: WINDOW_MINUTES });
    }
  });
}

export async function noteTries(deps: Deps, keys: readonly string[]): Promise<void> {
  await deps.db.atDoor(async (c) => {
    for (const key of keys) await c.query('select note_attempt($1, $2)', [key, deps.now()]);
  });
}
