import {
  createHash,
  createPrivateKey,
  createPublicKey,
  generateKeyPairSync,
  randomUUID,
  sign,
  verify,
  type KeyObject,
} from 'node:crypto';
import fs from 'node:fs';
import path from 'node:path';
import { AppError } from '@stennet/core/errors';
import { hashWith } from '@stennet/core/record';

// Whatever seals or checks comes by here.
hashWith((text) => createHash('sha256').update(text).digest('hex'));

/** What a shop signs its records with (Ed25519, RFC 8032). */
export interface ShopKey {
  /** Raw public key, base64. */
  publicKey: string;
  fingerprint: string;
  sign: (text: string) => string;
  fits: (text: string, signature: string) => boolean;
}
export interface Keys {
  /** Where they lie. */
  folder: string;
  /** @throws AppError KEY_MISSING */
  of: (shop: string) => ShopKey;
  /** For a shop that has not sealed anything yet: its key, made if there is none. */
  make: (shop: string) => ShopKey;
}

/**
 * Keys lie in a folder outside the database, one file a shop: someone who can write to the database
 * cannot make a seal. Several servers share the folder; whichever is first makes the key.
 */
export function keysIn(folder: string): Keys {
  const known = new Map<string, ShopKey>();
  const of = (shop: string): ShopKey => {
    const key = known.get(shop) ?? read(keyFile(folder, shop));
    known.set(shop, key);
    return key;
  };
  return {
    folder,
    of,
    make: (shop) => {
      if (!fs.existsSync(keyFile(folder, shop))) make(keyFile(folder, shop));
      return of(shop);
    },
  };
}

export const keyFile = (folder: string, shop: string): string => path.join(folder, `${shop}.pem`);

function read(file: string): ShopKey {
  if (!fs.existsSync(file)) throw new AppError('KEY_MISSING');
  const privateKey = createPrivateKey(fs.readFileSync(file, 'utf8'));
  const publicKey = rawOf(createPublicKey(privateKey));
  const fits = fitsKey(publicKey);
  return {
    publicKey,
    fingerprint: fingerprintOf(publicKey),
    sign: (text) => sign(null, Buffer.from(text, 'utf8'), privateKey).toString('base64'),
    fits,
  };
}

/** Written beside and linked into place: a second server finds it whole or not at all. */
function make(file: string): void {
  const folder = path.dirname(file);
  fs.mkdirSync(folder, { recursive: true, mode: 0o700 });
  const { privateKey } = generateKeyPairSync('ed25519');
  const fresh = `${file}.${randomUUID()}`;
  fs.writeFileSync(fresh, privateKey.export({ type: 'pkcs8', format: 'pem' }), { mode: 0o600 });
  // Made by root for a server that is not: the key belongs to the folder's owner.
  const owner = fs.statSync(folder);
  if (process.getuid?.() === 0) fs.chownSync(fresh, owner.uid, owner.gid);
  try {
    fs.linkSync(fresh, file);
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code !== 'EEXIST') throw error;
  } finally {
    fs.rmSync(fresh);
  }
}

const rawOf = (key: KeyObject): string =>
  Buffer.from(key.export({ format: 'jwk' }).x ?? '', 'base64url').toString('base64');

/** As it stands on paper: SHA-256 of the raw key, its first 32 digits in groups of four. */
export const fingerprintOf = (publicKey: string): string =>
  (
    createHash('sha256')
      .update(Buffer.from(publicKey, 'base64'))
      .digest('hex')
      .slice(0, 32)
      .match(/.{4}/g) ?? []
  ).join(' ');

/**
 * Whether a text was signed with the key of this public half; a broken key or signature fits
 * nothing.
 */
export function fitsKey(publicKey: string): (text: string, signature: string) => boolean {
  let key: KeyObject;
  try {
    key = createPublicKey({
      key: {
        kty: 'OKP',
        crv: 'Ed25519',
        x: Buffer.from(publicKey, 'base64').toString('base64url'),
      },
      format: 'jwk',
    });
  } catch {
    return () => false;
  }
  return (text, signature) =>
    verify(null, Buffer.from(text, 'utf8'), key, Buffer.from(signature, 'base64'));
}
