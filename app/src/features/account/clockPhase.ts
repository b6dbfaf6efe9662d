import type { ShownClock } from '@/data';

/** Warned in the last fifth of an open time, and at least two minutes before its end. */
const LAST_SHARE = 0.2;
const LAST_MS = 120_000;
export type Phase = 'running' | 'ending' | 'over';

/** Where a clock is at a moment, in milliseconds; a waiting time has no end to be warned of. */
export function phaseOf(
  { kind, startedAt, limitAt }: Pick<ShownClock, 'kind' | 'startedAt' | 'limitAt'>,
  at: number,
): Phase {
  const left = Date.parse(limitAt) - at;
  if (left <= 0) return 'over';
  const whole = Date.parse(limitAt) - Date.parse(startedAt);
  return kind === 'within' && left < Math.max(LAST_MS, whole * LAST_SHARE) ? 'ending' : 'running';
}

/** @example minutes(125_000) // '2:05' */
export function minutes(ms: number): string {
  const seconds = Math.ceil(ms / 1000);
  return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`;
}
