import { wrap } from 'comlink';
import type { BarcodeWorker } from '@/workers/barcode.worker';

/** What stands in the barcodes of a picture; nothing where none is found. */
export async function barcodesIn(picture: Blob): Promise<string[]> {
  const worker = new Worker('/workers/barcode.js');
  try {
    return await wrap<BarcodeWorker>(worker).read(picture);
  } finally {
    worker.terminate();
  }
}
