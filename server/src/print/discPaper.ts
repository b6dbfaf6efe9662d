import { angleDisc } from '@stennet/core/drawing';
import type { Shop } from '@stennet/core/contract';
import { anglesOf, type Sheet } from '@stennet/core/procedure';
import { drawToScale, newDocument, type Doc } from './paper';
import { text } from './text';

const MARGIN = 36;

/** A disc to read this sheet's angles by, true to scale on either paper. */
export function discPaper(sheet: Sheet, drive: string, shop: Shop, fonts: string): Doc {
  const doc = newDocument(shop.paper, fonts, text.discTitle({ sheet: sheet.title }));
  const width = doc.page.width - 2 * MARGIN;
  doc
    .font('bold')
    .fontSize(15)
    .fillColor('#000000')
    .text(text.discTitle({ sheet: sheet.title }), MARGIN, MARGIN, { width });
  doc.font('text').fontSize(10).text(text.discUse, { width });
  const drawing = angleDisc(anglesOf(sheet), drive);
  drawToScale(doc, drawing, {
    x: (doc.page.width - drawing.width * MM) / 2,
    y: doc.page.height - MARGIN - drawing.height * MM + 8,
  });
  if (sheet.invented)
    doc
      .font('bold')
      .fontSize(8)
      .text(text.invented, MARGIN, doc.page.height - MARGIN - 2, { width, height: 12 });
  doc.end();
  return doc;
}

const MM = 72 / 25.4;
