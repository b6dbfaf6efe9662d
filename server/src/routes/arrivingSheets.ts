import { text as said } from '../language/text';
import type { Readable } from 'node:stream';
import Papa from 'papaparse';
import * as v from 'valibot';
import { DraftSchema } from '@stennet/core/draft';
import { AppError } from '@stennet/core/errors';
import { rowKindOf, SheetSplitter, withRows, type Row, type RowKind } from '@stennet/core/exchange';
import { readSheet, type Sheet } from '@stennet/core/procedure';
import type { Client } from '../db/database';
import { draftsOf, revisionsOf } from '../db/keepDrafts';

/** One sheet of a file: whole, or refused with a sentence. */
export interface Arriving {
  /** Where in the file: `sheet 12`, `row 40`. */
  place: string;
  name: string;
  sheet: Sheet | null;
  refused?: string;
}

const MOST_SHEETS = 20_000;
const MOST_BYTES = 300_000_000;
const MOST_ROWS = 400_000;
const LONGEST_ROW = 100_000;

/**
 * The sheets of a file as it streams in: JSON in any form, or a table of stages or fasteners.
 * @throws AppError IMPORT_UNREADABLE, TOO_LARGE
 */
export async function* arrivingSheets(client: Client, stream: Readable): AsyncGenerator<Arriving> {
  const pieces = textOf(stream);
  const first = await pieces.next();
  const begin = first.done ? '' : first.value;
  if (/^[\s\ufeff]*[[{]/.test(begin)) yield* fromJson(begin, pieces);
  else yield* fromTable(client, begin, pieces);
}

async function* textOf(stream: Readable): AsyncGenerator<string> {
  const decoder = new TextDecoder('utf-8', { fatal: true });
  let bytes = 0;
  const decode = (chunk?: Buffer): string => {
    try {
      return chunk ? decoder.decode(chunk, { stream: true }) : decoder.decode();
    } catch {
      throw new AppError('IMPORT_UNREADABLE', { why: said.sheets.utf8 });
    }
  };
  // Stopping half-way must not tear the connection: the refusal still goes out on it.
  for await (const chunk of stream.iterator({ destroyOnReturn: false }) as AsyncIterable<Buffer>) {
    bytes += chunk.length;
    if (bytes > MOST_BYTES) throw new AppError('TOO_LARGE');
    const text = decode(chunk);
    if (text) yield text;
  }
  const rest = decode();
  if (rest) yield rest;
}

async function* fromJson(begin: string, pieces: AsyncGenerator<string>): AsyncGenerator<Arriving> {
  const splitter = new SheetSplitter();
  let count = 0;
  const take = (text: string): Arriving[] =>
    splitter.push(text).map((sheet) => {
      count += 1;
      if (count > MOST_SHEETS) throw new AppError('TOO_LARGE');
      return readArriving(sheet, said.sheets.place({ n: count }));
    });
  yield* take(begin);
  for await (const piece of pieces) yield* take(piece);
  splitter.end();
  if (count === 0) throw new AppError('IMPORT_UNREADABLE', { why: said.sheets.none });
}

function readArriving(text: string, place: string): Arriving {
  let raw: unknown;
  try {
    raw = JSON.parse(text);
  } catch {
    return { place, name: '', sheet: null, refused: said.sheets.noJson };
  }
  const { title, id, status } = raw as { title?: unknown; id?: unknown; status?: unknown };
  const name = String(
    typeof title === 'string' && title !== '' ? title : typeof id === 'string' ? id : '',
  );
  const draft = status === 'draft' ? v.safeParse(DraftSchema, raw) : null;
  if (draft?.success && /^[A-Za-z0-9][A-Za-z0-9._-]{0,39}$/.test(draft.output.id))
    return { place, name, sheet: draft.output };
  return attempt(place, name, () => readSheet(raw));
}

function attempt(place: string, name: string, read: () => Sheet): Arriving {
  try {
    return { place, name, sheet: read() };
  } catch (error) {
    if (error instanceof AppError) return { place, name, sheet: null, refused: error.message };
    throw error;
  }
}

async function* fromTable(
  client: Client,
  begin: string,
  pieces: AsyncGenerator<string>,
): AsyncGenerator<Arriving> {
  const table = await readTable(begin, pieces);
  for (const [key, { at, rows }] of table.sheets) {
    const [id = '', revision = ''] = key.split('\u0000');
    const place = said.sheets.row({ n: at });
    const base = await baseOf(client, id, revision);
    if (!base)
      yield {
        place,
        name: id,
        sheet: null,
        refused: said.sheets.unknown({ id: id.slice(0, 40), revision: revision.slice(0, 3) }),
      };
    else
      yield attempt(place, base.title, () => ({
        ...withRows({ ...base, status: 'approved' }, table.kind, rows),
        status: 'approved',
      }));
  }
}

interface Table {
  kind: RowKind;
  sheets: Map<string, { at: number; rows: Row[] }>;
}

async function readTable(begin: string, pieces: AsyncGenerator<string>): Promise<Table> {
  const parser = Papa.parse(Papa.NODE_STREAM_INPUT, { header: true, skipEmptyLines: 'greedy' });
  const sheets: Table['sheets'] = new Map();
  let kind: RowKind | null = null;
  let at = 1;
  const feed = async (): Promise<void> => {
    parser.write(begin.replace(/^\ufeff/, ''));
    for await (const piece of pieces)
      if (!parser.write(piece)) await new Promise((resolve) => parser.once('drain', resolve));
    parser.end();
  };
  // Whatever stops the feeding stops the reading too.
  const fed = feed().catch(
    (error: unknown) =>
      void parser.destroy(error instanceof Error ? error : new Error(String(error))),
  );
  for await (const row of parser as AsyncIterable<Row & { __parsed_extra?: unknown }>) {
    at += 1;
    kind ??= rowKindOf(Object.keys(row));
    if (!kind)
      throw new AppError('IMPORT_UNREADABLE', {
        why: said.sheets.headings,
      });
    if (row.__parsed_extra)
      throw new AppError('IMPORT_UNREADABLE', {
        why: said.sheets.cells({ n: at }),
      });
    if (
      at > MOST_ROWS ||
      Object.values<unknown>(row).some(
        (cell) => typeof cell === 'string' && cell.length > LONGEST_ROW,
      )
    )
      throw new AppError('TOO_LARGE');
    const key = `${row.sheet}\u0000${row.revision}`;
    const known = sheets.get(key);
    if (known) known.rows.push(row);
    else sheets.set(key, { at, rows: [row] });
  }
  await fed;
  if (!kind)
    throw new AppError('IMPORT_UNREADABLE', {
      why: said.sheets.neither,
    });
  return { kind, sheets };
}

/** What a table's rows belong to: the draft that is open, or the revision they name. */
async function baseOf(client: Client, id: string, revision: string): Promise<Sheet | undefined> {
  const draft = (await draftsOf(client, [id])).get(id);
  if (draft?.revision === revision) return draft;
  const revisions = (await revisionsOf(client, [id])).get(id) ?? [];
  return revisions.find((r) => r.revision === revision);
}
