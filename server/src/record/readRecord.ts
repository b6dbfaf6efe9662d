import type { Order } from '@stennet/core/contract';
import { runName } from '@stennet/core/contract';
import { AppError } from '@stennet/core/errors';
import type { Sheet } from '@stennet/core/procedure';
import {
  fileIsFor,
  oddTimes,
  orderFault,
  recordDocument,
  recordFileHash,
  verifyRun,
  wordIn,
  type Fault,
  type OddTime,
  type RecordFile,
  type SignedFor,
  type SignedRow,
  type SignedWord,
  type StoredEvent,
} from '@stennet/core/record';
import { replay, type RunEvent } from '@stennet/core/run';
import { onlyRow, type Client } from '../db/database';
import { findRecord, listSignedWords } from '../db/records';
import { listLateIds } from '../db/runs';
import { listPeople } from '../db/people';
import type { Shelf } from '../files/files';
import { chainOf, type ListedEntry } from './chain';
import type { CheckedRecords, Found } from './checkedRecords';
import type { ForeignReader } from './foreignReader';
import type { ShopKey } from '../keys/keys';

interface RecordRow {
  id: string;
  part: string;
  instance: string;
  state: 'open' | 'paused' | 'finished';
  signing: 'open' | 'wantsSecond' | 'signed';
  head_hash: string;
  last_position: number;
  sheet_id: string;
  revision: string;
  joint_id: string;
  joint: string;
  order_id: string;
  number: string;
  vehicle: Order['vehicle'];
  odometer_value: number | null;
  odometer_unit: 'km' | 'mi';
  customer: string;
  sheet: string;
  sheet_hash: string;
  instances: { labels: string[] } | null;
}

/** Everything that there is of one run, read from the tables. */
export interface KeptRecord {
  row: RecordRow;
  sheet: Sheet;
  chain: ListedEntry[];
  events: RunEvent[];
  /** Entries whose time cannot be right. */
  odd: OddTime[];
  words: SignedWord[];
  signatures: SignedRow[];
  people: Record<string, string>;
  /** How many late entries of another device are kept beside it. */
  late: number;
  /** The joint with the bank, cap or cylinder. */
  name: string;
}

/** @throws AppError RUN_UNKNOWN */
export async function keptRecord(
  client: Client,
  shelf: Shelf | null,
  run: string,
): Promise<KeptRecord> {
  // On their way together: none waits for the answer of another.
  const [found, chain, signatures, people, late] = await Promise.all([
    findRecord(client, run),
    chainOf(client, shelf, run),
    listSignedWords(client, run),
    listPeople(client),
    listLateIds(client, run),
  ]);
  const row = onlyRow(found, new AppError('RUN_UNKNOWN'));
  const stored = chain.map((c) => JSON.parse(c.body) as StoredEvent);
  return {
    row,
    sheet: JSON.parse(row.sheet) as Sheet,
    chain,
    events: stored.map((s) => s.event),
    odd: oddTimes(stored),
    signatures,
    words: signatures.flatMap((s) => wordIn(s) ?? []),
    people: Object.fromEntries(people.map((p) => [p.id, p.name])),
    late: late.length,
    name: runName({ name: row.joint }, { part: row.part, instance: row.instance || null }),
  };
}

/**
 * What does not fit in a run as it stands in the tables: its list, its signed words, and what the
 * head of the run says of both.
 */
export function faultIn(kept: KeptRecord, key: ShopKey): Fault | null {
  const { row, sheet, chain, signatures } = kept;
  return headFault(
    kept,
    verifyRun({ sheet, hash: row.sheet_hash, run: row.id }, chain, signatures, key.fits),
  );
}

/** A longer list is checked in a thread of its own: no one else waits for it. */
const LONG = 250;

export interface Checkers {
  checked: CheckedRecords;
  /** null: no one else is answered meanwhile. */
  foreign: Pick<ForeignReader, 'verify'> | null;
}

/** The same, and what waits for the lead, for a process that serves others in the meantime. */
export async function findIn(kept: KeptRecord, key: ShopKey, by: Checkers): Promise<Found> {
  const { row, sheet, chain, signatures } = kept;
  const { publicKey } = key;
  const from = [row.id, row.sheet, row.sheet_hash, chain, signatures, publicKey];
  const found = await by.checked.find(from, async () => {
    const pinned = { sheet, hash: row.sheet_hash, run: row.id };
    const fault =
      by.foreign && chain.length > LONG
        ? await by.foreign.verify({ pinned, chain, signatures, publicKey })
        : verifyRun(pinned, chain, signatures, key.fits);
    return { fault, pending: fault ? 0 : pendingIn(kept) };
  });
  return { ...found, fault: headFault(kept, found.fault) };
}

const pendingIn = ({ sheet, events }: KeptRecord): number =>
  replay(sheet, events).progress.deviations.filter((d) => d.needsLead && d.decision === null)
    .length;

function headFault(kept: KeptRecord, fault: Fault | null): Fault | null {
  const { row, chain, words } = kept;
  if (fault) return fault;
  if (chain.length !== row.last_position || chain.at(-1)?.hash !== row.head_hash)
    return {
      where: 'event',
      position: Math.min(chain.length, row.last_position) + 1,
      why: 'position',
    };
  // Taken off by someone who could not make another.
  if (row.signing !== 'open' && !words.some((w) => w.kind === 'technician'))
    return { where: 'signature', index: 1, why: 'link' };
  return orderFault(words, isFor(kept));
}

/** What it is signed for when it is signed now. */
export const isFor = ({ row, name }: KeptRecord): SignedFor =>
  fileIsFor({ order: { number: row.number, vehicle: row.vehicle }, joint: name });

/** The record as a document that can be checked anywhere. */
export function recordFileOf(
  kept: KeptRecord,
  shop: { id: string; name: string },
  key: ShopKey,
): RecordFile {
  const { row } = kept;
  const named = new Set([
    ...kept.events.map((e) => e.person),
    ...kept.words.map((w) => w.person),
    ...saidBy(kept.events),
  ]);
  const people = Object.fromEntries(Object.entries(kept.people).filter(([id]) => named.has(id)));
  const file: Omit<RecordFile, 'seal'> = {
    format: 'stennet-record',
    v: 1,
    shop: { id: shop.id, name: shop.name, key: key.publicKey, fingerprint: key.fingerprint },
    order: {
      number: row.number,
      vehicle: row.vehicle,
      odometer:
        row.odometer_value === null
          ? null
          : { value: row.odometer_value, unit: row.odometer_unit === 'mi' ? '[mi_i]' : 'km' },
    },
    joint: kept.name,
    run: { id: row.id, part: row.part, instance: row.instance || null },
    sheet: kept.sheet,
    sheetHash: row.sheet_hash,
    people,
    chain: kept.chain.map((c) => ({ body: c.body, hash: c.hash, seal: c.seal ?? '' })),
    signatures: kept.signatures,
    record: { ...recordDocument(kept.sheet, kept.events, people, kept.odd) },
  };
  return { ...file, seal: key.sign(recordFileHash(file)) };
}

const saidBy = (events: readonly RunEvent[]): string[] =>
  events.flatMap((e) => (e.type === 'used' ? [e.payload.statement.person] : []));
