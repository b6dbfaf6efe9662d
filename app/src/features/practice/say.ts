import type { PracticeResult } from '@stennet/core/practice';
import type { Formatter } from '@stennet/core/quantity';
import { text } from './text';

/** The one thing to do better, with the bolts it is about. */
export function betterText({ better, judged }: PracticeResult): string {
  if (!better) return '';
  const bolts = (judged.find((j) => j.id === better)?.seats ?? []).join(', ');
  const fix = text.result.fix[better];
  return typeof fix === 'function' ? fix({ bolts }) : fix;
}

/** What was wrong with a bolt, and what could be felt of it. */
export function faultText(fault: PracticeResult['fault'], format: Formatter): string | null {
  if (!fault) return null;
  const of = {
    bolt: fault.seat,
    turned: format.turned(Math.round(fault.turnedDeg)),
    others: format.turned(Math.round(fault.othersDeg)),
  };
  const known = Object.hasOwn(text.result.fault, fault.is);
  const say = text.result.fault[known ? (fault.is as 'strip') : 'other'] as (
    p: typeof of,
  ) => string;
  return `${say(of)} ${fault.wasFound ? text.result.found : text.result.missed}`;
}
