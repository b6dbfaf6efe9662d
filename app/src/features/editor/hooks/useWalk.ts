import { useMemo, useState } from 'react';
import type { Sheet } from '@stennet/core/procedure';
import { rehearsal, type Asked, type Ended } from '@stennet/core/rehearse';

interface Walked {
  asked: readonly Asked[];
  at: number;
  ended: Ended | null;
}

/** A sheet stepped through as it will be asked: as far as someone went, and back. */
export function useWalk(sheet: Sheet, instance: string | undefined) {
  const played = useMemo(() => begin(sheet, instance), [sheet, instance]);
  const [walk, setWalk] = useState<{ of: typeof played; walked: Walked } | null>(null);
  // Another sheet begins anew.
  const walked = walk?.of === played ? walk.walked : played.first;
  const go = (walkOn: (walked: Walked) => Walked): void =>
    setWalk({ of: played, walked: walkOn(walked) });
  return {
    walked,
    now: walked.asked[walked.at],
    back: () => go((w) => ({ ...w, at: Math.max(0, w.at - 1) })),
    on: () => go(played.step),
    toNextStage: () =>
      go((w) => {
        const from = w.asked[w.at]?.state.progress.stage;
        let there = played.step(w);
        while (!isEnd(there) && there.asked[there.at]?.state.progress.stage === from)
          there = played.step(there);
        return there;
      }),
  };
}

export const isEnd = ({ asked, at, ended }: Walked): boolean =>
  ended !== null && at >= asked.length - 1;

function begin(sheet: Sheet, instance: string | undefined) {
  const run = rehearsal(sheet, instance);
  const step = ({ asked, at, ended }: Walked): Walked => {
    if (at < asked.length - 1) return { asked, at: at + 1, ended };
    if (ended) return { asked, at, ended };
    const next = run.next();
    return next.done
      ? { asked, at, ended: next.value }
      : { asked: [...asked, next.value], at: asked.length, ended };
  };
  return { step, first: step({ asked: [], at: -1, ended: null }) };
}
