import { textsOf } from '../language';
import { verify } from '../language/en/verify';
import * as v from 'valibot';
import type { Sheet } from '../procedure';
import { admit, CORE_VERSION, evolve, initialState, type RunEvent, type RunState } from '../run';
import { RunEventSchema } from '../run/events';
import { canonicalJson, firstBreak, GENESIS_HASH, sha256Hex, type StoredEvent } from './hashChain';
import { DOCUMENT_VERSION, recordDocument } from './recordDocument';
import type { RecordFile } from './recordFile';
import { oddTimes } from './oddTimes';
import { eventsIn, fileIsFor, recordFileHash, storedIn } from './sealedFile';
import {
  signedFor,
  SignedWordSchema,
  wordHash,
  type SignedFor,
  type SignedRow,
  type SignedWord,
} from './signedWord';

const text = textsOf('verify', verify);

/** What does not fit, and where it is the first time. */
export type Fault =
  | { where: 'sheet'; why: 'hash' }
  | {
      where: 'event';
      position: number;
      why: 'text' | 'link' | 'position' | 'seal' | 'form' | 'order';
    }
  | { where: 'signature'; index: number; why: 'signature' | 'form' | 'link' | 'run' | 'head' }
  | { where: 'record'; why: 'differs' }
  /** The repair order says something else than when it was signed. A later word puts that right. */
  | { where: 'order'; signedFor: SignedFor }
  | { where: 'file'; why: 'seal' };

/**
 * Whether a text was signed with the shop's key. Given by who has the means: Node's crypto on the
 * server and in the command.
 */
export type FitsKey = (text: string, signature: string) => boolean;

export interface ChainRow {
  body: string;
  hash: string;
  seal: string | null;
}

/**
 * Checks one run from its first event on: each text against its hash, each hash against the next,
 * each seal against the shop's key, each event against the procedure; then each signed word against
 * the chain. A chain that was rewritten from the middle and hashed again breaks at the first
 * rewritten event: its seal cannot be made without the key.
 * @returns null when all of it holds
 */
export function verifyRun(
  pinned: { sheet: Sheet; hash: string; run: string },
  chain: readonly ChainRow[],
  signatures: readonly SignedRow[],
  fits: FitsKey,
): Fault | null {
  if (sha256Hex(canonicalJson(pinned.sheet)) !== pinned.hash)
    return { where: 'sheet', why: 'hash' };
  return verifyEvents(pinned, chain, fits) ?? verifyWords(pinned.run, chain, signatures, fits);
}

function verifyEvents(
  { sheet, hash, run }: { sheet: Sheet; hash: string; run: string },
  chain: readonly ChainRow[],
  fits: FitsKey,
): Fault | null {
  const broken = firstBreak(chain);
  const unsealed = chain.findIndex((row) => row.seal === null || !fits(row.hash, row.seal));
  // Whichever comes first: the seal tells where rewriting began, also where every hash was made to
  // fit again.
  if (broken && (unsealed < 0 || broken.position <= unsealed + 1))
    return { where: 'event', ...broken };
  if (unsealed >= 0) return { where: 'event', position: unsealed + 1, why: 'seal' };
  let isOurs = false;
  let state: RunState | null = null;
  for (const [index, row] of chain.entries()) {
    const parsed = v.safeParse(RunEventSchema, (JSON.parse(row.body) as StoredEvent).event);
    if (!parsed.success) return { where: 'event', position: index + 1, why: 'form' };
    const event: RunEvent = parsed.output;
    if (event.run !== run) return { where: 'event', position: index + 1, why: 'order' };
    state ??= initialState(sheet, event.type === 'started' ? event.payload.part : undefined);
    if (event.type === 'started' && event.payload.sheetHash !== hash)
      return { where: 'sheet', why: 'hash' };
    // Entries that another version let in are not measured by the rules of this one: their seals
    // hold all the same.
    if (event.type === 'started') isOurs = event.payload.core === CORE_VERSION;
    try {
      if (isOurs) admit(state, event);
    } catch {
      return { where: 'event', position: index + 1, why: 'order' };
    }
    state = evolve(state, event);
  }
  return null;
}

function verifyWords(
  run: string,
  chain: readonly ChainRow[],
  signatures: readonly SignedRow[],
  fits: FitsKey,
): Fault | null {
  let before = GENESIS_HASH;
  for (const [index, row] of signatures.entries()) {
    const fault = (why: Extract<Fault, { where: 'signature' }>['why']): Fault => ({
      where: 'signature',
      index: index + 1,
      why,
    });
    if (!fits(row.body, row.signature)) return fault('signature');
    const word = wordIn(row);
    if (!word) return fault('form');
    if (word.run !== run) return fault('run');
    if (word.before !== before) return fault('link');
    if (chain[word.position - 1]?.hash !== word.headHash || chain.length !== word.position)
      return fault('head');
    before = wordHash(row.body);
  }
  return null;
}

/** The word in a row; null when it cannot be read. */
export function wordIn({ body }: Pick<SignedRow, 'body'>): SignedWord | null {
  try {
    const parsed = v.safeParse(SignedWordSchema, JSON.parse(body));
    return parsed.success && canonicalJson(parsed.output) === body ? parsed.output : null;
  } catch {
    return null;
  }
}

/** Whether the repair order still says what the record was signed for. */
export function orderFault(words: readonly SignedWord[], now: SignedFor): Fault | null {
  const then = signedFor(words);
  return then && canonicalJson(then) !== canonicalJson(now)
    ? { where: 'order', signedFor: then }
    : null;
}

/**
 * The same for a file, and whether what it tells in plain fields is what its events say. The seal
 * of the whole file comes last: what fits no better-named place is found by it.
 */
export function verifyRecordFile(file: RecordFile, fits: FitsKey): Fault | null {
  const fault = verifyRun(
    { sheet: file.sheet, hash: file.sheetHash, run: file.run.id },
    file.chain,
    file.signatures,
    fits,
  );
  if (fault) return fault;
  // Another version may tell the same events in other fields; the seal over the whole file holds
  // all the same.
  const isOurs = file.record.core === DOCUMENT_VERSION;
  if (
    isOurs &&
    canonicalJson(
      recordDocument(file.sheet, eventsIn(file.chain), file.people, oddTimes(storedIn(file.chain))),
    ) !== canonicalJson(file.record)
  )
    return { where: 'record', why: 'differs' };
  const words = file.signatures.flatMap((row) => wordIn(row) ?? []);
  return (
    orderFault(words, fileIsFor(file)) ??
    (fits(recordFileHash(file), file.seal) ? null : { where: 'file', why: 'seal' })
  );
}

/** A fault in a sentence. */
export function faultText(fault: Fault): string {
  if (fault.where === 'sheet') return text.sheet;
  if (fault.where === 'record') return text.record;
  if (fault.where === 'order') return orderText(fault.signedFor);
  if (fault.where === 'file') return text.file;
  if (fault.where === 'signature')
    return text.signature({ n: fault.index, why: text.wordWhy[fault.why] });
  return text.event({ n: fault.position, why: text.eventWhy[fault.why] });
}

const orderText = ({ number, vin, joint }: SignedFor): string => text.order({ number, joint, vin });
