import QRCode from 'qrcode';
import { jointMap, seatMarks } from '@stennet/core/drawing';
import { curvesOf } from './recordCurves';
import { fillsOf } from './recordTable';
import { stageWords } from '@stennet/core/procedure';
import { createFormatter, type Formatter } from '@stennet/core/quantity';
import {
  boltLabel,
  deviationText,
  METHOD_TEXT,
  oddTimes,
  oddTimeText,
  OUTCOME_TEXT,
  runRecord,
  saidText,
  sightResult,
  sightTitle,
  storedIn,
  type RecordFile,
  type RunRecord,
  type SignedWord,
} from '@stennet/core/record';
import { replay, type RunEvent } from '@stennet/core/run';
import type { Trace } from '@stennet/core/trace';
import type { Entry, Shop } from '@stennet/core/contract';
import {
  drawingBlock,
  framedBlock,
  headingBlock,
  putColumn,
  rowBlock,
  textBlock,
  type Block,
} from './column';
import { newDocument, type Doc } from './paper';
import { text } from './text';

const MARGIN = 34;
const SIZE = 9;

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

/**
 * A record on paper: what to know first, then the map, every value, who did it with what, and the
 * signatures.
 */
export async function recordPaper(paper: RecordPaper): Promise<Doc> {
  const { file, shop, fonts, now } = paper;
  const title = text.recordTitle(file.order.number);
  const doc = newDocument(shop.paper, fonts, title);
  const format = createFormatter(shop);
  const width = doc.page.width - 2 * MARGIN;
  const bottom = doc.page.height - MARGIN - 22;
  const head = file.chain.at(-1)?.hash ?? '';
  const code = await QRCode.toBuffer(JSON.stringify({ stennet: 1, run: file.run.id, head }), {
    errorCorrectionLevel: 'M',
    margin: 1,
    width: 240,
  });
  const curves = await curvesOf(runRecord(file.sheet, paper.events), paper.traces, format);
  let blocks: readonly Block[] = blocksOf(paper, format, { code, head, curves });
  for (let page = 1; page === 1 || blocks.length > 0; page += 1) {
    if (page > 1) doc.addPage();
    blocks = putColumn(doc, blocks, { x: MARGIN, y: MARGIN, width, bottom }, SIZE);
    const foot = `${text.printedOn(shop.name, format.dateTime(now))}  ${file.sheet.invented ? text.invented : text.prevail}  ${text.pageOf(page, file.order.number, head.slice(0, 12))}`;
    doc
      .font('text')
      .fontSize(7)
      .fillColor('#000000')
      .text(foot, MARGIN, doc.page.height - MARGIN - 12, { width, height: 24 });
  }
  doc.end();
  return doc;
}

function blocksOf(
  paper: RecordPaper,
  format: Formatter,
  { code, head, curves }: { code: Buffer; head: string; curves: readonly Block[] },
): Block[] {
  const { file, events, words } = paper;
  const record = runRecord(file.sheet, events);
  const { vehicle } = file.order;
  return [
    textBlock(text.recordTitle(file.order.number), { face: 'bold', scale: 1.9 }),
    textBlock(
      `${file.joint}  ·  ${vehicle.maker} ${vehicle.model}, ${vehicle.engine}  ·  ${vehicle.plate}  ·  ${vehicle.vin}  ·  ${odometer(file)}`,
    ),
    framedBlock(summary(record, paper)),
    rowBlock([
      { share: 0.5, block: mapBlock(file, events) },
      { share: 0.5, block: textBlock(facts(record, file, format).join('\n')) },
    ]),
    headingBlock(text.values),
    ...fillsOf(record, format),
    textBlock(text.clickNote, { scale: 0.85 }),
    ...curves,
    ...lists(record, paper, format),
    headingBlock(text.signatures),
    ...words.map((w) =>
      textBlock(
        `${text.signed[w.kind]}: ${w.name}, ${w.role}, ${format.dateTime(new Date(w.at))}${w.text ? `. ${w.text}` : ''}`,
      ),
    ),
    ...(words.some((w) => w.kind === 'technician') ? [] : [textBlock(text.notSigned)]),
    rowBlock([
      { share: 0.42, block: lineBlock(text.signTechnician) },
      { share: 0.42, block: lineBlock(text.signCustomer) },
      { share: 0.16, block: imageBlock(code, 8) },
    ]),
    textBlock(text.chain(events.length, head, file.shop.fingerprint), { scale: 0.8 }),
    ...listOf(text.everyPull, pullLines(record, file, format), 0.8),
  ];
}

/**
 * What happened, was decided, done, measured, fitted, filled in and photographed: each list only
 * where it has something.
 */
function lists(
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
              `${e.body.of}${e.body.fastener ? `, bolt ${boltLabel(e.body.fastener)}` : ''}: ${e.body.photo.slice(0, 16)}`,
            ]
          : [],
      ),
    ),
  ];
}

const odometer = ({ order }: RecordFile): string =>
  `${order.odometer.value} ${order.odometer.unit === 'km' ? 'km' : 'mi'}`;

function summary(record: RunRecord, { fault, file }: RecordPaper): Block {
  const n = record.deviations.length;
  const lines = [
    !record.complete ? text.recordOpen : n === 0 ? text.recordWhole : text.recordWith(n),
  ];
  if (fault) lines.push(fault);
  lines.push(...oddTimes(storedIn(file.chain)).map(oddTimeText));
  if (file.sheet.invented) lines.push(text.invented);
  const derived = record.stages.filter((s) => s.derived).map((s) => s.name);
  if (derived.length > 0) lines.push(text.derivedStages(derived.join(', ')));
  return textBlock(lines.join('\n'), { face: 'bold', scale: 1.1 });
}

function mapBlock(file: RecordFile, events: readonly RunEvent[]): Block {
  const state = replay(file.sheet, events);
  const numbers = Object.fromEntries(file.sheet.seats.map((s) => [s.id, s.id]));
  return drawingBlock(
    jointMap(file.sheet, seatMarks(state.sheet, state.progress, null), { words: true, numbers }),
    18,
  );
}

function facts(record: RunRecord, { sheet, people }: RecordFile, format: Formatter): string[] {
  const pulls = record.fasteners.flatMap((f) => f.pulls).filter((p) => !p.undone);
  const wrenches = [...new Set(pulls.flatMap((p) => p.wrench ?? []))];
  const compounds = sheet.groups.flatMap((g) =>
    g.compounds.map(
      (c) => `${g.name}: ${[c.strength, c.kind].filter(Boolean).join(' ')}, ${c.place}`,
    ),
  );
  return [
    text.bySheet(sheet.title, sheet.revision),
    `${text.source}: ${sheet.source.title}, ${sheet.source.publisher}, ${sheet.source.page}`,
    text.condition(sheet.source.condition),
    text.bywhom(record.people.map((p) => people[p] ?? '').join(', ')),
    record.started
      ? text.fromTo(
          format.dateTime(new Date(record.started.at)),
          record.finishedAt ? format.dateTime(new Date(record.finishedAt)) : null,
        )
      : '',
    wrenches.length > 0 ? text.withWrenches(wrenches.join('; ')) : '',
    compounds.length > 0 ? text.withCompounds(compounds.join('; ')) : '',
    ...record.told.map((t) => `${t.question} ${t.answer}`),
    text.pulls(record.pullCount),
  ].filter(Boolean);
}

const partLine = (p: Extract<Entry['body'], { kind: 'part' }>): string =>
  [`${p.count} × ${p.what}`, p.number, p.lot && text.lot(p.lot)].filter(Boolean).join(', ');

/** Every pull in the order it was made, taken-back ones among them. */
function pullLines(record: RunRecord, file: RecordFile, format: Formatter): string[] {
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
        `bolt ${boltLabel(p.fastener)}`,
        `${stage ? stageWords(stage, format) : p.stage}, pass ${p.pass}`,
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

const listOf = (heading: string, lines: readonly string[], scale = 1): Block[] =>
  lines.length === 0
    ? []
    : [headingBlock(heading), ...lines.map((line) => textBlock(line, { scale }))];

function lineBlock(words: string): Block {
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

function imageBlock(image: Buffer, side: number): Block {
  return {
    height: (_doc, _width, size) => side * size,
    put: (doc, x, y, width, size) =>
      void doc.image(image, x, y, { width: Math.min(width, side * size) }),
  };
}
