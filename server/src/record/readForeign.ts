import { text as said } from '../language/text';
import * as v from 'valibot';
import { AppError } from '@stennet/core/errors';
import {
  eventsIn,
  faultText,
  newerRecord,
  RecordFileSchema,
  traceName,
  tracesNamed,
  verifyRecordFile,
  canonicalJson,
  type RecordFile,
} from '@stennet/core/record';
import { TraceSchema, type Trace } from '@stennet/core/trace';
import { isArchive, unpackArchive } from './archive';
import { fingerprintOf, fitsKey } from '../keys/keys';

/** The longest run that anybody has worked has a fifth of that. */
const MOST_CHARACTERS = 12_000_000;
const MOST_ENTRIES = 6000;
/** A record nests some ten deep. */
const DEEPEST = 40;

/**
 * One document, or all records of an archive with what wrenches saw of their pulls.
 * @throws AppError FOREIGN_UNREADABLE
 */
export function readForeign(bytes: Uint8Array): { files: RecordFile[]; traces: Trace[] } {
  const { records, traces } = isArchive(bytes)
    ? unpackArchive(bytes)
    : { records: [new TextDecoder().decode(bytes)], traces: [] };
  return {
    files: records.map((text) => parsed(RecordFileSchema, text, 'record')),
    traces: traces.map((text) => parsed(TraceSchema, text, 'curve of a wrench')),
  };
}

const unreadable = (why: string): AppError => new AppError('FOREIGN_UNREADABLE', { why });

function parsed<Schema extends v.GenericSchema>(
  schema: Schema,
  text: string,
  what: string,
): v.InferOutput<Schema> {
  if (text.length > MOST_CHARACTERS) throw unreadable(said.record.tooLarge);
  if (isDeeperThan(text, DEEPEST)) throw unreadable(said.record.tooDeep);
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch {
    throw unreadable(said.record.noJson);
  }
  const chain = (json as { chain?: unknown } | null)?.chain;
  if (Array.isArray(chain) && chain.length > MOST_ENTRIES) throw unreadable(said.record.tooMany);
  const read = v.safeParse(schema, json, { abortEarly: true });
  if (!read.success)
    throw unreadable(
      said.record.notA({
        what,
        where: (v.getDotPath(read.issues[0]) ?? said.record.all).slice(0, 80),
      }),
    );
  return read.output;
}

/**
 * Looked at before anything is parsed. Brackets inside texts count too: a record’s own texts hold a
 * few pairs of them at most.
 */
function isDeeperThan(text: string, deepest: number): boolean {
  let depth = 0;
  let inText = false;
  for (let i = 0; i < text.length; i += 1) {
    const sign = text.charCodeAt(i);
    if (inText) {
      if (sign === 0x5c) i += 1;
      else if (sign === 0x22) inText = false;
    } else if (sign === 0x22) inText = true;
    else if (sign === 0x7b || sign === 0x5b) {
      depth += 1;
      if (depth > deepest) return true;
    } else if (sign === 0x7d || sign === 0x5d) depth -= 1;
  }
  return false;
}

/**
 * What does not hold in a file, in a sentence; its own key is the one that is compared with the
 * paper.
 */
export function faultOf(file: RecordFile): string | null {
  const fault = verifyRecordFile(file, fitsKey(file.shop.key));
  if (fault) return faultText(fault);
  return fingerprintOf(file.shop.key) === file.shop.fingerprint ? null : said.record.fingerprint;
}

/** What the server keeps of a record from elsewhere, and the record itself as text. */
export interface ForeignHead {
  run: string;
  vin: string;
  number: string;
  joint: string;
  shop: string;
  shopName: string;
  key: string;
  fingerprint: string;
  text: string;
  fault: string | null;
}
export interface ForeignRead {
  records: ForeignHead[];
  /** Only what a record names, by its hash. */
  traces: { name: string; text: string }[];
}

/**
 * Read, and checked from the first entry to the last signature.
 * @throws AppError FOREIGN_UNREADABLE
 */
export function headsOf(bytes: Uint8Array): ForeignRead {
  const { files, traces } = readForeign(bytes);
  const named = new Set(files.flatMap((f) => tracesNamed(eventsIn(f.chain))));
  return {
    records: files.map((f) => ({
      run: f.run.id,
      vin: f.order.vehicle.vin.toUpperCase(),
      number: f.order.number,
      joint: f.joint,
      shop: f.shop.id,
      shopName: f.shop.name,
      key: f.shop.key,
      fingerprint: fingerprintOf(f.shop.key),
      text: JSON.stringify(f),
      fault: faultOf(f),
    })),
    traces: traces.flatMap((trace) => {
      const name = traceName(trace);
      return named.has(name) ? [{ name, text: canonicalJson(trace) }] : [];
    }),
  };
}

/**
 * How a record stands to the one that is kept: one that does not hold any more is no hindrance to
 * one that does.
 */
export function standsTo(known: string, fresh: string): ReturnType<typeof newerRecord> {
  const [before, after] = [JSON.parse(known) as RecordFile, JSON.parse(fresh) as RecordFile];
  return faultOf(before) ? 'newer' : newerRecord(before, after);
}

export const faultOfText = (text: string): string | null => faultOf(JSON.parse(text) as RecordFile);
