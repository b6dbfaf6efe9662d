import type { Sheet } from '../procedure';
import type { Quantity } from '../quantity';
import { CORE_VERSION, lifeOf, seatIdOf, type Deviation, type RunEvent } from '../run';
import { oddTimeText, type OddTime } from './oddTimes';
import { runRecord, type RecordedPull } from './runRecord';
import { DEVIATION_TEXT } from './words';

/** A value with its unit in UCUM code. */
export interface DocumentValue {
  value: number;
  unit: string;
}

/** Published as a range. */
export interface DocumentRange {
  min: number;
  max: number;
  unit: string;
}

export interface DocumentPull {
  event: string;
  fastener: string;
  stage: string;
  pass: number;
  target: DocumentValue | null;
  method: string;
  outcome: string;
  reading: DocumentValue | null;
  verdict: string;
  wrench: string | null;
  /** Hash of what the wrench saw, where it was kept; the trace is a file of its own. */
  trace?: string;
  /**
   * What the fastener got: the reading with the adapter taken off, or the turn of this stage off a
   * stripe.
   */
  onBolt: DocumentValue | null;
  person: string;
  at: string;
  undone: boolean;
  corrected: boolean;
}

/**
 * A record in plain fields, names instead of ids, units in UCUM: what other programs read.
 * docs/schema has its JSON Schema.
 */
export interface RecordDocument {
  /** Of the program that made it: another one may tell the same events in other fields. */
  core: string;
  complete: boolean;
  startedAt: string | null;
  finishedAt: string | null;
  people: string[];
  sheet: { id: string; revision: string; title: string; source: string; invented: boolean };
  stages: {
    id: string;
    name: string;
    action: string;
    target: DocumentValue | DocumentRange | null;
    derived: boolean;
    together: boolean;
  }[];
  fasteners: { fastener: string; seat: string; replaced: boolean }[];
  pulls: DocumentPull[];
  deviations: {
    kind: string;
    fastener: string | null;
    stage: string;
    person: string;
    decision: string | null;
  }[];
  said: {
    decision: string;
    about: string;
    name: string;
    text: string;
    person: string;
    at: string;
  }[];
  done: {
    kind: string;
    what: string;
    result: string;
    fasteners: string[];
    values: { row: string | null; value: DocumentValue }[];
    note: string;
    person: string;
    at: string;
  }[];
  toldApart: { question: string; answer: string; person: string }[];
  pulled: number;
  /** Entries whose time cannot be right; left out where there are none. */
  oddTimes?: OddTime[];
}

/** @param people names by id; odd: what the list of entries says of their times */
export function recordDocument(
  sheet: Sheet,
  events: Iterable<RunEvent>,
  people: Readonly<Record<string, string>>,
  odd: readonly OddTime[] = [],
): RecordDocument {
  const record = runRecord(sheet, events);
  const name = (id: string): string => people[id] ?? id;
  const pulls = record.fasteners.flatMap((f) => f.pulls);
  const order = new Map(record.order.map((id, i) => [id, i]));
  return {
    core: CORE_VERSION,
    complete: record.complete,
    startedAt: record.started?.at ?? null,
    finishedAt: record.finishedAt,
    people: record.people.map(name),
    sheet: {
      id: sheet.id,
      revision: sheet.revision,
      title: sheet.title,
      source: `${sheet.source.title}, ${sheet.source.publisher}, ${sheet.source.page}`,
      invented: sheet.invented,
    },
    stages: record.stages.map((s) => ({
      id: s.id,
      name: s.name,
      action: s.action,
      target: s.target ? { ...s.target } : null,
      derived: s.derived === true,
      together: pulls.some(
        (p) => p.stage === s.id && p.method === 'confirmedTogether' && !p.undone,
      ),
    })),
    fasteners: record.fasteners.map(({ fastener, seat, replaced }) => ({
      fastener,
      seat,
      replaced,
    })),
    pulls: [...pulls]
      .sort(
        (a, b) =>
          (order.get(a.event) ?? 0) - (order.get(b.event) ?? 0) ||
          a.fastener.localeCompare(b.fastener),
      )
      .map((p) => pullOf(p, name)),
    deviations: record.deviations.map((d) => ({
      kind: d.kind,
      fastener: d.fastener ?? null,
      stage: d.stage,
      person: name(d.person),
      decision: d.decision ?? null,
    })),
    said: record.said.map(({ decision, about, name: of, text, person, at }) => ({
      decision,
      about,
      name: of,
      text,
      person: name(person),
      at,
    })),
    done: record.done.map((s) => ({
      kind: s.kind,
      what: s.what,
      result: s.failure ?? s.result,
      fasteners: [...s.fasteners],
      values: s.values.map(({ row, value }) => ({ row, value: valueOf(value) })),
      note: s.note,
      person: name(s.person),
      at: s.deviceTime,
    })),
    toldApart: record.told.map(({ question, answer, person }) => ({
      question,
      answer,
      person: name(person),
    })),
    pulled: record.pullCount,
    ...(odd.length > 0 ? { oddTimes: [...odd] } : {}),
  };
}

const valueOf = ({ value, unit }: Quantity): DocumentValue => ({ value, unit });

const pullOf = (p: RecordedPull, name: (id: string) => string): DocumentPull => ({
  event: p.event,
  fastener: p.fastener,
  stage: p.stage,
  pass: p.pass,
  target: p.target ? valueOf(p.target) : null,
  method: p.method,
  outcome: p.outcome,
  reading: p.reading ? valueOf(p.reading) : null,
  verdict: p.verdict,
  wrench: p.wrench,
  onBolt: p.onBolt ? valueOf(p.onBolt) : null,
  ...(p.trace ? { trace: p.trace } : {}),
  person: name(p.person),
  at: p.deviceTime,
  undone: p.undone,
  corrected: p.corrected,
});

export const PULL_COLUMNS = [
  'order', 'vehicle', 'joint', 'sheet', 'revision', 'fastener', 'life', 'stage', 'pass', 'target', 'target unit', 'method', 'outcome',
  'reading', 'reading unit', 'on the bolt', 'on the bolt unit', 'verdict', 'wrench', 'person', 'at (UTC)', 'undone', 'corrected',
  'entry', 'what', 'result', 'note',
] as const; // prettier-ignore

/**
 * One row for each pull, one for each other entry, both in the order they were made, then the
 * deviations and the words of those with the right to decide; a click has no reading. A spreadsheet
 * must find nothing in it to make something else of: a fastener is its place and its life in
 * columns of their own (`1/1` would become a day), a number of an order has letters.
 */
export function pullRows(doc: RecordDocument, head: Head): (string | number)[][] {
  return [
    ...doc.pulls.map((p) => pullRow(doc, head, p)),
    ...[
      ...doc.done,
      ...doc.deviations.map((d) => deviationSeen(doc, d)),
      ...doc.said.map(saidSeen),
      ...(doc.oddTimes ?? []).map(timeSeen),
    ].map((d) => doneRow(doc, head, d)),
  ];
}

type Head = { order: string; vehicle: string; joint: string };
const timeCell = (at: string): string => at.replace('T', ' ').slice(0, 19);

function pullRow(doc: RecordDocument, head: Head, p: DocumentPull): (string | number)[] {
  return [
    `RO ${head.order}`,
    head.vehicle,
    head.joint,
    doc.sheet.title,
    doc.sheet.revision,
    seatIdOf(p.fastener),
    lifeOf(p.fastener),
    doc.stages.find((s) => s.id === p.stage)?.name ?? p.stage,
    p.pass,
    p.target?.value ?? '',
    p.target?.unit ?? '',
    p.method,
    p.outcome,
    p.reading?.value ?? '',
    p.reading?.unit ?? '',
    p.onBolt?.value ?? '',
    p.onBolt?.unit ?? '',
    p.verdict,
    p.wrench ?? '',
    p.person,
    timeCell(p.at),
    p.undone ? 'yes' : 'no',
    p.corrected ? 'yes' : 'no',
    'pull',
    '',
    '',
    '',
  ];
}

const rest = { values: [], note: '' };

function deviationSeen(
  doc: RecordDocument,
  { kind, fastener, stage, person, decision }: RecordDocument['deviations'][number],
): RecordDocument['done'][number] {
  const name = doc.stages.find((s) => s.id === stage)?.name ?? stage;
  return {
    ...rest,
    kind: 'deviation',
    what: [name, DEVIATION_TEXT[kind as Deviation['kind']]].filter(Boolean).join(': '),
    result: decision ?? '',
    fasteners: fastener ? [fastener] : [],
    person,
    at: '',
  };
}

const saidSeen = ({
  decision,
  about,
  name,
  text,
  person,
  at,
}: RecordDocument['said'][number]): RecordDocument['done'][number] => ({
  ...rest,
  kind: 'said',
  what: [about, name].filter(Boolean).join(': '),
  result: decision,
  fasteners: [],
  note: text,
  person,
  at,
});

const timeSeen = (odd: OddTime): RecordDocument['done'][number] => ({
  ...rest,
  kind: 'time',
  what: oddTimeText(odd),
  result: '',
  fasteners: [],
  person: '',
  at: '',
});

/** Everything but the pulls: its own columns at the end, those of a pull left empty. */
function doneRow(
  doc: RecordDocument,
  head: Head,
  d: RecordDocument['done'][number],
): (string | number)[] {
  const values = d.values.map(
    ({ row, value }) => `${row ? `${row}: ` : ''}${value.value} ${value.unit}`,
  );
  const before = [
    `RO ${head.order}`,
    head.vehicle,
    head.joint,
    doc.sheet.title,
    doc.sheet.revision,
    d.fasteners.map(seatIdOf).join(' '),
  ];
  const empty = Array.from({ length: PULL_COLUMNS.indexOf('person') - before.length }, () => '');
  return [
    ...before,
    ...empty,
    d.person,
    timeCell(d.at),
    '',
    '',
    d.kind,
    d.what,
    [d.result, ...values].filter(Boolean).join('; '),
    d.note,
  ];
}
