import { PART_STATE_TEXT } from '@stennet/core/order';
import type { PartLine } from '@stennet/core/prepare';
import type { Order, Shop } from '@stennet/core/contract';
import { createFormatter } from '@stennet/core/quantity';
import { headingBlock, putColumn, rowBlock, textBlock, type Block } from './column';
import { newDocument, type Doc } from './paper';
import { text } from './text';

const MARGIN = 36;
const SIZE = 9.5;

export interface PartsPaper {
  order: Order;
  lines: readonly PartLine[];
  shop: Shop;
  fonts: string;
  now: Date;
}

/** What is ordered and laid out for a repair order, job by job. */
export async function partsPaper({ order, lines, shop, fonts, now }: PartsPaper): Promise<Doc> {
  const title = text.partsTitle({ number: order.number });
  const doc = await newDocument(shop.paper, fonts, title);
  const format = createFormatter(shop);
  const width = doc.page.width - 2 * MARGIN;
  const bottom = doc.page.height - MARGIN - 16;
  const { vehicle } = order;
  let blocks: readonly Block[] = [
    textBlock(title, { face: 'bold', scale: 1.8 }),
    textBlock(
      `${vehicle.maker} ${vehicle.model}, ${vehicle.engine}  ·  ${vehicle.plate}  ·  ${vehicle.vin}  ·  ${text.builtOn({ day: vehicle.built })}`,
    ),
    ...order.jobs.flatMap((job) => {
      const own = lines.filter((l) => l.job === job.id);
      return own.length === 0
        ? []
        : [
            headingBlock(job.title),
            row([text.part, text.count, text.state, text.number, text.price], true),
            ...own.map((l) => lineOf(l, format.price)),
          ];
    }),
  ];
  for (let first = true; first || blocks.length > 0; first = false) {
    if (!first) doc.addPage();
    blocks = putColumn(doc, blocks, { x: MARGIN, y: MARGIN, width, bottom }, SIZE);
    doc
      .font('text')
      .fontSize(7)
      .fillColor('#000000')
      .text(
        `${text.printedOn({ shop: shop.name, at: format.dateTime(now) })}  ${text.prevail}`,
        MARGIN,
        doc.page.height - MARGIN - 8,
        { width, height: 16 },
      );
  }
  doc.end();
  return doc;
}

const SHARES = [0.46, 0.08, 0.16, 0.2, 0.1];
function row(cells: readonly string[], bold = false): Block {
  return rowBlock(
    cells.map((cell, i) => ({
      share: SHARES[i] ?? 0.1,
      block: textBlock(cell, bold ? { face: 'bold' } : {}),
    })),
  );
}

function lineOf({ need, jointName, entry }: PartLine, price: (cents: number) => string): Block {
  const part = entry?.body;
  const state = part ? PART_STATE_TEXT[part.state] : text.needs[need.need];
  const words = jointName ? `${need.what} (${jointName})` : need.what;
  const from = [part?.number, part?.lot && text.lot({ lot: part.lot })].filter(Boolean).join(', ');
  return row([
    words,
    `${need.count}`,
    state,
    from,
    part?.cents === undefined ? '' : price(part.cents),
  ]);
}
