// The file that a backup is: a tar of plain files, each named with its hash in a manifest that the
// shops' keys have signed; with a passphrase, all of it encrypted (age, scrypt recipient).
import { createHash, createPrivateKey, createPublicKey, sign, verify } from 'node:crypto';
import fs from 'node:fs';
import path from 'node:path';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import * as age from 'age-encryption';
import tar from 'tar-stream';
import { Refusal } from './install.mjs';

const OWN = /^(tables\/[a-z_]+\.csv|keys\/[0-9a-f-]{36}\.(pem|journal))$/;
const AGE = 'age-encryption.org/v1';
const MANIFEST = 'manifest.json';
const SIGNED = 'manifest.signatures.json';

const sha256 = (file) => createHash('sha256').update(fs.readFileSync(file)).digest('hex');
const rawOf = (key) => Buffer.from(key.export({ format: 'jwk' }).x, 'base64url').toString('base64');

/** The public half of each shop's key in a folder, by shop. */
export function publicKeys(folder) {
  const files = fs.existsSync(folder)
    ? fs.readdirSync(folder).filter((name) => name.endsWith('.pem'))
    : [];
  return Object.fromEntries(
    files.map((name) => [
      name.slice(0, -4),
      rawOf(createPublicKey(createPrivateKey(fs.readFileSync(path.join(folder, name))))),
    ]),
  );
}

/** @param more what else the manifest says */
export async function pack(folder, target, more, passphrase) {
  const names = ['tables', 'keys'].flatMap((sub) =>
    fs.readdirSync(path.join(folder, sub)).map((name) => `${sub}/${name}`),
  );
  const manifest = {
    format: 'stennet-backup',
    v: 2,
    madeAt: new Date().toISOString(),
    ...more,
    files: Object.fromEntries(names.map((n) => [n, sha256(path.join(folder, n))])),
  };
  const text = JSON.stringify(manifest, null, 1);
  const signatures = names
    .filter((n) => n.endsWith('.pem'))
    .map((n) => {
      const key = createPrivateKey(fs.readFileSync(path.join(folder, n)));
      return {
        key: rawOf(createPublicKey(key)),
        signature: sign(null, Buffer.from(text), key).toString('base64'),
      };
    });
  const archive = tar.pack();
  const fill = async () => {
    archive.entry({ name: MANIFEST, mode: 0o600 }, text);
    archive.entry({ name: SIGNED, mode: 0o600 }, JSON.stringify(signatures));
    for (const name of names) {
      const file = path.join(folder, name);
      await pipeline(
        fs.createReadStream(file),
        archive.entry({ name, mode: 0o600, size: fs.statSync(file).size }),
      );
    }
    archive.finalize();
  };
  // Beside it and renamed when whole: a copy that was cut off never looks like one. Its owner's
  // alone from the first byte.
  const half = `${target}.making`;
  fs.rmSync(half, { force: true });
  try {
    const out = fs.createWriteStream(half, { mode: 0o600, flags: 'wx' });
    await Promise.all([
      fill(),
      pipeline(passphrase ? await encrypted(archive, passphrase) : archive, out),
    ]);
    fs.renameSync(half, target);
  } finally {
    fs.rmSync(half, { force: true });
  }
}

async function encrypted(stream, passphrase) {
  const encrypter = new age.Encrypter();
  encrypter.setPassphrase(passphrase);
  return Readable.fromWeb(await encrypter.encrypt(Readable.toWeb(Readable.from(stream))));
}

export function isEncrypted(file) {
  const head = Buffer.alloc(AGE.length);
  const fd = fs.openSync(file, 'r');
  fs.readSync(fd, head);
  fs.closeSync(fd);
  return head.toString() === AGE;
}

async function opened(file, passphrase) {
  const stream = fs.createReadStream(file);
  if (!isEncrypted(file)) return stream;
  const decrypter = new age.Decrypter();
  decrypter.addPassphrase(passphrase);
  return Readable.fromWeb(await decrypter.decrypt(Readable.toWeb(stream)));
}

/**
 * Plain files only, each named in the manifest and with that hash, and the manifest signed by every
 * key that comes with it.
 * @returns what the manifest says
 */
export async function unpack(file, folder, passphrase) {
  const damaged = (why) =>
    new Refusal(`${file} is damaged or not a Stennet backup: ${why}. Nothing was replaced.`);
  for (const sub of ['tables', 'keys']) fs.mkdirSync(path.join(folder, sub), { mode: 0o700 });
  const extract = tar.extract();
  const write = async (header, content) => {
    const isKnown =
      header.type === 'file' &&
      (OWN.test(header.name) || header.name === MANIFEST || header.name === SIGNED);
    if (!isKnown) throw damaged(`it holds “${header.name}”, which a backup does not`);
    await pipeline(
      content,
      fs.createWriteStream(path.join(folder, header.name), { mode: 0o600, flags: 'wx' }),
    );
  };
  const read = async () => {
    for await (const entry of extract) await write(entry.header, entry);
  };
  try {
    await Promise.all([pipeline(await opened(file, passphrase), extract), read()]);
  } catch (error) {
    if (error instanceof Refusal) throw error;
    throw damaged(
      isEncrypted(file) ? 'it does not open with this passphrase' : 'it cannot be unpacked',
    );
  }
  const textOf = (name) =>
    fs.existsSync(path.join(folder, name)) ? fs.readFileSync(path.join(folder, name), 'utf8') : '';
  const text = textOf(MANIFEST);
  const manifest = parsed(text);
  if (manifest?.format !== 'stennet-backup') throw damaged('there is no manifest in it');
  if (manifest.v !== 2)
    throw new Refusal(
      `${file} is from an earlier version and cannot be read here. Restore it with that version, then update.`,
    );
  const there = ['tables', 'keys'].flatMap((sub) =>
    fs.readdirSync(path.join(folder, sub)).map((name) => `${sub}/${name}`),
  );
  const off = [...new Set([...there, ...Object.keys(manifest.files)])].find(
    (n) => !there.includes(n) || manifest.files[n] !== sha256(path.join(folder, n)),
  );
  if (off) throw damaged(`${off} is not what it was`);
  const signatures = parsed(textOf(SIGNED)) ?? [];
  if (
    Object.values(publicKeys(path.join(folder, 'keys'))).some(
      (key) => !signatures.some((s) => s.key === key && fits(key, text, s.signature)),
    )
  )
    throw damaged('its manifest is not signed with the keys in it');
  return manifest;
}

const fits = (key, text, signature) =>
  verify(
    null,
    Buffer.from(text),
    createPublicKey({
      key: { kty: 'OKP', crv: 'Ed25519', x: Buffer.from(key, 'base64').toString('base64url') },
      format: 'jwk',
    }),
    Buffer.from(signature, 'base64'),
  );

function parsed(text) {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}
