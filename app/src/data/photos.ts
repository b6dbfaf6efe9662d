import { callRaw } from './api';
import { work } from './work';

const PIECE_BYTES = 131_072;
const LONGEST_SIDE = 1600;

/**
 * Made smaller on this device before it waits or travels; the server draws it again all the same.
 */
export async function shrinkPhoto(file: Blob): Promise<Blob> {
  try {
    const bitmap = await createImageBitmap(file);
    const scale = Math.min(1, LONGEST_SIDE / Math.max(bitmap.width, bitmap.height));
    const canvas = document.createElement('canvas');
    [canvas.width, canvas.height] = [
      Math.round(bitmap.width * scale),
      Math.round(bitmap.height * scale),
    ];
    canvas.getContext('2d')?.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
    const small = await new Promise<Blob | null>((resolve) =>
      canvas.toBlob(resolve, 'image/jpeg', 0.85),
    );
    return small ?? file;
  } catch {
    // Not drawn by this browser: the server says whether it can.
    return file;
  }
}

export interface SentPhoto {
  photo: string;
  width: number;
  height: number;
}

/**
 * Sends a photo piece by piece; what the server has already is not sent again.
 * @throws AppError OFFLINE, PHOTO_KIND, PHOTO_BROKEN
 */
export async function sendPhoto(photo: Blob): Promise<SentPhoto> {
  const bytes = new Uint8Array(await photo.arrayBuffer());
  const { sha256OfBytes } = await work();
  const name = sha256OfBytes(bytes);
  const piece = (from: number, to: number) =>
    callRaw('photoPiece', { photo: name }, bytes.slice(from, to), {
      start: String(from),
      size: String(bytes.length),
    });
  let { have, ...done } = await piece(0, 0);
  for (;;) {
    if (done.photo !== null) return { photo: done.photo, width: done.width, height: done.height };
    ({ have, ...done } = await piece(have, Math.min(have + PIECE_BYTES, bytes.length)));
  }
}

export const photoPath = (photo: string): string => `/api/photos/${photo}`;
