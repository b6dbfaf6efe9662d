import { hash, verify } from '@node-rs/argon2';
import { ZxcvbnFactory } from '@zxcvbn-ts/core';
import { adjacencyGraphs, dictionary } from '@zxcvbn-ts/language-common';
import { AppError } from '@stennet/core/errors';

/** Argon2id with the package's defaults, which follow current advice. */
export const hashPassword = (password: string): Promise<string> => hash(password);

/** A name that does not exist takes as long to refuse as a wrong password. */
let decoy: Promise<string> | undefined;
export async function passwordFits(stored: string | undefined, password: string): Promise<boolean> {
  decoy ??= hash('nobody has this password');
  const fits = await verify(stored ?? (await decoy), password);
  return fits && stored !== undefined;
}

/**
 * Guesses that a list of leaked passwords, rows of keys, names and years needs at most: below that
 * one is found in hours.
 */
const LEAST_LOG10 = 8;
/** The rest of a long one says nothing more, and costs time. */
const LOOKED_AT = 64;

/** Leaked passwords, common words and names, rows of keys: read when one is first chosen. */
let lists: ZxcvbnFactory | undefined;

/**
 * @throws AppError PASSWORD_FORM for one that is on a list of leaked ones, is a row of keys, or is
 * made of the person's own names
 */
export function assertGoodPassword(password: string, names: readonly string[]): void {
  lists ??= new ZxcvbnFactory({ dictionary, graphs: adjacencyGraphs });
  const own = names.flatMap((name) => [name, ...name.split(/\s+/)]);
  const { guessesLog10 } = lists.check(password.slice(0, LOOKED_AT), own);
  if (guessesLog10 < LEAST_LOG10) throw new AppError('PASSWORD_FORM');
}
