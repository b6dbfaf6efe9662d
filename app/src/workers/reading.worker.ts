import { expose } from 'comlink';
import { createWorker, OEM } from 'tesseract.js';
import type { PrintedWord } from '@stennet/core/draft';

/** What it is made of ships with the app: nothing is fetched from anywhere else. */
const SHIPPED = new URL('/workers/reading', self.location.origin).href;
/** Surer than this that it is a word, of 100: below it is dirt or a drawing. */
const SURE = 30;

const api = {
  /** The words on a picture, with their places in its pixels. */
  async read(picture: Blob): Promise<PrintedWord[]> {
    const reader = await createWorker('eng', OEM.LSTM_ONLY, {
      workerPath: `${SHIPPED}/worker.min.js`,
      corePath: `${SHIPPED}/tesseract-core-simd-lstm.wasm.js`,
      langPath: SHIPPED,
      workerBlobURL: false,
      cacheMethod: 'none',
    });
    try {
      const { data } = await reader.recognize(picture, {}, { blocks: true, text: false });
      return (data.blocks ?? [])
        .flatMap((b) => b.paragraphs.flatMap((p) => p.lines.flatMap((l) => l.words)))
        .filter((w) => w.confidence >= SURE && w.text.trim() !== '')
        .map(({ text, bbox: { x0, y0, x1, y1 } }) => ({
          text,
          x: x0,
          y: y0,
          width: x1 - x0,
          height: y1 - y0,
        }));
    } finally {
      await reader.terminate();
    }
  },
};
export type ReadingWorker = typeof api;

expose(api);
