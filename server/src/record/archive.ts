import { text } from '../language/text';
import { unzipSync, zipSync } from 'fflate';
import { AppError } from '@stennet/core/errors';

/** What an archive may hold: more is no repair order. */
const MOST_FILES = 2000;
const MOST_BYTES = 300_000_000;
/**
 * Nothing that was not packed here is unpacked: no folders upwards, no addresses of a file system.
 */
const NAMES =
  /^(order\.json|records\/[0-9a-f-]{36}\.json|photos\/[0-9a-f]{64}\.jpg|traces\/[0-9a-f]{64}\.json)$/;

export const packArchive = (files: Record<string, Uint8Array>): Uint8Array =>
  zipSync(files, { level: 6 });

/**
 * The records and traces in an archive, as text. Sizes are looked at before anything is unpacked,
 * and what is unpacked is cut at what was said.
 * @throws AppError FOREIGN_UNREADABLE
 */
export function unpackArchive(bytes: Uint8Array): { records: string[]; traces: string[] } {
  let total = 0;
  let count = 0;
  const unreadable = (why: string): AppError => new AppError('FOREIGN_UNREADABLE', { why });
  let files: Record<string, Uint8Array>;
  try {
    files = unzipSync(bytes, {
      filter: ({ name, originalSize }) => {
        count += 1;
        total += originalSize;
        if (count > MOST_FILES || total > MOST_BYTES) throw unreadable(text.archive.tooMuch);
        if (!NAMES.test(name)) throw unreadable(text.archive.stray({ name: name.slice(0, 60) }));
        return name.endsWith('.json') && name !== 'order.json';
      },
    });
  } catch (error) {
    if (error instanceof AppError) throw error;
    throw unreadable(text.archive.damaged);
  }
  const inFolder = (folder: string): string[] =>
    Object.entries(files).flatMap(([name, content]) =>
      name.startsWith(folder) ? [new TextDecoder().decode(content)] : [],
    );
  const records = inFolder('records/');
  if (records.length === 0) throw unreadable(text.archive.empty);
  return { records, traces: inFolder('traces/') };
}

/** “PK”: an archive, not a document. */
export const isArchive = (bytes: Uint8Array): boolean => bytes[0] === 0x50 && bytes[1] === 0x4b;
