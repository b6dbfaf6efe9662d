import { hash, verify } from '@node-rs/argon2';

/** Argon2id with the package's defaults, which follow current advice. */
export const hashPassword = (password: string): Promise<string> => hash(password);

/** A name that does not exist takes as long to refuse as a wrong password. */
let decoy: Promise<string> | undefined;
export async function passwordFits(stored: string | undefined, password: string): Promise<boolean> {
  decoy ??= hash('nobody has this password');
  const fits = await verify(stored ?? (await decoy), password);
  return fits && stored !== undefined;
}
