import type { Entry, Shop } from '@stennet/core/contract';
import { jointMap, seatMarks } from '@stennet/core/drawing';
import { stageWords } from '@stennet/core/procedure';
import type { Formatter } from '@stennet/core/quantity';
import {
  type RunRecord,
  deviationText,
  saidText,
  sightTitle,
  sightResult,
  boltLabel,
  type RecordFile,
  oddTimes,
  storedIn,
  oddTimeText,
  OUTCOME_TEXT,
  METHOD_TEXT,
  type SignedWord,
} from '@stennet/core/record';
import { type RunEvent, replay } from '@stennet/core/run';
import { type Block, textBlock, drawingBlock, headingBlock } from './column';
import { text } from './text';
import type { Trace } from '@stennet/core/trace';

/**
 * What happened, was decided, done, measured, fitted, filled in and photographed: each list only
 * where it has something.
 */
export function lists(
  record: RunRecord,
  { file, entries, joint }: RecordPaper,
  format: Formatter,
): Block[] {
  return [
    ...listOf(
      text.deviations,
      record.deviations.map((d) => deviationText(record, d, file.people)),
    ),
    ...listOf(
      text.said,
      record.said.map((s) => `${saidText(s, file.people)} ${format.dateTime(new Date(s.at))}`),
    ),
    ...listOf(
      text.seen,
      record.seen.map((s) =>
        [sightTitle(s), sightResult(s, format), s.note].filter(Boolean).join(' · '),
      ),
    ),
    ...listOf(
      text.doneList,
      record.done
        .filter((s) => !record.seen.includes(s))
        .map((s) =>
          [sightTitle(s), sightResult(s, format), s.note, file.people[s.person] ?? '']
            .filter(Boolean)
            .join(' · '),
        ),
      0.85,
    ),
    ...entryLists(entries, joint),
  ];
}

/** What is on the repair order of this joint. */
function entryLists(entries: RecordPaper['entries'], joint: string): Block[] {
  return [
    ...listOf(
      text.measured,
      entries.flatMap((e) =>
        e.body.kind === 'measurement' && e.body.joint === joint
          ? [
              `${e.body.of}: ${text.verdicts[e.body.verdict]}${e.body.note ? `. ${e.body.note}` : ''}`,
            ]
          : [],
      ),
    ),
    ...listOf(
      text.partsIn,
      entries.flatMap((e) =>
        e.body.kind === 'part' &&
        (e.body.joint === undefined || e.body.joint === joint) &&
        e.body.state === 'fitted'
          ? [partLine(e.body)]
          : [],
      ),
    ),
    ...listOf(
      text.filled,
      entries.flatMap((e) =>
        e.body.kind === 'filled' ? [`${e.body.what}: ${e.body.amount}`] : [],
      ),
    ),
    ...listOf(
      text.photos,
      entries.flatMap((e) =>
        e.body.kind === 'photo' && e.body.joint === joint
          ? [
              `${e.body.of}${e.body.fastener ? text.atBolt({ bolt: boltLabel(e.body.fastener) }) : ''}: ${e.body.photo.slice(0, 16)}`,
            ]
          : [],
      ),
    ),
  ];
}

export const odometer = ({ order }: RecordFile): string =>
  order.odometer
    ? `${order.odometer.value} ${order.odometer.unit === 'km' ? 'km' : 'mi'}`
    : text.noOdometer;
export function summary(record: RunRecord, { fault, file }: RecordPaper): Block {
  const n = record.deviations.length;
  const lines = [
    !record.complete ? text.recordOpen : n === 0 ? text.recordWhole : text.recordWith({ count: n }),
  ];
  if (fault) lines.push(fault);
  lines.push(...oddTimes(storedIn(file.chain)).map(oddTimeText));
  if (file.sheet.invented) lines.push(text.invented);
  const derived = record.stages.filter((s) => s.derived).map((s) => s.name);
  if (derived.length > 0) lines.push(text.derivedStages({ names: derived.join(', ') }));
  return textBlock(lines.join('\n'), { face: 'bold', scale: 1.1 });
}

export function mapBlock(file: RecordFile, events: readonly RunEvent[]): Block {
  const state = replay(file.sheet, events);
  const numbers = Object.fromEntries(file.sheet.seats.map((s) => [s.id, s.id]));
  return drawingBlock(
    jointMap(file.sheet, seatMarks(state.sheet, state.progress, null), { words: true, numbers }),
    18,
  );
}

export function facts(
  record: RunRecord,
  { sheet, people }: RecordFile,
  format: Formatter,
): string[] {
  const pulls = record.fasteners.flatMap((f) => f.pulls).filter((p) => !p.undone);
  const wrenches = [...new Set(pulls.flatMap((p) => p.wrench ?? []))];
  const compounds = sheet.groups.flatMap((g) =>
    g.compounds.map(
      (c) => `${g.name}: ${[c.strength, c.kind].filter(Boolean).join(' ')}, ${c.place}`,
    ),
  );
  return [
    text.bySheet({ title: sheet.title, revision: sheet.revision }),
    `${text.source}: ${sheet.source.title}, ${sheet.source.publisher}, ${sheet.source.page}`,
    text.condition({ c: sheet.source.condition }),
    text.bywhom({ names: record.people.map((p) => people[p] ?? '').join(', ') }),
    record.started
      ? fromTo(
          format.dateTime(new Date(record.started.at)),
          record.finishedAt ? format.dateTime(new Date(record.finishedAt)) : null,
        )
      : '',
    wrenches.length > 0 ? text.withWrenches({ names: wrenches.join('; ') }) : '',
    compounds.length > 0 ? text.withCompounds({ names: compounds.join('; ') }) : '',
    ...record.told.map((t) => `${t.question} ${t.answer}`),
    text.pulls({ n: record.pullCount }),
  ].filter(Boolean);
}
const partLine = (p: Extract<Entry['body'], { kind: 'part' }>): string =>
  [`${p.count} × ${p.what}`, p.number, p.lot && text.lot({ lot: p.lot })]
    .filter(Boolean)
    .join(', ');
/** Every pull in the order it was made, taken-back ones among them. */
export function pullLines(record: RunRecord, file: RecordFile, format: Formatter): string[] {
  const pulls = new Map(
    record.fasteners.flatMap((f) => f.pulls).map((p) => [`${p.event} ${p.fastener}`, p]),
  );
  const order = new Map(record.order.map((id, i) => [id, i]));
  return [...pulls.values()]
    .sort((a, b) => (order.get(a.event) ?? 0) - (order.get(b.event) ?? 0))
    .map((p) => {
      const stage = record.stages.find((s) => s.id === p.stage);
      const result = p.reading ? format.quantity(p.reading).text : OUTCOME_TEXT[p.outcome];
      const marks = [p.undone ? text.takenBack : '', p.corrected ? text.corrected : ''];
      return [
        format.dateTime(new Date(p.deviceTime)),
        text.bolt({ bolt: boltLabel(p.fastener) }),
        text.stagePass({ stage: stage ? stageWords(stage, format) : p.stage, n: p.pass }),
        result,
        METHOD_TEXT[p.method],
        p.wrench ?? '',
        file.people[p.person] ?? '',
        ...marks,
      ]
        .filter(Boolean)
        .join(' · ');
    });
}

export const listOf = (heading: string, lines: readonly string[], scale = 1): Block[] =>
  lines.length === 0
    ? []
    : [headingBlock(heading), ...lines.map((line) => textBlock(line, { scale }))];
export function lineBlock(words: string): Block {
  return {
    height: (_doc, _width, size) => 5 * size,
    put: (doc, x, y, width, size) => {
      doc
        .lineWidth(0.8)
        .moveTo(x, y + 3.4 * size)
        .lineTo(x + width, y + 3.4 * size)
        .stroke('#000000');
      doc
        .font('text')
        .fontSize(size * 0.85)
        .fillColor('#000000')
        .text(words, x, y + 3.7 * size, { width });
    },
  };
}

export function imageBlock(image: Buffer, side: number): Block {
  return {
    height: (_doc, _width, size) => side * size,
    put: (doc, x, y, width, size) =>
      void doc.image(image, x, y, { width: Math.min(width, side * size) }),
  };
}

export const MARGIN = 34;
export const SIZE = 9;

export interface RecordPaper {
  file: RecordFile;
  events: readonly RunEvent[];
  words: readonly SignedWord[];
  /**
   * Of the repair order: what was measured, which parts and lots went in, what was photographed.
   */
  entries: readonly Entry[];
  joint: string;
  /** What digital wrenches saw, by name. */
  traces: ReadonlyMap<string, Trace>;
  fault: string | null;
  shop: Shop;
  fonts: string;
  now: Date;
}

const fromTo = (from: string, to: string | null): string =>
  to ? text.fromTo({ from, to }) : text.begun({ from });
