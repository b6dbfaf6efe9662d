import { AppError } from '../errors';
import type { Group } from '../procedure';
import { threadOf } from '../thread';

/** What somebody sees on the part that came: everything may be left out. */
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
      text: `${seen.lengthMm} mm long, the sheet says ${group.lengthMm} mm: ${longer ? 'it can stand on the bottom of its hole and clamp nothing' : 'it holds on too little thread'}.`,
    });
  }
  if (seen.head !== undefined && seen.head !== group.head)
    found.push({
      by: 'head',
      text: `A ${seen.head} head, the sheet says ${group.head}: look whether another sheet belongs to it.`,
    });
  if (seen.count !== undefined && seen.count < needed)
    found.push({ by: 'count', text: `${seen.count} came, ${needed} are needed.` });
  return found;
}

function wrongThread({ thread }: Pick<Group, 'thread'>, said: string): string | null {
  const [designation = '', pitch] = said
    .toUpperCase()
    .replace(',', '.')
    .split(/\s*[×X]\s*/);
  if (!/^(M\d+(\.\d+)?|\d+\/\d+-\d+)$/.test(designation))
    return `“${said}” is no thread that is known here: write it like M10 × 1.25.`;
  return isSameThread(thread, designation, pitch === undefined ? undefined : Number(pitch))
    ? null
    : `Thread ${said}, the sheet says ${thread.designation} × ${thread.pitchMm}: it goes in crossed or not at all.`;
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
