import { wrap, type Remote } from 'comlink';
import type { PagesWorker } from '@/workers/pages.worker';

/** A PDF that is leafed through; `close` gives its memory back. */
export interface OpenPdf {
  pages: number;
  page: (n: number) => Promise<Blob>;
  close: () => void;
}

/** @throws when it is no PDF, or one that is locked */
export async function openPdf(file: Blob): Promise<OpenPdf> {
  const worker = new Worker('/workers/pages.js');
  const read: Remote<PagesWorker> = wrap(worker);
  try {
    const pages = await read.open(await file.arrayBuffer());
    return { pages, page: (n) => read.page(n), close: () => worker.terminate() };
  } catch (error) {
    worker.terminate();
    throw error;
  }
}
