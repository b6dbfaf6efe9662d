import { fastenerSide, jointMap, seatMarks, stageRibbon } from '@stennet/core/drawing';
import {
  dueWords,
  orderOf,
  repeatWords,
  REUSE_TEXT,
  stageKindText,
  stageMore,
  stepMore,
  stageWords,
  threadText,
  type Sheet,
  type Stage,
} from '@stennet/core/procedure';
import { createFormatter, type Formatter, type Quantity } from '@stennet/core/quantity';
import { initialState } from '@stennet/core/run';
import type { Shop } from '@stennet/core/contract';
import {
  drawingBlock,
  framedBlock,
  headingBlock,
  heightOf,
  putColumn,
  rowBlock,
  textBlock,
  type Block,
} from './column';
import { newDocument, type Doc } from './paper';
import { text } from './text';

export interface SheetPaper {
  sheet: Sheet;
  hash: string;
  shop: Shop;
  fonts: string;
  now: Date;
}

const MARGIN = 30;
const LARGEST = 9.5;
/**
 * Smaller cannot be read at the vehicle: what does not fit at this size goes on to another page.
 */
const SMALLEST = 6.5;
const LEFT_SHARE = 0.56;
const GAP = 16;

/** One sheet on one page: drawn on the left, said on the right. */
export async function sheetPaper({ sheet, hash, shop, fonts, now }: SheetPaper): Promise<Doc> {
  const doc = await newDocument(shop.paper, fonts, sheet.title);
  const format = createFormatter(shop);
  const { width, height } = doc.page;
  const top = header(doc, sheet, width);
  const bottom = height - MARGIN - 16;
  const leftWidth = (width - 2 * MARGIN) * LEFT_SHARE - GAP / 2;
  const rightWidth = width - 2 * MARGIN - leftWidth - GAP;
  let left = leftColumn(sheet, format);
  let right = rightColumn(sheet, format);
  const size = largestThatFits(doc, bottom - top, [left, leftWidth], [right, rightWidth]);
  const foot = (): void =>
    footer(
      doc,
      `${text.printed({ shop: shop.name, at: format.dateTime(now), hash: hash.slice(0, 12) })}  ${text.prevail}`,
      width,
      height,
    );
  for (let y = top; ; y = MARGIN) {
    left = [...putColumn(doc, left, { x: MARGIN, y, width: leftWidth, bottom }, size)];
    right = [
      ...putColumn(doc, right, { x: MARGIN + leftWidth + GAP, y, width: rightWidth, bottom }, size),
    ];
    foot();
    if (left.length === 0 && right.length === 0) break;
    doc.addPage();
  }
  doc.end();
  return doc;
}

function largestThatFits(
  doc: Doc,
  height: number,
  ...columns: [readonly Block[], number][]
): number {
  for (let size = LARGEST; size > SMALLEST; size -= 0.25)
    if (columns.every(([blocks, width]) => heightOf(doc, blocks, width, size) <= height))
      return size;
  return SMALLEST;
}

function header(doc: Doc, sheet: Sheet, width: number): number {
  const { applies } = sheet;
  doc
    .font('bold')
    .fontSize(17)
    .fillColor('#000000')
    .text(sheet.title, MARGIN, MARGIN, { width: width - 2 * MARGIN });
  const dates = built(applies);
  const kit =
    applies.hardware.origin === 'kit' ? text.kit({ maker: applies.hardware.maker ?? '' }) : '';
  const where = [
    `${applies.maker} ${applies.model}, ${applies.engine}`,
    applies.bank ?? '',
    dates,
    kit,
    `${text.rev({ r: sheet.revision })}, ${text.status[sheet.status]}`,
  ].filter(Boolean);
  doc
    .font('text')
    .fontSize(10)
    .text(where.join('  ·  '), { width: width - 2 * MARGIN });
  const y = doc.y + 4;
  doc
    .lineWidth(1)
    .moveTo(MARGIN, y)
    .lineTo(width - MARGIN, y)
    .stroke('#000000');
  return y + 4;
}

function footer(doc: Doc, words: string, width: number, height: number): void {
  doc
    .font('text')
    .fontSize(6.5)
    .fillColor('#000000')
    .text(words, MARGIN, height - MARGIN - 12, { width: width - 2 * MARGIN, height: 20 });
}

function leftColumn(sheet: Sheet, format: Formatter): Block[] {
  const labels = Object.fromEntries(sheet.seats.map((s) => [s.id, s.id]));
  const marks = seatMarks(sheet, initialState(sheet).progress, null);
  const words = sheet.stages.map((s) => ({
    share: 1 / sheet.stages.length,
    block: textBlock(stageWords(s, format), { scale: 0.85, align: 'center' }),
  }));
  return [
    ...(sheet.status === 'superseded'
      ? [
          framedBlock(
            textBlock(text.superseded({ by: sheet.supersededBy ?? '' }), { face: 'bold' }),
          ),
        ]
      : []),
    ...(sheet.invented ? [framedBlock(textBlock(text.invented, { face: 'bold' }))] : []),
    drawingBlock(stageRibbon(sheet, null), 5),
    rowBlock(words, 0.2),
    drawingBlock(jointMap(sheet, marks, { words: true, numbers: labels }), 22),
    headingBlock(text.stages),
    ...sheet.stages.map((s, i) => stageBlock(sheet, s, i, format)),
    ...(sheet.takeApart.length > 0
      ? [
          headingBlock(text.takeApart),
          ...sheet.takeApart.map((s, i) => numbered(i, stageLine(s, format))),
        ]
      : []),
    ...(sheet.steps.length > 0
      ? [
          headingBlock(text.steps),
          ...sheet.steps.map((s) =>
            textBlock([`– ${s.text} (${dueWords(s, sheet)})`, ...stepMore(s)].join('; ')),
          ),
        ]
      : []),
  ];
}

const toleranceText = (
  { minus, plus }: NonNullable<Stage['tolerance']>,
  unit: Quantity['unit'],
  format: Formatter,
): string => {
  const said = format.quantity({ value: plus, unit }).text;
  return minus === plus
    ? `±${said}`
    : `−${format.quantity({ value: minus, unit }).number} +${said}`;
};

const stageLine = (s: Stage, format: Formatter): string => {
  const words = stageWords(s, format);
  return s.name === words || !s.target
    ? s.name
    : s.name.includes(words)
      ? s.name
      : `${words}, ${s.name}`;
};

function stageBlock(sheet: Sheet, stage: Stage, index: number, format: Formatter): Block {
  const notes = [
    stageKindText(stage),
    ...stageMore(stage, sheet.stages, format),
    stage.on[0] === 'all' ? '' : stage.on.join(', '),
    repeatWords(stage),
    stage.order && sheet.seats.length > 1
      ? text.order({ ids: orderOf(sheet, index).join(' ') })
      : '',
    stage.tolerance && stage.target
      ? toleranceText(stage.tolerance, stage.target.unit, format)
      : '',
    stage.derived ? text.derived : '',
    stage.note ?? '',
  ].filter(Boolean);
  return numbered(index, stageLine(stage, format), notes.join('; '));
}

function numbered(index: number, strong: string, notes = ''): Block {
  const said: Block[] = [
    textBlock(strong, { face: 'bold' }),
    ...(notes ? [textBlock(notes, { scale: 0.92 })] : []),
  ];
  const stack: Block = {
    height: (doc, width, size) => heightOf(doc, said, width, size),
    put: (doc, x, y, width, size) =>
      void putColumn(doc, said, { x, y, width, bottom: Infinity }, size),
  };
  return rowBlock([
    { share: 0.07, block: textBlock(`${index + 1}`, { face: 'mono' }) },
    { share: 0.93, block: stack },
  ]);
}

function rightColumn(sheet: Sheet, format: Formatter): Block[] {
  const lines = (title: string, said: readonly string[]): Block[] =>
    said.length > 0 ? [headingBlock(title), ...said.map((s) => textBlock(s))] : [];
  const { source } = sheet;
  return [
    headingBlock(text.fasteners),
    ...sheet.groups.flatMap((g) => {
      const side = fastenerSide(g);
      return [
        textBlock(g.name, { face: 'bold', before: 0.3 }),
        textBlock(
          `${threadText(g, sheet.seats.filter((s) => s.group === g.id).length, format)}; ${text.drive({ head: g.head, socket: g.socket })}`,
        ),
        textBlock(
          `${REUSE_TEXT[g.reuse]}${g.maxLengthMm ? text.most({ mm: format.number(g.maxLengthMm, 2) }) : ''}`,
          { face: 'bold' },
        ),
        ...(g.behind ? [textBlock(text.behind({ what: g.behind }))] : []),
        drawingBlock(side.drawing, 5),
        ...(side.words.length > 0 ? side.words : [text.nothing]).map((w) => textBlock(w)),
      ];
    }),
    ...lines(text.besides, [
      ...(sheet.parts ?? []).map(
        (p) => `${p.count} × ${p.name}, ${text.needs[p.need]}${p.why ? `: ${p.why}` : ''}`,
      ),
      ...(sheet.holding?.loosening ? [text.holdLoosening({ how: sheet.holding.loosening })] : []),
      ...(sheet.holding?.tightening
        ? [text.holdTightening({ how: sheet.holding.tightening })]
        : []),
    ]),
    ...(sheet.cautions.length > 0
      ? [headingBlock(text.cautions), ...sheet.cautions.map((c) => framedBlock(textBlock(c)))]
      : []),
    ...lines(
      text.clocks,
      sheet.clocks.map((c) => text[c.kind]({ minutes: c.minutes, what: c.text })),
    ),
    ...lines(text.source, [
      `${source.publisher}: ${source.title}, ${source.page}, ${source.revision}, ${source.date}`,
      text.condition({ c: source.condition }),
    ]),
    ...lines(
      text.conflicts,
      sheet.conflicts.map(
        (c) => `${c.sheet ?? c.source ?? ''}: ${format.published(c.value)}. ${c.why}`,
      ),
    ),
    ...lines(
      text.tellApart,
      sheet.tellApart.map((t) => `${t.question} ${t.answers.map((a) => a.text).join(' / ')}`),
    ),
    ...lines(
      text.after,
      sheet.after.map((a) => a.text),
    ),
  ];
}

function built({ builtFrom: from, builtTo: to }: Sheet['applies']): string {
  if (from && to) return text.builtBetween({ from, to });
  if (from) return text.builtFrom({ from });
  return to ? text.builtTo({ to }) : '';
}
