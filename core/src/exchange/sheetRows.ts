import { textsOf } from '../language';
import { reading } from '../language/en/reading';
import { AppError } from '../errors';
import type { Position } from '../joint';
import { readSheet, type Group, type Seat, type Sheet, type Stage } from '../procedure';
import { cellsOf, column, thingOf, type Column, type Row } from './cells';

const text = textsOf('reading', reading);

export type RowKind = 'stages' | 'fasteners';

const SHEET: readonly Column[] = [column('sheet'), column('revision')];
const STAGE: readonly Column[] = [
  column('part'),
  column('id'),
  column('name'),
  column('on', 'list'),
  column('action'),
  column('value', 'number', 'target.value'),
  column('min', 'number', 'target.min'),
  column('max', 'number', 'target.max'),
  column('unit', 'text', 'target.unit'),
  column('plus', 'number', 'tolerance.plus'),
  column('minus', 'number', 'tolerance.minus'),
  column('purpose'),
  column('order', 'text', 'order.rule'),
  column('order reverse', 'flag', 'order.reverse'),
  column('order start', 'text', 'order.start'),
  column('order direction', 'text', 'order.direction'),
  column('order labels', 'list', 'order.labels'),
  column('repeat', 'text', 'repeat.kind'),
  column('passes', 'number', 'repeat.passes'),
  column('max passes', 'number', 'repeat.maxPasses'),
  column('moved more than deg', 'number', 'repeat.movedMoreThanDeg'),
  column('max rounds', 'number', 'repeat.maxRounds'),
  column('enters yield', 'flag', 'entersYield'),
  column('final torque', 'flag', 'finalTorque'),
  column('with'),
  column('trial', 'flag'),
  column('may lag', 'flag', 'mayLag'),
  column('if not', 'text', 'ifNot'),
  column('fallback value', 'number', 'fallback.value'),
  column('fallback min', 'number', 'fallback.min'),
  column('fallback max', 'number', 'fallback.max'),
  column('fallback unit', 'text', 'fallback.unit'),
  column('derived', 'flag'),
  column('step'),
  column('release'),
  column('each', 'json'),
  column('loosen'),
  column('loosen deg', 'number', 'loosen.degrees'),
  column('wait minutes', 'number', 'waitUntil.minutes'),
  column('wait celsius', 'number', 'waitUntil.celsius'),
  column('wait is', 'text', 'waitUntil.is'),
  column('crank deg', 'number', 'crankDeg'),
  column('note'),
];
const SEAT: readonly Column[] = [
  column('fastener', 'text', 'id'),
  column('position'),
  column('group'),
  column('neighbours', 'list'),
];
const POSITION: readonly Column[] = [
  column('x mm', 'number', 'xMm'),
  column('y mm', 'number', 'yMm'),
  column('cap'),
  column('tags', 'list'),
];
const GROUP: readonly Column[] = [
  column('group name', 'text', 'name'),
  column('thread', 'text', 'thread.designation'),
  column('pitch mm', 'number', 'thread.pitchMm'),
  column('class', 'text', 'propertyClass'),
  column('head'),
  column('socket'),
  column('length mm', 'number', 'lengthMm'),
  column('grip length mm', 'number', 'gripLengthMm'),
  column('bearing mm', 'number', 'bearingMm'),
  column('under'),
  column('gasket'),
  column('reuse'),
  column('max length mm', 'number', 'maxLengthMm'),
  column('free length mm', 'number', 'freeLengthMm'),
  column('compounds', 'json'),
  column('friction'),
  column('friction condition', 'text', 'frictionCondition'),
  column('behind'),
  column('on replace', 'text', 'onReplace'),
];

export const HEADINGS: Record<RowKind, readonly string[]> = {
  stages: [...SHEET, ...STAGE].map((c) => c.name),
  fasteners: [...SHEET, ...SEAT, ...POSITION, ...GROUP].map((c) => c.name),
};

const nameOf = (sheet: Sheet): Row => ({ sheet: sheet.id, revision: sheet.revision });

/**
 * The stages of a sheet, one row each: of the procedure, of taking apart, and of what is due
 * after (by its id).
 */
export function stageRows(sheet: Sheet): Row[] {
  const rows = (part: string, stages: readonly Stage[]): Row[] =>
    stages.map((s) => ({ ...nameOf(sheet), ...cellsOf(STAGE, s), part }));
  return [
    ...rows('procedure', sheet.stages),
    ...rows('takeApart', sheet.takeApart),
    ...sheet.after.flatMap((a) => (a.stages ? rows(a.id, a.stages) : [])),
  ];
}

/** The fasteners of a sheet, one row each, with its place and all that is said of its group. */
export function fastenerRows(sheet: Sheet): Row[] {
  return sheet.seats.map((seat) => {
    const position = sheet.pattern.positions.find((p) => p.label === seat.position) ?? {};
    const { id: _id, ...group } = sheet.groups.find((g) => g.id === seat.group) ?? { id: '' };
    return {
      ...nameOf(sheet),
      ...cellsOf(SEAT, seat),
      ...cellsOf(POSITION, position),
      ...cellsOf(GROUP, group),
    };
  });
}

export const rowsOf: Record<RowKind, (sheet: Sheet) => Row[]> = {
  stages: stageRows,
  fasteners: fastenerRows,
};

/** Which file it is, by its headings. */
export function rowKindOf(headings: readonly string[]): RowKind | null {
  if (!headings.includes('sheet') || !headings.includes('revision')) return null;
  return headings.includes('action')
    ? 'stages'
    : headings.includes('fastener')
      ? 'fasteners'
      : null;
}

/**
 * A sheet with the rows of a table instead of its own. What a table does not say stays as it
 * was.
 * @throws AppError CELL_UNREADABLE, SHEET_INVALID naming the place
 */
export function withRows(sheet: Sheet, kind: RowKind, rows: readonly Row[]): Sheet {
  return readSheet(kind === 'stages' ? withStageRows(sheet, rows) : withFastenerRows(sheet, rows));
}

function withStageRows(sheet: Sheet, rows: readonly Row[]): object {
  const parts = new Map<string, object[]>();
  for (const row of rows) {
    const { part, ...stage } = thingOf(STAGE, row);
    const name = String(part ?? 'procedure');
    if (name !== 'procedure' && name !== 'takeApart' && !sheet.after.some((a) => a.id === name))
      throw new AppError('SHEET_INVALID', { where: text.rows.part({ name: name.slice(0, 40) }) });
    parts.set(name, [...(parts.get(name) ?? []), stage]);
  }
  return {
    ...sheet,
    stages: parts.get('procedure') ?? sheet.stages,
    takeApart: parts.get('takeApart') ?? sheet.takeApart,
    after: sheet.after.map((a) => (parts.has(a.id) ? { ...a, stages: parts.get(a.id) } : a)),
  };
}

function withFastenerRows(sheet: Sheet, rows: readonly Row[]): object {
  const seats = rows.map((row) => thingOf(SEAT, row) as unknown as Seat);
  const positions = once(
    rows,
    'position',
    (row) => ({ label: row.position ?? '', ...thingOf(POSITION, row) }) as unknown as Position,
  );
  const groups = once(
    rows,
    'group',
    (row) => ({ id: row.group ?? '', ...thingOf(GROUP, row) }) as unknown as Group,
  );
  return {
    ...sheet,
    seats,
    groups: inOrderOf(sheet.groups, groups, (g) => g.id),
    pattern: {
      ...sheet.pattern,
      positions: inOrderOf(sheet.pattern.positions, positions, (p) => p.label),
    },
  };
}

/** What several rows say of one thing must be the same in each. */
function once<T>(rows: readonly Row[], name: string, make: (row: Row) => T): T[] {
  const made = new Map<string, T>();
  for (const row of rows) {
    const key = row[name] ?? '';
    const thing = make(row);
    const known = made.get(key);
    if (known && JSON.stringify(known) !== JSON.stringify(thing))
      throw new AppError('SHEET_INVALID', {
        where: text.rows.differ({ name, key: key.slice(0, 40) }),
      });
    made.set(key, thing);
  }
  return [...made.values()];
}

/** Known ones keep their place; new ones follow. */
function inOrderOf<T>(known: readonly T[], found: readonly T[], keyOf: (t: T) => string): T[] {
  const kept = known.flatMap((k) => found.find((f) => keyOf(f) === keyOf(k)) ?? []);
  return [...kept, ...found.filter((f) => !known.some((k) => keyOf(k) === keyOf(f)))];
}
