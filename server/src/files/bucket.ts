import { AwsClient } from 'aws4fetch';
import { AppError } from '@stennet/core/errors';
import type { Files } from './files';

/** A bucket of a store that speaks S3's protocol. */
export interface Bucket {
  /** Of the bucket itself: https://store.example/bucket. */
  url: string;
  region: string;
  keyId: string;
  secret: string;
}

const PATIENCE_MS = 10_000;

/** Every object under the shop's id, by the same names as in a folder. */
export function filesAt({ url, region, keyId, secret }: Bucket): Files {
  const client = new AwsClient({
    accessKeyId: keyId,
    secretAccessKey: secret,
    service: 's3',
    region,
    retries: 2,
  });
  const ask = (shop: string, name: string, init: RequestInit): Promise<Response> =>
    client
      .fetch(`${url}/${shop}/${name}`, { ...init, signal: AbortSignal.timeout(PATIENCE_MS) })
      .catch(() => {
        throw new AppError('OFFLINE');
      });
  return {
    put: async (shop, name, bytes) => {
      const reply = await ask(shop, name, { method: 'PUT', body: new Uint8Array(bytes) });
      if (!reply.ok) throw refusalOf(reply);
    },
    get: async (shop, name) => {
      const reply = await ask(shop, name, { method: 'GET' });
      if (reply.status === 404) return null;
      if (!reply.ok) throw refusalOf(reply);
      return Buffer.from(await reply.arrayBuffer());
    },
  };
}

/** A store that is busy or away may come back; one that refuses us is set up wrongly. */
const refusalOf = ({ status }: Response): Error =>
  status >= 500 || status === 429
    ? new AppError('OFFLINE')
    : new Error(`the store of files answered ${status}`);
