import { textsOf } from '@stennet/core/language';
import type { MeasureKindId, Verdict } from '@stennet/core/measure';
import { measuring } from '@/language/en/measuring';

export const text = textsOf('measuring', measuring);

/** Parts compared with each other have no limit to be too close to. */
export const verdictText = (what: MeasureKindId, verdict: Verdict): string =>
  what !== 'wear' ? text.verdicts[verdict] : verdict === 'pass' ? text.alike : text.unlike;
