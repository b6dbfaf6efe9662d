import { textsOf } from '../language';
import { orders } from '../language/en/orders';
import { AppError } from '../errors';
import type { Group } from '../procedure';
import { threadOf } from '../thread';

const text = textsOf('orders', orders);

/** What someone sees on the part that came: everything may be left out. */
export interface PartSeen {
  thread?: string | undefined;
  lengthMm?: number | undefined;
  head?: string | undefined;
  count?: number | undefined;
}

/** A part that is not the one: by what, and what it would do. */
export interface Mismatch {
  by: 'thread' | 'length' | 'head' | 'count';
  text: string;
}

/** Lengths on a bag are rounded; more than this is another bolt. Defined here. */
const LENGTH_APART_MM = 1;

/** Compares what came with what the sheet asks for. Nothing said, nothing found. */
export function wrongPart(
  group: Pick<Group, 'thread' | 'lengthMm' | 'head'>,
  needed: number,
  seen: PartSeen,
): Mismatch[] {
  const found: Mismatch[] = [];
  if (seen.thread?.trim()) {
    const text = wrongThread(group, seen.thread.trim());
    if (text) found.push({ by: 'thread', text });
  }
  if (
    seen.lengthMm !== undefined &&
    group.lengthMm !== undefined &&
    Math.abs(seen.lengthMm - group.lengthMm) > LENGTH_APART_MM
  ) {
    const longer = seen.lengthMm > group.lengthMm;
    found.push({
      by: 'length',
      text: (longer ? text.wrong.longer : text.wrong.shorter)({
        length: seen.lengthMm,
        wanted: group.lengthMm,
      }),
    });
  }
  if (seen.head !== undefined && seen.head !== group.head)
    found.push({
      by: 'head',
      text: text.wrong.head({ got: seen.head, wanted: group.head }),
    });
  if (seen.count !== undefined && seen.count < needed)
    found.push({ by: 'count', text: text.wrong.count({ got: seen.count, wanted: needed }) });
  return found;
}

function wrongThread({ thread }: Pick<Group, 'thread'>, said: string): string | null {
  const [designation = '', pitch] = said
    .toUpperCase()
    .replace(',', '.')
    .split(/\s*[×X]\s*/);
  if (!/^(M\d+(\.\d+)?|\d+\/\d+-\d+)$/.test(designation))
    return text.wrong.unknown({ thread: said });
  return isSameThread(thread, designation, pitch === undefined ? undefined : Number(pitch))
    ? null
    : text.wrong.thread({ got: said, wanted: thread.designation, pitch: thread.pitchMm });
}

function isSameThread(
  want: Group['thread'],
  designation: string,
  pitchMm: number | undefined,
): boolean {
  if (designation !== want.designation.toUpperCase()) return false;
  if (pitchMm !== undefined) return Math.abs(pitchMm - want.pitchMm) < 0.01;
  try {
    // Without a pitch the coarse one is meant.
    return Math.abs(threadOf(designation).pitchMm - want.pitchMm) < 0.01;
  } catch (error) {
    if (error instanceof AppError) return true;
    throw error;
  }
}
