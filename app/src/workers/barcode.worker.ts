import { expose } from 'comlink';
import { prepareZXingModule, readBarcodes } from 'zxing-wasm/reader';

// The decoder comes from our own server, next to this file.
prepareZXingModule({ overrides: { locateFile: () => '/workers/zxing_reader.wasm' } });

const api = {
  /** Every text that a picture carries as Code 39, Code 128, QR code or Data Matrix. */
  async read(picture: Blob): Promise<string[]> {
    const found = await readBarcodes(picture, {
      formats: ['Code39', 'Code128', 'QRCode', 'DataMatrix'],
      tryHarder: true,
    });
    return found.filter((code) => code.isValid).map((code) => code.text);
  },
};
export type BarcodeWorker = typeof api;

expose(api);
