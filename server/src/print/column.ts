import { draw, type Doc, type Face } from './paper';
import type { Drawing } from '@stennet/core/drawing';

/** One thing in a column: how high it is at a size of type, and how it is put there. */
export interface Block {
  height: (doc: Doc, width: number, size: number) => number;
  put: (doc: Doc, x: number, y: number, width: number, size: number) => void;
  /** Said again above it where it begins a page: the head of its table. */
  under?: Block;
  /** Never the last thing on a page. */
  leads?: boolean;
}

interface TextStyle {
  face?: Face;
  /** Against the size of the running text. */
  scale?: number;
  before?: number;
  align?: 'left' | 'center';
}

export function textBlock(
  text: string,
  { face = 'text', scale = 1, before = 0, align = 'left' }: TextStyle = {},
): Block {
  const style = (doc: Doc, size: number): Doc => doc.font(face).fontSize(size * scale);
  const options = (width: number, size: number): PDFKit.Mixins.TextOptions => ({
    width,
    align,
    lineGap: size * 0.12,
  });
  return {
    height: (doc, width, size) =>
      style(doc, size).heightOfString(text, options(width, size)) + before * size,
    put: (doc, x, y, width, size) =>
      void style(doc, size)
        .fillColor('#000000')
        .text(text, x, y + before * size, options(width, size)),
  };
}

export const headingBlock = (text: string): Block => ({
  ...textBlock(text, { face: 'bold', scale: 1.12, before: 0.8 }),
  leads: true,
});

export function drawingBlock(drawing: Drawing, heightPerSize: number): Block {
  return {
    height: (_doc, _width, size) => heightPerSize * size,
    put: (doc, x, y, width, size) =>
      draw(doc, drawing, { x, y, width, height: heightPerSize * size }),
  };
}

/** Side by side in fixed shares of the width. */
export function rowBlock(cells: readonly { share: number; block: Block }[], gap = 0.6): Block {
  return {
    height: (doc, width, size) =>
      Math.max(...cells.map((c) => c.block.height(doc, width * c.share - gap * size, size))),
    put: (doc, x, y, width, size) => {
      let left = x;
      for (const { share, block } of cells) {
        block.put(doc, left, y, width * share - gap * size, size);
        left += width * share;
      }
    },
  };
}

/** Framed: what must not be overlooked. */
export function framedBlock(inner: Block): Block {
  const pad = 0.5;
  return {
    height: (doc, width, size) =>
      inner.height(doc, width - 2 * pad * size, size) + (2 * pad + 0.8) * size,
    put: (doc, x, y, width, size) => {
      const high = inner.height(doc, width - 2 * pad * size, size) + 2 * pad * size;
      doc
        .lineWidth(1.4)
        .rect(x, y + 0.8 * size, width, high)
        .stroke('#000000');
      inner.put(doc, x + pad * size, y + (pad + 0.8) * size, width - 2 * pad * size, size);
    },
  };
}

export const heightOf = (doc: Doc, blocks: readonly Block[], width: number, size: number): number =>
  blocks.reduce((sum, b) => sum + b.height(doc, width, size) + size * 0.25, 0);

/**
 * Puts blocks under each other until one does not fit. @returns those that are left, with the head
 * of a broken table before them
 */
export function putColumn(
  doc: Doc,
  blocks: readonly Block[],
  at: { x: number; y: number; width: number; bottom: number },
  size: number,
): readonly Block[] {
  let y = at.y;
  for (const [i, block] of blocks.entries()) {
    const high = block.height(doc, at.width, size);
    const needed = high + (block.leads ? (blocks[i + 1]?.height(doc, at.width, size) ?? 0) : 0);
    const isFirst = i === 0 || (i === 1 && blocks[0] === block.under);
    if (y + needed > at.bottom && !isFirst)
      return [...(block.under ? [block.under] : []), ...blocks.slice(i)];
    block.put(doc, at.x, y, at.width, size);
    y += high + size * 0.25;
  }
  return [];
}
