import { angleDisc } from '@stennet/core/drawing';
import type { Shop } from '@stennet/core/contract';
import { drawToScale, newDocument, type Doc } from './paper';
import { text } from './text';

const MARGIN = 36;

export interface Disc {
  anglesDeg: readonly number[];
  drive: string;
  /** The sheet that the angles are from; null for one from the bench. */
  sheet: { title: string; invented: boolean } | null;
}

/** A disc to read angles by, true to scale on either paper. */
export async function discPaper(
  { anglesDeg, drive, sheet }: Disc,
  shop: Shop,
  fonts: string,
): Promise<Doc> {
  const title = sheet ? text.discTitle({ sheet: sheet.title }) : text.disc;
  const doc = await newDocument(shop.paper, fonts, title);
  const width = doc.page.width - 2 * MARGIN;
  doc.font('bold').fontSize(15).fillColor('#000000').text(title, MARGIN, MARGIN, { width });
  doc.font('text').fontSize(10).text(text.discUse, { width });
  const drawing = angleDisc(anglesDeg, drive);
  drawToScale(doc, drawing, {
    x: (doc.page.width - drawing.width * MM) / 2,
    y: doc.page.height - MARGIN - drawing.height * MM + 8,
  });
  if (sheet?.invented)
    doc
      .font('bold')
      .fontSize(8)
      .text(text.invented, MARGIN, doc.page.height - MARGIN - 2, { width, height: 12 });
  doc.end();
  return doc;
}

const MM = 72 / 25.4;
