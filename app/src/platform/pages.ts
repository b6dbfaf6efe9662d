import { wrap, type Remote } from 'comlink';
import type { PagesWorker } from '@/workers/pages.worker';
import type { ReadingWorker } from '@/workers/reading.worker';

/** What is printed on a page, word by word with its place. */
type Words = Awaited<ReturnType<ReadingWorker['read']>>;

/** A PDF that is leafed through; `close` gives its memory back. */
export interface OpenPdf {
  pages: number;
  page: (n: number) => Promise<Blob>;
  words: (n: number) => Promise<Words>;
  close: () => void;
}

/** @throws when it is no PDF, or one that is locked */
export async function openPdf(file: Blob): Promise<OpenPdf> {
  const worker = new Worker('/workers/pages.js');
  const read: Remote<PagesWorker> = wrap(worker);
  try {
    const pages = await read.open(await file.arrayBuffer());
    return {
      pages,
      page: (n) => read.page(n),
      words: (n) => read.words(n),
      close: () => worker.terminate(),
    };
  } catch (error) {
    worker.terminate();
    throw error;
  }
}

/**
 * The words on a photographed page. Takes seconds: off the screen's thread, on this device.
 * @throws when the picture cannot be read
 */
export async function readPicture(picture: Blob): Promise<Words> {
  const worker = new Worker('/workers/reading.js');
  const failed = new Promise<never>((_done, fail) => {
    worker.onerror = (e) => fail(new Error(e.message));
  });
  try {
    return await Promise.race([(wrap(worker) as Remote<ReadingWorker>).read(picture), failed]);
  } finally {
    worker.terminate();
  }
}
