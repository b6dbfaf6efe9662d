import { runName, type FollowUp, type Order, type Shop } from '@stennet/core/contract';
import { happenedText } from '@stennet/core/record';
import { createFormatter, type Formatter } from '@stennet/core/quantity';
import type { After, Sheet } from '@stennet/core/procedure';
import { framedBlock, headingBlock, putColumn, rowBlock, textBlock, type Block } from './column';
import { newDocument, type Doc } from './paper';
import { text } from './text';

const MARGIN = 44;
const SIZE = 11;

export interface HandOverPaper {
  order: Order;
  sheets: readonly Sheet[];
  shop: Shop;
  fonts: string;
  now: Date;
}

/**
 * What the owner takes along: what was done, what is due and when, what not to do until then.
 */
export async function handOverPaper({
  order,
  sheets,
  shop,
  fonts,
  now,
}: HandOverPaper): Promise<Doc> {
  const title = text.handOverTitle({ number: order.number });
  const doc = await newDocument(shop.paper, fonts, title);
  const format = createFormatter(shop);
  const width = doc.page.width - 2 * MARGIN;
  const bottom = doc.page.height - MARGIN - 20;
  let blocks: readonly Block[] = blocksOf({ order, sheets, format, title });
  for (let first = true; first || blocks.length > 0; first = false) {
    if (!first) doc.addPage();
    blocks = putColumn(doc, blocks, { x: MARGIN, y: MARGIN, width, bottom }, SIZE);
    const isInvented = sheets.some((s) => s.invented);
    doc
      .font('text')
      .fontSize(8)
      .fillColor('#000000')
      .text(
        `${text.printedOn({ shop: shop.name, at: format.dateTime(now) })}  ${isInvented ? text.invented : text.prevail}`,
        MARGIN,
        doc.page.height - MARGIN - 10,
        { width, height: 20 },
      );
  }
  doc.end();
  return doc;
}

function blocksOf({
  order,
  sheets,
  format,
  title,
}: {
  order: Order;
  sheets: readonly Sheet[];
  format: Formatter;
  title: string;
}): Block[] {
  const { vehicle } = order;
  const after = sheets.flatMap((s) => s.after);
  const later = order.followUps.filter(
    (f) => f.kind === 'retighten' || f.kind === 'check' || f.kind === 'fluid',
  );
  return [
    textBlock(title, { face: 'bold', scale: 1.7 }),
    textBlock(
      `${text.handOverFor({ customer: order.customer })}  ·  ${vehicle.maker} ${vehicle.model}  ·  ${vehicle.plate}  ·  ${order.odometer ? `${order.odometer.value} ${order.odometer.unit}` : text.noOdometer}`,
    ),
    ...list(
      text.done,
      order.jobs.map((j) => j.title),
    ),
    ...(later.length > 0
      ? [headingBlock(text.later), ...later.map((f) => dueBlock(f, order, format))]
      : []),
    ...framed(text.limits, wordsOf(after, 'breakIn')),
    ...list(
      text.happened,
      order.jobs.flatMap((job) =>
        job.joints.flatMap((j) =>
          j.runs.flatMap((run) =>
            (run.standing.happened ?? []).map((h) => `${runName(j, run)}: ${happenedText(h)}`),
          ),
        ),
      ),
    ),
    ...list(
      text.fluids,
      order.entries.flatMap((e) =>
        e.body.kind === 'filled' ? [`${e.body.what}: ${e.body.amount}`] : [],
      ),
    ),
    ...list(text.advice, wordsOf(after, 'advice')),
    headingBlock(''),
    rowBlock([
      { share: 0.5, block: textBlock('______________________________') },
      { share: 0.5, block: textBlock('______________________________') },
    ]),
    rowBlock([
      { share: 0.5, block: textBlock(text.signTechnician) },
      { share: 0.5, block: textBlock(text.signCustomer) },
    ]),
  ];
}

const wordsOf = (after: readonly After[], kind: After['kind']): string[] => [
  ...new Set(after.flatMap((a) => (a.kind === kind ? [a.text] : []))),
];
const list = (heading: string, lines: readonly string[]): Block[] =>
  lines.length === 0 ? [] : [headingBlock(heading), ...lines.map((l) => textBlock(`–  ${l}`))];
const framed = (heading: string, lines: readonly string[]): Block[] =>
  lines.length === 0
    ? []
    : [framedBlock(textBlock([heading, ...lines].join('\n'), { face: 'bold' }))];

function dueBlock(f: FollowUp, { odometer }: Order, format: Formatter): Block {
  const when =
    f.state === 'open'
      ? text.expected({ day: format.day(f.dueOn) })
      : f.state === 'declined'
        ? text.declined({ note: f.note ?? '' })
        : text.settled;
  const km = distanceAt(f, odometer);
  const at =
    f.distanceKm === null ? '' : f.sinceKm === null ? text.afterKm({ km }) : text.atKm({ km });
  return rowBlock([
    { share: 0.62, block: textBlock(`–  ${f.text}`) },
    { share: 0.38, block: textBlock([when, at].filter(Boolean).join(', '), { face: 'bold' }) },
  ]);
}

/** The reading on the vehicle's own odometer. */
function distanceAt({ sinceKm, distanceKm }: FollowUp, odometer: Order['odometer']): string {
  const km = (sinceKm ?? 0) + (distanceKm ?? 0);
  return odometer?.unit === 'mi' ? `${Math.round(km / 1.609344)} mi` : `${Math.round(km)} km`;
}
