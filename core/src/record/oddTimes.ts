import { textsOf } from '../language';
import { recordWords } from '../language/en/recordWords';
import type { StoredEvent } from './hashChain';

const text = textsOf('recordWords', recordWords);

/**
 * An entry whose time cannot be right beside the one before it, or beside the moment in which the
 * server had it.
 */
export interface OddTime {
  /** Its place in the list, from 1. */
  entry: number;
  why: 'beforeLast' | 'ahead';
  minutes: number;
}

/** Two clocks of a shop differ by less; more is a clock that is wrong or was put. */
const SKEW_MS = 2 * 60_000;

/**
 * Entries that are dated more than two minutes before the one before them, or after the server
 * already had them. What was done earlier and said so (`doneAt`) is dated by when it was said.
 */
export function oddTimes(chain: readonly StoredEvent[]): OddTime[] {
  let latest = -Infinity;
  return chain.flatMap(({ position, receivedAt, event }): OddTime[] => {
    const at = Date.parse(event.deviceTime);
    const [ahead, behind] = [at - Date.parse(receivedAt), latest - at];
    latest = Math.max(latest, at);
    const minutes = (ms: number): number => Math.round(ms / 60_000);
    if (ahead > SKEW_MS) return [{ entry: position, why: 'ahead', minutes: minutes(ahead) }];
    return behind > SKEW_MS
      ? [{ entry: position, why: 'beforeLast', minutes: minutes(behind) }]
      : [];
  });
}

/** In a sentence, as it stands on screen and paper. */
export const oddTimeText = ({ entry, why, minutes }: OddTime): string =>
  why === 'ahead'
    ? text.oddTime.ahead({ entry, minutes })
    : text.oddTime.beforeLast({ entry, minutes });

/**
 * How long someone can have waited at most, in ms, by the server's clock alone: since it had the
 * entry that the wait began with, and what that entry had lain on the device before.
 * @param lateMs how long it had lain there
 */
export const waitedAtMost = (begun: StoredEvent, lateMs: number, receivedAt: string): number =>
  Date.parse(receivedAt) - Date.parse(begun.receivedAt) + lateMs;
