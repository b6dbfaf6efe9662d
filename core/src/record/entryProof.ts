import { hmac } from '@noble/hashes/hmac';
import { sha256 } from '@noble/hashes/sha2';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils';
import type { RunEvent } from '../run';
import { canonicalJson } from './hashChain';

/**
 * Shows that an event was confirmed by someone who had the session's key at hand, in a text that
 * is the event's own and nothing else's (HMAC-SHA-256, RFC 2104). Made when it is confirmed:
 * another person may be on by the time it goes out.
 * @param key of the session, as the server gave it
 * @returns lower-case hex
 */
export const entryProof = (key: string, event: RunEvent): string =>
  bytesToHex(
    keyed(key)
      .clone()
      .update(utf8ToBytes(canonicalJson(event)))
      .digest(),
  );

let last: { key: string; mac: ReturnType<typeof hmac.create> } | undefined;

/** A session proves many: its key is taken in once. */
function keyed(key: string): ReturnType<typeof hmac.create> {
  if (last?.key !== key) last = { key, mac: hmac.create(sha256, utf8ToBytes(key)) };
  return last.mac;
}
