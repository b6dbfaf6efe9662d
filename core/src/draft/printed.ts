import { AppError } from '../errors';
import { firstUnitIn, plainText, units, type Quantity } from '../quantity';
import { PROPERTY_CLASSES, threadOf } from '../thread';
import type { Sheet, Stage } from '../procedure';
import { blankGroup } from './draft';
import { boltsName } from './pasteLine';

/** Where something is on a page's picture, in its pixels; y runs down. */
export interface Box {
  x: number;
  y: number;
  width: number;
  height: number;
}
/** One word of a page, as it was read. */
export interface PrintedWord extends Box {
  text: string;
}

/** A value on a page, offered and never taken over by itself. */
export interface Printed {
  what: 'torque' | 'angle' | 'thread' | 'class';
  /** As it is printed. */
  text: string;
  /** How it would stand on the sheet. */
  says: string;
  value?: Quantity;
  upTo?: number;
  thread?: { designation: string; pitchMm: number };
  propertyClass?: string;
  /** The printed line that it is in. */
  line: string;
  /** null for text without a picture. */
  box: Box | null;
}

/** A line of words with the place of each letter’s word. */
interface PrintedLine {
  text: string;
  at: { from: number; to: number; box: Box }[];
}

/** Every value on a page, in reading order. */
export function printedOn(words: readonly PrintedWord[]): Printed[] {
  return linesOf(words).flatMap(({ text, at }) =>
    valuesIn(text).map(({ from, to, ...found }) => ({
      ...found,
      line: text,
      box: around(at.filter((w) => w.from < to && w.to > from).map((w) => w.box)),
    })),
  );
}

/** Every value in pasted text. */
export const printedIn = (text: string): Printed[] =>
  text.split(/\r?\n/).flatMap((line) =>
    valuesIn(line).map(({ from: _from, to: _to, ...found }) => ({
      ...found,
      line: line.trim(),
      box: null,
    })),
  );

/** Words side by side make a line, left to right; lines from top to bottom. */
function linesOf(words: readonly PrintedWord[]): PrintedLine[] {
  const rows: PrintedWord[][] = [];
  for (const word of [...words].sort((a, b) => middle(a) - middle(b))) {
    const row = rows.find((r) => r.some((w) => Math.abs(middle(w) - middle(word)) < w.height / 2));
    if (row) row.push(word);
    else rows.push([word]);
  }
  return rows.map((row) => {
    const line: PrintedLine = { text: '', at: [] };
    for (const word of row.sort((a, b) => a.x - b.x)) {
      if (line.text) line.text += ' ';
      const from = line.text.length;
      line.text += word.text;
      line.at.push({ from, to: line.text.length, box: word });
    }
    return line;
  });
}
const middle = (b: Box): number => b.y + b.height / 2;

function around(boxes: readonly Box[]): Box | null {
  if (boxes.length === 0) return null;
  const x = Math.min(...boxes.map((b) => b.x));
  const y = Math.min(...boxes.map((b) => b.y));
  return {
    x,
    y,
    width: Math.max(...boxes.map((b) => b.x + b.width)) - x,
    height: Math.max(...boxes.map((b) => b.y + b.height)) - y,
  };
}

type Found = Omit<Printed, 'line' | 'box'> & { from: number; to: number };

const NUMBER = String.raw`\d+(?:[.,]\d+)?`;
const VALUE = new RegExp(`(${NUMBER})(?:\\s*(?:-|–|to)\\s*(${NUMBER}))?\\s*`, 'g');
const THREAD = /\bM\s?(\d+(?:[.,]\d+)?)(?:\s*[x×X*]\s*(\d+(?:[.,]\d+)?))?/g;
const CLASS = new RegExp(
  `(?:class|grade|strength)\\s*:?\\s*(\\d+(?:\\.\\d)?)|\\b(4\\.8|5\\.8|8\\.8|9\\.8|10\\.9|12\\.9)\\b(?!\\s*(?:mm|in|N|lb|kg|°))`,
  'gi',
);

const number = (text: string): number => Number(text.replace(',', '.'));

/** A scan has many signs for a degree, and for the dot inside a unit; none changes a place. */
const cleaned = (line: string): string =>
  line.replace(/[º˚]/g, '°').replace(/(N|lbf?|kgf?)['’‘`:,°](m|ft|in|cm)\b/g, '$1·$2');

function valuesIn(raw: string): Found[] {
  const line = cleaned(raw);
  return [...quantitiesIn(line), ...threadsIn(line), ...classesIn(line)].sort(
    (a, b) => a.from - b.from,
  );
}

function quantitiesIn(line: string): Found[] {
  return [...line.matchAll(VALUE)].flatMap((m): Found[] => {
    const after = m.index + m[0].length;
    const unit = firstUnitIn(line.slice(after));
    if (!unit) return [];
    const kind = units[unit.code].kind;
    if (kind !== 'torque' && kind !== 'angle') return [];
    const value = { value: number(m[1] ?? ''), unit: unit.code };
    const upTo = m[2] === undefined ? undefined : number(m[2]);
    if (value.value <= 0 || (upTo !== undefined && upTo <= value.value)) return [];
    const said = plainText(upTo === undefined ? value : { value: upTo, unit: unit.code });
    return [
      {
        what: kind,
        text: line.slice(m.index, after + unit.length).trim(),
        says: `${kind === 'angle' ? '+' : ''}${upTo === undefined ? '' : `${value.value}–`}${said}`,
        value,
        ...(upTo === undefined ? {} : { upTo }),
        from: m.index,
        to: after + unit.length,
      },
    ];
  });
}

function threadsIn(line: string): Found[] {
  return [...line.matchAll(THREAD)].flatMap((m): Found[] => {
    const size = `M${(m[1] ?? '').replace(',', '.')}`;
    try {
      const { pitchMm } = threadOf(size, m[2] ? number(m[2]) : undefined);
      return [
        {
          what: 'thread',
          text: m[0],
          says: `${size}×${pitchMm}`,
          thread: { designation: size, pitchMm },
          from: m.index,
          to: m.index + m[0].length,
        },
      ];
    } catch (error) {
      if (error instanceof AppError) return [];
      throw error;
    }
  });
}

function classesIn(line: string): Found[] {
  return [...line.matchAll(CLASS)].flatMap((m): Found[] => {
    const name = m[1] ?? m[2] ?? '';
    const known = PROPERTY_CLASSES.find((c) => c === name || c === `SAE ${name}`);
    return known
      ? [
          {
            what: 'class',
            text: m[0],
            says: known,
            propertyClass: known,
            from: m.index,
            to: m.index + m[0].length,
          },
        ]
      : [];
  });
}

/**
 * A value taken from the page onto the draft: a torque or an angle as the next stage, a thread or
 * class for the last group of fasteners.
 */
export function takePrinted(draft: Sheet, found: Printed): Sheet {
  if (found.value) return { ...draft, stages: [...draft.stages, stageOf(draft, found)] };
  const groups = draft.groups.length > 0 ? draft.groups : [blankGroup('bolts', boltsName())];
  const last = groups.length - 1;
  return {
    ...draft,
    groups: groups.map((g, i) =>
      i === last
        ? {
            ...g,
            ...(found.thread ? { thread: found.thread } : {}),
            ...(found.propertyClass ? { propertyClass: found.propertyClass } : {}),
          }
        : g,
    ),
  };
}

function stageOf(draft: Sheet, { what, value, upTo, says }: Printed): Stage {
  const taken = new Set(draft.stages.map((s) => s.id));
  let n = draft.stages.length + 1;
  while (taken.has(`stage-${n}`)) n += 1;
  const unit = value?.unit ?? 'N.m';
  return {
    id: `stage-${n}`,
    name: says,
    on: ['all'],
    action: what === 'angle' ? 'angle' : 'torque',
    target:
      upTo === undefined
        ? { value: value?.value ?? 0, unit }
        : { min: value?.value ?? 0, max: upTo, unit },
  };
}
