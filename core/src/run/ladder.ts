import type { Sheet } from '../procedure';
import type { FailureKind } from './state';

/**
 * One attempt at what went wrong: tried in this order, each stands on the record with how it ended.
 */
export interface Rung {
  id: string;
  text: string;
}
const rungs = (failure: string, texts: readonly string[]): readonly Rung[] =>
  texts.map((text, i) => ({ id: `try-${failure}-${i + 1}`, text }));

/** What is tried where a sheet says nothing of its own. From engineering practice. */
const USUAL: Partial<Record<FailureKind, readonly Rung[]>> = {
  broke: rungs('broke', [
    'Something stands out: soak it, warm the part, grip it close to its root and turn it a little both ways.',
    'Flush or below: centre it, and drill through a guide, slowly, to the stop.',
    'Extractor in the centre hole, warm; stop before it breaks too: nothing drills a broken extractor.',
    'Drill up to the tap drill of its own thread, to the stop, pick out what is left, and chase the thread.',
    'New thread: an insert, or the next size where the part has the wall for it.',
  ]),
  stripped: rungs('stripped', [
    'Chase the thread, look how much of it is left and how deep.',
    'New thread: an insert, or the next size where the part has the wall for it.',
  ]),
  driveRounded: rungs('driveRounded', [
    'A better-fitting socket: six-point, the exact size, tapped on square.',
    'A socket that bites on what is left, or the next size down tapped on.',
    'Grip the head, or cut two flats on it.',
  ]),
  wontLoosen: rungs('wontLoosen', [
    'Soak it and let it stand.',
    'Warm the part around it, not the bolt.',
    'A touch in the tightening direction, then back; a long bar, even pull.',
  ]),
};

/** The ladder for a failure: the sheet's own, else the usual one. */
export function rungsOf(sheet: Sheet, failure: FailureKind): readonly Rung[] {
  const own = sheet.steps.filter((s) => s.due.when === 'atFailure' && s.due.failure === failure);
  return own.length > 0 ? own : (USUAL[failure] ?? []);
}

const USUAL_IDS = new Set(Object.values(USUAL).flatMap((list) => list.map((r) => r.id)));
export const isRung = (sheet: Sheet, id: string): boolean =>
  USUAL_IDS.has(id) || sheet.steps.some((s) => s.id === id && s.due.when === 'atFailure');

/** What a rung says, by its id. */
export const rungText = (sheet: Sheet, id: string): string =>
  sheet.steps.find((s) => s.id === id)?.text ??
  Object.values(USUAL)
    .flat()
    .find((r) => r?.id === id)?.text ??
  id;
