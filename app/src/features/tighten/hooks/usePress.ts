import { useEffect, useRef } from 'react';
import { ticks } from '@/platform/clock';
import { onceSeen } from '@/platform/frames';

/** A press so soon after the screen changed was meant for the fastener before. */
export const SETTLE_MS = 600;
/** No hand tightens a fastener faster: ask back. */
export const PULL_MS = 1200;

export type Press = 'ignore' | 'askBack' | 'take';

/**
 * Judges a press by how long this step has been seen: from the frame on that showed it, which on a
 * slow phone comes well after the press before. `step` changes with every confirmation.
 */
export function usePress(step: number): (isPull: boolean) => Press {
  const shownAt = useRef(Infinity);
  useEffect(() => {
    shownAt.current = Infinity;
    return onceSeen(() => (shownAt.current = ticks()));
  }, [step]);
  return (isPull) => {
    const elapsed = ticks() - shownAt.current;
    if (elapsed < SETTLE_MS) return 'ignore';
    return isPull && elapsed < PULL_MS ? 'askBack' : 'take';
  };
}
