import { textsOf } from '../language';
import { ladder } from '../language/en/ladder';
import type { Sheet } from '../procedure';
import type { FailureKind } from './state';

const ladderText = textsOf('ladder', ladder);

/**
 * One attempt at what went wrong: tried in this order, each is on the record with how it ended.
 */
export interface Rung {
  id: string;
  text: string;
}
/** What is tried where a sheet says nothing of its own. From engineering practice. */
const usual = (failure: string): readonly Rung[] =>
  Object.entries((ladderText as Record<string, Record<string, string>>)[failure] ?? {}).map(
    ([n, text]) => ({ id: `try-${failure}-${n}`, text }),
  );
const allUsual = (): Rung[] => Object.keys(ladder).flatMap(usual);

/** The ladder for a failure: the sheet's own, else the usual one. */
export function rungsOf(sheet: Sheet, failure: FailureKind): readonly Rung[] {
  const own = sheet.steps.filter((s) => s.due.when === 'atFailure' && s.due.failure === failure);
  return own.length > 0 ? own : usual(failure);
}

const USUAL_IDS = new Set(allUsual().map((r) => r.id));
export const isRung = (sheet: Sheet, id: string): boolean =>
  USUAL_IDS.has(id) || sheet.steps.some((s) => s.id === id && s.due.when === 'atFailure');

/** What a rung says, by its id. */
export const rungText = (sheet: Sheet, id: string): string =>
  sheet.steps.find((s) => s.id === id)?.text ?? allUsual().find((r) => r.id === id)?.text ?? id;
