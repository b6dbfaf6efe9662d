import { randomInt } from 'node:crypto';

/** Neither 0 and O nor 1, I and L: read out, and typed with gloves on. */
const SIGNS = 'ABCDEFGHJKMNPQRSTUVWXYZ23456789';
const LENGTH = 10;

/** A code to be said aloud or written on a slip: ten signs, some 49 bits. @example 'K7PQM-2XWTA' */
export function makeCode(): string {
  const signs = Array.from({ length: LENGTH }, () => SIGNS[randomInt(SIGNS.length)]).join('');
  return `${signs.slice(0, 5)}-${signs.slice(5)}`;
}

/** As it is compared: without what people put between. */
export const spokenCode = (typed: string): string => typed.toUpperCase().replace(/[^A-Z0-9]/g, '');
