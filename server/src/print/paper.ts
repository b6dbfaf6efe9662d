import fs from 'node:fs';
import path from 'node:path';
import type { Drawing, Ink, Shape } from '@stennet/core/drawing';

export type Doc = PDFKit.PDFDocument;

/** Black and white safe: status is shape, never color. */
const INKS: Record<Exclude<Ink, 'none'>, string> = {
  part: '#ececec',
  partEdge: '#777777',
  opening: '#d6d6d6',
  head: '#ffffff',
  headEdge: '#333333',
  paint: '#000000',
  brand: '#000000',
  brandSoft: '#e0e0e0',
  ink: '#000000',
  quiet: '#444444',
  paper: '#ffffff',
  warn: '#000000',
};
const colour = (ink: Ink): string | null => (ink === 'none' ? null : INKS[ink]);

const FILES = { text: 'next-regular.ttf', bold: 'next-bold.ttf', mono: 'mono-bold.ttf' } as const;
export type Face = keyof typeof FILES;

/**
 * An empty document of the shop's paper, with the product's own fonts. What makes it is loaded with
 * the first one: a server starts the sooner.
 */
export async function newDocument(
  paper: 'A4' | 'Letter',
  fonts: string,
  title: string,
): Promise<Doc> {
  const { default: PDFDocument } = await import('pdfkit');
  const doc = new PDFDocument({
    size: paper === 'A4' ? 'A4' : 'LETTER',
    margin: 0,
    autoFirstPage: true,
    info: { Title: title, Creator: 'Stennet' },
  });
  for (const [face, file] of Object.entries(FILES))
    doc.registerFont(face, fs.readFileSync(path.join(fonts, file)));
  return doc;
}

/**
 * Draws a drawing into a box, as large as it fits, in the middle. The shapes are those of the
 * screen.
 */
export function draw(
  doc: Doc,
  drawing: Drawing,
  box: { x: number; y: number; width: number; height: number },
): void {
  const scale = Math.min(box.width / drawing.width, box.height / drawing.height);
  put(doc, drawing, scale, {
    x: box.x + (box.width - drawing.width * scale) / 2,
    y: box.y + (box.height - drawing.height * scale) / 2,
  });
}

/** Draws a drawing whose unit is a millimetre, one to one. */
export function drawToScale(doc: Doc, drawing: Drawing, at: { x: number; y: number }): void {
  put(doc, drawing, 72 / 25.4, at);
}

function put(doc: Doc, drawing: Drawing, scale: number, at: { x: number; y: number }): void {
  doc.save();
  doc.translate(at.x, at.y).scale(scale).translate(-drawing.x, -drawing.y);
  for (const shape of drawing.shapes) drawShape(doc, shape);
  doc.restore();
}

function drawShape(doc: Doc, shape: Shape): void {
  if (shape.kind === 'text') {
    doc.font(shape.mono ? 'mono' : shape.bold ? 'bold' : 'text').fontSize(shape.size);
    // The fonts have no arrows.
    const words = shape.text.replace('←', '‹').replace('→', '›');
    const width = doc.widthOfString(words);
    const x =
      shape.anchor === 'middle'
        ? shape.x - width / 2
        : shape.anchor === 'end'
          ? shape.x - width
          : shape.x;
    doc
      .fillColor(colour(shape.ink) ?? '#000000')
      .text(words, x, shape.y, { lineBreak: false, baseline: 'alphabetic' });
    return;
  }
  const fill = colour(shape.fill);
  const stroke = shape.width > 0 ? colour(shape.stroke) : null;
  if (!fill && !stroke) return;
  if (shape.kind === 'circle') doc.circle(shape.x, shape.y, shape.r);
  else {
    doc
      .path(shape.d)
      .lineJoin('round')
      .lineCap(shape.round ? 'round' : 'butt');
    if (shape.dash) doc.dash(shape.dash[0] ?? 1, { space: shape.dash[1] ?? shape.dash[0] ?? 1 });
  }
  doc.lineWidth(shape.width);
  if (fill && stroke) doc.fillAndStroke(fill, stroke);
  else if (fill) doc.fill(fill);
  else if (stroke) doc.stroke(stroke);
  doc.undash();
}
