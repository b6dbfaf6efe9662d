import { textsOf } from '../language';
import { reading } from '../language/en/reading';
import { AppError } from '../errors';
import { parseNumber } from '../quantity';

const text = textsOf('reading', reading);

/** What a spreadsheet takes for a formula, or for its own mark of plain text. */
const RUNS = /^[=+\-@\t\r\n']/;

/**
 * A text that a spreadsheet will show and not run: an apostrophe in front, taken off again by
 * `restore`.
 * @example defuse('=1+1') // "'=1+1"
 */
export const defuse = (text: string): string => (RUNS.test(text) ? `'${text}` : text);
export const restore = (cell: string): string => (cell.startsWith("'") ? cell.slice(1) : cell);

type Kind = 'text' | 'number' | 'flag' | 'list' | 'json';

/** One column: its heading, and where its value stands in the document, dots between. */
export interface Column {
  name: string;
  path: string;
  kind: Kind;
}
export const column = (name: string, kind: Kind = 'text', path = name): Column => ({
  name,
  kind,
  path,
});

export type Row = Record<string, string>;

/** The cells of one thing; what it does not have is an empty cell. */
export function cellsOf(columns: readonly Column[], thing: object): Row {
  return Object.fromEntries(columns.map((c) => [c.name, write(c.kind, at(thing, c.path))]));
}

/**
 * The thing again, from its cells.
 * @throws AppError CELL_UNREADABLE naming the column
 */
export function thingOf(columns: readonly Column[], row: Row): Record<string, unknown> {
  const thing: Record<string, unknown> = {};
  for (const c of columns) {
    const cell = row[c.name];
    if (cell === undefined || cell === '') continue;
    put(thing, c.path, read(c, cell));
  }
  return thing;
}

function at(thing: object, path: string): unknown {
  return path
    .split('.')
    .reduce<unknown>(
      (value, key) =>
        typeof value === 'object' && value !== null
          ? (value as Record<string, unknown>)[key]
          : undefined,
      thing,
    );
}

function put(thing: Record<string, unknown>, path: string, value: unknown): void {
  const keys = path.split('.');
  const last = keys.pop() ?? '';
  let inner = thing;
  for (const key of keys) {
    if (typeof inner[key] !== 'object') inner[key] = {};
    inner = inner[key] as Record<string, unknown>;
  }
  inner[last] = value;
}

function write(kind: Kind, value: unknown): string {
  if (value === undefined) return '';
  switch (kind) {
    case 'number':
      return String(value);
    case 'flag':
      return value === true ? 'yes' : 'no';
    case 'list':
      return defuse(listText(value as string[]));
    case 'json':
      return defuse(JSON.stringify(value));
    case 'text':
      // A field that holds a word or a measure: the measure has its own column.
      return typeof value === 'string' ? defuse(value) : '';
  }
}

/** Names with semicolons between; as JSON where that could be read otherwise. */
function listText(items: readonly string[]): string {
  const isPlain = items.length > 0 && !items.some((item) => /[;[]|^\s|\s$|^$/.test(item));
  return isPlain ? items.join('; ') : JSON.stringify(items);
}

function read({ name, kind }: Column, cell: string): unknown {
  switch (kind) {
    case 'number':
      return numberIn(name, cell);
    case 'flag':
      if (!/^(yes|no|true|false)$/i.test(cell.trim())) throw unreadable(name, cell, text.cell.flag);
      return /^(yes|true)$/i.test(cell.trim());
    case 'list': {
      const list = restore(cell);
      return list.startsWith('[') ? jsonIn(name, list) : list.split(';').map((item) => item.trim());
    }
    case 'json':
      return jsonIn(name, restore(cell));
    case 'text':
      return restore(cell);
  }
}

function numberIn(name: string, cell: string): number {
  const plain = Number(cell);
  if (cell.trim() !== '' && Number.isFinite(plain)) return plain;
  try {
    return parseNumber(cell);
  } catch {
    throw unreadable(name, cell, text.cell.number);
  }
}

function jsonIn(name: string, cell: string): unknown {
  try {
    return JSON.parse(cell);
  } catch {
    throw unreadable(name, cell, text.cell.json);
  }
}

const unreadable = (name: string, cell: string, why: string): AppError =>
  new AppError('CELL_UNREADABLE', { column: name, cell: cell.slice(0, 60), why });
