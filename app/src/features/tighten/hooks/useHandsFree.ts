import { useEffect, useRef } from 'react';
import type { Sheet } from '@stennet/core/procedure';
import type { Formatter } from '@stennet/core/quantity';
import { explain, type Next, type RunState } from '@stennet/core/run';
import type { Hands } from '@/platform/hands';
import { beep } from '@/platform/sound';
import { hush, speak } from '@/platform/speech';
import { vibrate } from '@/platform/vibrate';
import { pullLine, spoken } from '../say';

/** What is said of what comes next, for ears that are under a bonnet. */
export const lineFor = (seen: Sheet, due: Next, format: Formatter): string =>
  spoken(due.kind === 'pull' ? pullLine(seen, format, due) : explain(seen, due));

/**
 * After each confirmation a sound, a nudge and the next fastener in words, as far as they are
 * switched on; a refusal sounds otherwise.
 */
export function useHandsFree({ state, seen, due, hands, format, refused, active }: Watched): void {
  const { length } = state.events;
  const last = useRef(length);
  useEffect(() => {
    if (!active || length <= last.current) return void (last.current = length);
    last.current = length;
    if (hands.sound) beep('taken');
    if (hands.vibration) vibrate(30);
    if (hands.speech) speak(lineFor(seen, due, format));
  }, [active, length, hands, seen, due, format]);
  useEffect(() => {
    if (!active || !refused) return;
    if (hands.sound) beep('notTaken');
    if (hands.vibration) vibrate(250);
  }, [active, refused, hands]);
  useEffect(() => hush, []);
}

interface Watched {
  state: RunState;
  /** The sheet as this person sees its map. */
  seen: Sheet;
  due: Next;
  hands: Hands;
  format: Formatter;
  /** Changes with every confirmation that was not taken. */
  refused: unknown;
  active: boolean;
}
