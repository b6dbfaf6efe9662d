import { expose } from 'comlink';
import { getDocument, type PDFDocumentProxy } from 'pdfjs-dist';
import type { Box, PrintedWord } from '@stennet/core/draft';
import { WorkerMessageHandler } from 'pdfjs-dist/build/pdf.worker.min.mjs';

// Read in this very worker: it is off the screen's thread as it is.
(globalThis as { pdfjsWorker?: unknown }).pdfjsWorker = { WorkerMessageHandler };

/** The longest side of a page that is drawn, in pixels: its small print can be read. */
const LONGEST_SIDE = 1600;

class Canvases {
  create(width: number, height: number) {
    const canvas = new OffscreenCanvas(Math.max(1, width), Math.max(1, height));
    return { canvas, context: canvas.getContext('2d') };
  }
  reset({ canvas }: { canvas: OffscreenCanvas }, width: number, height: number): void {
    canvas.width = width;
    canvas.height = height;
  }
  destroy({ canvas }: { canvas: OffscreenCanvas }): void {
    canvas.width = 0;
    canvas.height = 0;
  }
}
/** Filters want a document; a manual's page is drawn without them. */
class NoFilters {
  addFilter = (): string => 'none';
  addHCMFilter = (): string => 'none';
  addAlphaFilter = (): string => 'none';
  addLuminosityFilter = (): string => 'none';
  addHighlightHCMFilter = (): string => 'none';
  destroy(): void {}
}

/** A printed run of letters as words, each by its share of the whole. */
function wordsIn(text: string, { x, y, width, height }: Box): PrintedWord[] {
  const letter = width / Math.max(1, text.length);
  return [...text.matchAll(/\S+/g)].map((m) => ({
    text: m[0],
    x: x + m.index * letter,
    y,
    width: m[0].length * letter,
    height,
  }));
}

let open: PDFDocumentProxy | null = null;

const api = {
  /** @returns how many pages it has */
  async open(pdf: ArrayBuffer): Promise<number> {
    open = await getDocument({
      data: new Uint8Array(pdf),
      CanvasFactory: Canvases,
      FilterFactory: NoFilters,
      disableFontFace: true,
      useSystemFonts: false,
      useWasm: false,
      isEvalSupported: false,
      standardFontDataUrl: '/workers/fonts/',
    }).promise;
    return open.numPages;
  },
  /** What is printed on a page, placed as it is drawn; nothing of a page that is one picture. */
  async words(n: number): Promise<PrintedWord[]> {
    if (!open) throw new Error('no document is open');
    const page = await open.getPage(n);
    const { width, height } = page.getViewport({ scale: 1 });
    const scale = LONGEST_SIDE / Math.max(width, height);
    const { items } = await page.getTextContent();
    return items.flatMap((item) => {
      if (!('str' in item)) return [];
      const [, , , size, x, y] = item.transform as number[];
      const tall = Math.abs(size ?? 0) * scale;
      const at = { x: (x ?? 0) * scale, y: (height - (y ?? 0)) * scale - tall, height: tall };
      return wordsIn(item.str, { ...at, width: item.width * scale });
    });
  },
  /** Draws a page, the first one is 1. */
  async page(n: number): Promise<Blob> {
    if (!open) throw new Error('no document is open');
    const page = await open.getPage(n);
    const { width, height } = page.getViewport({ scale: 1 });
    const viewport = page.getViewport({ scale: LONGEST_SIDE / Math.max(width, height) });
    const canvas = new OffscreenCanvas(Math.round(viewport.width), Math.round(viewport.height));
    await page.render({ canvas: canvas as unknown as HTMLCanvasElement, viewport }).promise;
    return canvas.convertToBlob({ type: 'image/jpeg', quality: 0.9 });
  },
};
export type PagesWorker = typeof api;

expose(api);
