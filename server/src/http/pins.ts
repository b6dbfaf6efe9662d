import type { Request } from 'express';
import { AppError } from '@stennet/core/errors';
import { compareGuess } from './guesses';
import { passwordFits } from './passwords';
import { noteAtDoor } from './securityLog';
import type { Deps } from './serve';
import { findPasswordHash } from '../db/door';

export const TRIES_FROM_ONE = 5;
/**
 * From everywhere together: then the lead says it in their own session, or sets the PIN again with
 * their password.
 */
const TRIES_TOGETHER = 20;

export const pinKey = (shop: string, person: string): string => `pin:${shop}:${person}`;

/**
 * Whose PIN is typed: `from` whom, the person that is signed in or a device that has proved with
 * its secret which one it is.
 */
export interface PinTyped {
  shop: string;
  person: string;
  name: string;
  hash: string | null;
  from: string;
  /** Who is signed in there. */
  by: string | null;
}

/** @throws AppError PIN_NONE, PIN_WRONG, PIN_LIMITED */
export async function assertPin(
  deps: Deps,
  req: Request,
  who: PinTyped,
  pin: string,
): Promise<void> {
  const { hash, name } = who;
  if (!hash) throw new AppError('PIN_NONE', { name });
  const whole = pinKey(who.shop, who.person);
  const limits = {
    own: [
      {
        key: `${whole}:${who.from}`,
        most: TRIES_FROM_ONE,
        first: '5 minutes',
        longest: '12 hours',
      },
    ],
    shared: [{ key: whole, most: TRIES_TOGETHER, first: '15 minutes', longest: '4 hours' }],
  };
  const fits = await compareGuess(
    deps,
    limits,
    (minutes) => new AppError('PIN_LIMITED', { name, minutes }),
    () => passwordFits(hash, pin),
  );
  if (fits) return;
  await deps.db.inShop(who.shop, (c) =>
    noteAtDoor(c, req, {
      shop: who.shop,
      now: deps.now(),
      kind: 'wrongPin',
      person: who.by,
      about: who.person,
    }),
  );
  throw new AppError('PIN_WRONG', { name });
}

/**
 * The password of the person signed in, asked once more before something that a phone left lying
 * about must not do.
 * @returns what is stored of it
 * @throws AppError SIGN_IN_WRONG, SIGN_IN_LIMITED
 */
export async function assertOwnPassword(
  deps: Deps,
  person: string,
  password: string,
): Promise<string> {
  const stored = await deps.db.atDoor(
    async (c) => (await findPasswordHash(c, person))[0]?.hash ?? undefined,
  );
  const fits = await compareGuess(
    deps,
    {
      own: [
        { key: `password:${person}`, most: TRIES_FROM_ONE, first: '1 minute', longest: '1 hour' },
      ],
      shared: [],
    },
    (minutes) => new AppError('SIGN_IN_LIMITED', { minutes }),
    () => passwordFits(stored, password),
  );
  if (!fits || !stored) throw new AppError('SIGN_IN_WRONG');
  return stored;
}
