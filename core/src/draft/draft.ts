import type * as v from 'valibot';
import { SheetSchema, type Group, type Sheet } from '../procedure/sheet';
import { looser } from './looser';

/** A sheet that someone is writing: the same document, not yet whole. */
export const DraftSchema = looser(SheetSchema) as v.GenericSchema<Sheet, Sheet>;

/**
 * The revision that comes after, in letters: A … Z, AA …
 * @example nextRevision('C') // 'D'
 */
export function nextRevision(revision: string): string {
  const letters = revision.split('');
  for (let i = letters.length - 1; i >= 0; i -= 1) {
    const code = letters[i]?.charCodeAt(0) ?? 65;
    if (code < 90) {
      letters[i] = String.fromCharCode(code + 1);
      return letters.join('');
    }
    letters[i] = 'A';
  }
  return `A${letters.join('')}`;
}

/** Which of two revisions came later. */
export const isLater = (a: string, b: string): boolean =>
  a.length === b.length ? a > b : a.length > b.length;

export interface NewSheet {
  id: string;
  maker: string;
  model: string;
  engine: string;
  kind: string;
  title: string;
  /** ISO day. */
  today: string;
}

/** An empty sheet. What has no sensible beginning is left empty, and the checks ask for it. */
export function newDraft({ id, maker, model, engine, kind, title, today }: NewSheet): Sheet {
  return {
    format: 'stennet-sheet',
    v: 2,
    id,
    revision: 'A',
    title,
    kind,
    invented: false,
    status: 'draft',
    applies: { maker, model, engine, hardware: { origin: 'original' } },
    tellApart: [],
    source: { title: '', publisher: '', page: '', revision: '', date: today, condition: '' },
    pattern: { outline: [], openings: [], landmarks: [], positions: [] },
    seats: [],
    groups: [],
    steps: [],
    clocks: [],
    takeApart: [],
    stages: [],
    after: [],
    requires: [],
    conflicts: [],
    cautions: [],
  };
}

/** The next revision of a sheet, begun as it stands. */
export function draftOf(sheet: Sheet, revision: string): Sheet {
  const { supersededBy: _gone, answered: _asked, ...rest } = sheet;
  return { ...rest, revision, status: 'draft' };
}

/** What tells which sheets of the library a draft is compared with. */
export interface Beside {
  maker: string;
  engine: string;
  /** As `M10 10.9`. */
  threads: string[];
}

export const besideOf = ({ applies, groups }: Sheet): Beside => ({
  maker: applies.maker,
  engine: applies.engine,
  threads: [...new Set(groups.map((g) => `${g.thread.designation} ${g.propertyClass}`))].slice(
    0,
    20,
  ),
});

/** A sheet of its own, begun from another: for another engine, or another source. */
export function copyOf(sheet: Sheet, id: string): Sheet {
  return {
    ...draftOf(sheet, 'A'),
    id,
    title: `${sheet.title} (copy)`.slice(0, 80),
    tellApart: [],
    conflicts: [],
  };
}

/**
 * A short name for a sheet, from what it is for; `mark` makes it its own.
 * @example sheetIdFor('CK12', 'cylinder-head', '7f3a') // 'ck12-cylinder-head-7f3a'
 */
export function sheetIdFor(engine: string, kind: string, mark: string): string {
  const words = `${engine} ${kind}`
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 34)
    .replace(/-+$/g, '');
  return `${words || 'sheet'}-${mark}`;
}

/** Fasteners of a kind that is still to be said. */
export const blankGroup = (id: string, name: string): Group => ({
  id,
  name,
  thread: { designation: '', pitchMm: 0 },
  propertyClass: '',
  head: 'hex',
  socket: '',
  reuse: 'replace',
  compounds: [],
  friction: '',
  frictionCondition: 'dry',
});
