import QRCode from 'qrcode';
import { curvesOf } from './recordCurves';
import { fillsOf } from './recordTable';
import { createFormatter, type Formatter } from '@stennet/core/quantity';
import { runRecord } from '@stennet/core/record';
import { framedBlock, headingBlock, putColumn, rowBlock, textBlock, type Block } from './column';
import { newDocument, type Doc } from './paper';
import { text } from './text';
import {
  odometer,
  summary,
  mapBlock,
  facts,
  lists,
  lineBlock,
  imageBlock,
  listOf,
  pullLines,
  SIZE,
  type RecordPaper,
  MARGIN,
} from './recordBlocks';

/**
 * A record on paper: what to know first, then the map, every value, who did it with what, and the
 * signatures.
 */
export async function recordPaper(paper: RecordPaper): Promise<Doc> {
  const { file, shop, fonts, now } = paper;
  const title = text.recordTitle({ number: file.order.number });
  const doc = await newDocument(shop.paper, fonts, title);
  const format = createFormatter(shop);
  const width = doc.page.width - 2 * MARGIN;
  const bottom = doc.page.height - MARGIN - 22;
  const head = file.chain.at(-1)?.hash ?? '';
  const code = await QRCode.toBuffer(JSON.stringify({ stennet: 1, run: file.run.id, head }), {
    errorCorrectionLevel: 'M',
    margin: 1,
    width: 240,
  });
  const record = runRecord(file.sheet, paper.events);
  const curves = await curvesOf(file.sheet, record, paper.traces, format);
  let blocks: readonly Block[] = blocksOf(paper, format, { code, head, curves });
  for (let page = 1; page === 1 || blocks.length > 0; page += 1) {
    if (page > 1) doc.addPage();
    blocks = putColumn(doc, blocks, { x: MARGIN, y: MARGIN, width, bottom }, SIZE);
    const foot = `${text.printedOn({ shop: shop.name, at: format.dateTime(now) })}  ${file.sheet.invented ? text.invented : text.prevail}  ${text.pageOf({ page, number: file.order.number, head: head.slice(0, 12) })}`;
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
    textBlock(text.recordTitle({ number: file.order.number }), { face: 'bold', scale: 1.9 }),
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
    textBlock(text.chain({ n: events.length, head, fingerprint: file.shop.fingerprint }), {
      scale: 0.8,
    }),
    ...listOf(text.everyPull, pullLines(record, file, format), 0.8),
  ];
}
