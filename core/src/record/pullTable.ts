import { seatIdOf, lifeOf, type Deviation } from '../run';
import { type OddTime, oddTimeText } from './oddTimes';
import { type RecordDocument, type DocumentPull } from './recordDocument';
import { DEVIATION_TEXT } from './words';

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

export type Head = { order: string; vehicle: string; joint: string };
export const timeCell = (at: string): string => at.replace('T', ' ').slice(0, 19);
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

export function deviationSeen(
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

export const saidSeen = ({
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

export const timeSeen = (odd: OddTime): RecordDocument['done'][number] => ({
  ...rest,
  kind: 'time',
  what: oddTimeText(odd),
  result: '',
  fasteners: [],
  person: '',
  at: '',
});
/** Everything but the pulls: its own columns at the end, those of a pull left empty. */

export function doneRow(
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
