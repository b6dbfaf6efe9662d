import type { Sheet } from '../procedure';
import type { Quantity } from '../quantity';
import { inEnglish } from '../language';
import type { RunEvent } from '../run';
import { type OddTime } from './oddTimes';
import { type RunRecord, runRecord, type RecordedPull } from './runRecord';

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

/** Changes when the same entries are told in other fields or other words. */
export const DOCUMENT_VERSION = '0.3.0';

/**
 * Always in English: it is sealed, and made again to be verified.
 * @param people names by id; odd: what the list of entries says of their times
 */
export const recordDocument = (...of: Parameters<typeof documentOf>): RecordDocument =>
  inEnglish(() => documentOf(...of));

function documentOf(
  sheet: Sheet,
  events: Iterable<RunEvent>,
  people: Readonly<Record<string, string>>,
  odd: readonly OddTime[] = [],
): RecordDocument {
  const record = runRecord(sheet, events);
  const name = (id: string): string => people[id] ?? id;
  const pulls = record.fasteners.flatMap((f) => f.pulls);
  return {
    core: DOCUMENT_VERSION,
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
    stages: stagesOf(record, pulls),
    fasteners: record.fasteners.map(({ fastener, seat, replaced }) => ({
      fastener,
      seat,
      replaced,
    })),
    pulls: inOrder(record, pulls).map((p) => pullOf(p, name)),
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
    done: record.done.map((s) => doneOf(s, name)),
    toldApart: record.told.map(({ question, answer, person }) => ({
      question,
      answer,
      person: name(person),
    })),
    pulled: record.pullCount,
    ...(odd.length > 0 ? { oddTimes: [...odd] } : {}),
  };
}

const stagesOf = (record: RunRecord, pulls: readonly RecordedPull[]): RecordDocument['stages'] =>
  record.stages.map((s) => ({
    id: s.id,
    name: s.name,
    action: s.action,
    target: s.target ? { ...s.target } : null,
    derived: s.derived === true,
    together: pulls.some((p) => p.stage === s.id && p.method === 'confirmedTogether' && !p.undone),
  }));

/** As they were confirmed; several of one confirmation by their fastener. */
function inOrder(record: RunRecord, pulls: readonly RecordedPull[]): RecordedPull[] {
  const order = new Map(record.order.map((id, i) => [id, i]));
  const place = (p: RecordedPull): number => order.get(p.event) ?? 0;
  return [...pulls].sort((a, b) => place(a) - place(b) || a.fastener.localeCompare(b.fastener));
}

const doneOf = (
  s: RunRecord['done'][number],
  name: (id: string) => string,
): RecordDocument['done'][number] => ({
  kind: s.kind,
  what: s.what,
  result: s.failure ?? s.result,
  fasteners: [...s.fasteners],
  values: s.values.map(({ row, value }) => ({ row, value: valueOf(value) })),
  note: s.note,
  person: name(s.person),
  at: s.deviceTime,
});

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
