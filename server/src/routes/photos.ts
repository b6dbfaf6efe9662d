import { createHash } from 'node:crypto';
import express, { type Express } from 'express';
import * as v from 'valibot';
import { PieceQuery } from '@stennet/core/contract';
import { AppError } from '@stennet/core/errors';
import type { Client } from '../db/database';
import { deletePieces, findPhoto, insertPhoto, insertPiece, listPieces } from '../db/photos';
import { photoFile, type Shelf } from '../files/files';
import { namesIn, register, requirePerson, shelfFor, type Deps } from '../http/serve';
import type { Session } from '../http/session';

const PIECE_BYTES = 262_144;
const LONGEST_SIDE = 1600;
const LEFT_LYING_MS = 2 * 86_400_000;
/** No one photographs a bolt with more; a picture that claims more is a bomb. */
const MOST_PIXELS = 60_000_000;

/**
 * Photos come in pieces, named by the hash of what is sent, so that a bad network goes on where it
 * stopped. When all is there it is drawn again: smaller, as JPEG, without where and when it was
 * taken. What is kept is named by its own hash.
 */
export function photoRoutes(app: Express, deps: Deps): void {
  app.post(
    '/api/photos/:photo',
    express.raw({ type: 'application/octet-stream', limit: PIECE_BYTES, inflate: false }),
  );
  register(app, 'photoPiece', async (req, res) => {
    const session = await requirePerson(deps, 'photoPiece', req);
    const { photo: sent = '' } = namesIn(req);
    const asked = v.safeParse(PieceQuery, req.query);
    if (!asked.success || !Buffer.isBuffer(req.body))
      throw new AppError('BAD_REQUEST', { where: 'piece of a photo' });
    const { start, size } = asked.output;
    const piece = req.body;
    if (start + piece.length > size)
      throw new AppError('BAD_REQUEST', { where: 'piece of a photo' });
    const whole = await deps.db.inShop(session.shop.id, (client) =>
      gather(client, session, sent, { start, piece, size }, deps.now()),
    );
    if (typeof whole === 'number')
      return void res.json({ have: whole, photo: null, width: 0, height: 0 });
    if (createHash('sha256').update(whole).digest('hex') !== sent) {
      await deps.db.inShop(session.shop.id, (client) =>
        deletePieces(client, sent, session.person.id, new Date(0)),
      );
      throw new AppError('PHOTO_BROKEN');
    }
    const kept = await redrawn(whole);
    await keep(deps, session, sent, kept);
    res.json({ have: size, photo: kept.photo, width: kept.width, height: kept.height });
  });

  register(app, 'photo', async (req, res) => {
    const session = await requirePerson(deps, 'photo', req);
    const { photo = '' } = namesIn(req);
    const bytes = await deps.db.lookInShop(session.shop.id, (client) =>
      photoIn(client, shelfFor(deps, session), photo),
    );
    if (!bytes) throw new AppError('NOT_FOUND');
    res.set('Content-Type', 'image/jpeg');
    // The address is the content, so it never becomes another picture; whether it may be seen is
    // asked each time.
    res.set('Cache-Control', 'private, no-cache').set('ETag', `"${photo}"`);
    res.send(bytes);
  });
}

/** On the shelf where there is one, before its row says so. */
async function keep(deps: Deps, session: Session, sent: string, kept: Redrawn): Promise<void> {
  const shelf = shelfFor(deps, session);
  await shelf?.put(photoFile(kept.photo), kept.bytes);
  await deps.db.inShop(session.shop.id, async (client) => {
    await insertPhoto(
      client,
      session.shop.id,
      kept.photo,
      shelf ? null : kept.bytes,
      kept.width,
      kept.height,
      session.person.id,
      deps.now(),
    );
    await deletePieces(
      client,
      sent,
      session.person.id,
      new Date(deps.now().getTime() - LEFT_LYING_MS),
    );
  });
}

/** null: there is none. */
export async function photoIn(
  client: Client,
  shelf: Shelf | null,
  photo: string,
): Promise<Buffer | null> {
  const [row] = await findPhoto(client, photo);
  if (!row) return null;
  return row.bytes ?? (await shelf?.get(photoFile(photo))) ?? null;
}

/** @returns all bytes, or how many there are from the beginning without a gap */
async function gather(
  client: Client,
  session: Session,
  sent: string,
  { start, piece, size }: { start: number; piece: Buffer; size: number },
  now: Date,
): Promise<Buffer | number> {
  if (piece.length > 0)
    await insertPiece(client, session.shop.id, sent, session.person.id, start, piece, now);
  const rows = await listPieces(client, sent, session.person.id);
  let have = 0;
  const whole: Buffer[] = [];
  for (const row of rows) {
    if (row.start !== have) break;
    whole.push(row.bytes);
    have += row.bytes.length;
  }
  return have >= size ? Buffer.concat(whole) : have;
}

const FORMS = ['jpeg', 'png', 'webp'];

interface Redrawn {
  photo: string;
  bytes: Buffer;
  width: number;
  height: number;
}

/** @throws AppError PHOTO_KIND */
async function redrawn(bytes: Buffer): Promise<Redrawn> {
  const refuse = (): never => {
    throw new AppError('PHOTO_KIND');
  };
  // Loaded with the first picture: a server starts the sooner.
  const { default: sharp } = await import('sharp');
  const { format } = await sharp(bytes, { limitInputPixels: MOST_PIXELS }).metadata().catch(refuse);
  if (!FORMS.includes(format ?? '')) refuse();
  const { data, info } = await sharp(bytes, { limitInputPixels: MOST_PIXELS })
    .rotate()
    .resize({ width: LONGEST_SIDE, height: LONGEST_SIDE, fit: 'inside', withoutEnlargement: true })
    .jpeg({ quality: 82, mozjpeg: true })
    .toBuffer({ resolveWithObject: true })
    .catch(refuse);
  return {
    photo: createHash('sha256').update(data).digest('hex'),
    bytes: data,
    width: info.width,
    height: info.height,
  };
}
