import type { RunEvent } from '../run';
import { canonicalJson, sha256Hex, type StoredEvent } from './hashChain';
import type { RecordFile } from './recordFile';
import type { SignedFor } from './signedWord';

/** What the seal of a file is over: SHA-256 of the canonical JSON of everything else in it. */
export function recordFileHash(file: Omit<RecordFile, 'seal'> & { seal?: string }): string {
  const { seal: _, ...sealed } = file;
  return sha256Hex(canonicalJson(sealed));
}

/** The events in a chain that was checked. */
export const storedIn = (chain: readonly { body: string }[]): StoredEvent[] =>
  chain.map((row) => JSON.parse(row.body) as StoredEvent);
export const eventsIn = (chain: readonly { body: string }[]): RunEvent[] =>
  storedIn(chain).map((s) => s.event);

/**
 * What a record is beside one that is kept of the same run: a later state of it (more entries or
 * words behind the same ones, sealed with the same key), one that is known already (the same, or an
 * earlier state), or another that does not agree with it.
 */
export function newerRecord(kept: RecordFile, file: RecordFile): 'newer' | 'known' | 'other' {
  if (kept.shop.key !== file.shop.key) return 'other';
  const [entries, words] = [
    agree(kept.chain, file.chain, (c) => c.hash),
    agree(kept.signatures, file.signatures, (s) => s.body),
  ];
  if (!entries || !words) return 'other';
  const more =
    file.chain.length - kept.chain.length || file.signatures.length - kept.signatures.length;
  return more > 0 ? 'newer' : 'known';
}

function agree<Row>(a: readonly Row[], b: readonly Row[], name: (row: Row) => string): boolean {
  const [short, long] = a.length <= b.length ? [a, b] : [b, a];
  return short.every((row, i) => name(row) === name(long[i] as Row));
}

/** What a file says that it is of. */
export const fileIsFor = ({
  order,
  joint,
}: {
  order: { number: string; vehicle: { vin: string } };
  joint: string;
}): SignedFor => ({
  number: order.number,
  vin: order.vehicle.vin,
  joint,
});
