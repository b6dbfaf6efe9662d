import { sha256 } from '@noble/hashes/sha2';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils';
import canonicalize from 'canonicalize';
import type { RunEvent } from '../run';
import type { Trace } from '../trace';

/**
 * What the server stores of an event; `hash` is over this text and therefore over every event
 * before it.
 */
export interface StoredEvent {
  position: number;
  receivedAt: string;
  prevHash: string;
  event: RunEvent;
}

/** Before the first event there is nothing: its previous hash is all zeros. */
export const GENESIS_HASH = '0'.repeat(64);

/**
 * Canonical JSON (RFC 8785): the same value gives the same bytes on every machine.
 * Broken surrogate pairs have no UTF-8 form; the contract refuses them before they come here.
 */
export function canonicalJson(value: unknown): string {
  const text = canonicalize(value);
  if (text === undefined) throw new Error('only JSON values can be made canonical');
  return text;
}

/** In plain TypeScript: an insecure address has no crypto.subtle. */
const plainSha256 = (text: string): string => bytesToHex(sha256(utf8ToBytes(text)));
let platformSha256 = plainSha256;

/** SHA-256 of a text's UTF-8 bytes, in lower-case hex. */
export const sha256Hex = (text: string): string => platformSha256(text);

/**
 * From here on the platform's own SHA-256 is used, where it has one that answers at once: it takes
 * a fraction of the time. @throws where that is something else
 */
export function hashWith(native: (text: string) => string): void {
  for (const probe of ['abc', 'å 8.8 \ud800 ✓'])
    if (native(probe) !== plainSha256(probe)) throw new Error('this is not SHA-256 of UTF-8 text');
  platformSha256 = native;
}

/**
 * How a trace is called: the hash of its canonical JSON. A pull names it so, and its event's hash
 * covers it with the rest.
 */
export const traceName = (trace: Trace): string => sha256Hex(canonicalJson(trace));

/** SHA-256 of bytes, in hex: how a photo is called. */
export const sha256OfBytes = (bytes: Uint8Array): string => bytesToHex(sha256(bytes));

/** The bytes that are stored and hashed for an event at its position. */
export function sealEvent(stored: StoredEvent): { body: string; hash: string } {
  const body = canonicalJson(stored);
  return { body, hash: sha256Hex(body) };
}

/**
 * Walks a stored list and names the first entry that does not fit: changed text, wrong link,
 * missing position.
 * @returns null when the whole chain holds
 */
export function firstBreak(
  rows: readonly { body: string; hash: string }[],
): { position: number; why: 'text' | 'link' | 'position' } | null {
  let prevHash = GENESIS_HASH;
  for (const [index, row] of rows.entries()) {
    const position = index + 1;
    if (sha256Hex(row.body) !== row.hash) return { position, why: 'text' };
    const stored = JSON.parse(row.body) as StoredEvent;
    if (stored.prevHash !== prevHash) return { position, why: 'link' };
    if (stored.position !== position) return { position, why: 'position' };
    prevHash = row.hash;
  }
  return null;
}
