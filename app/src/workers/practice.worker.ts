import { expose } from 'comlink';
import {
  beginPractice,
  judgePractice,
  playPractice,
  type Feel,
  type PracticeBench,
  type PracticeLog,
  type PracticeSetup,
  type Practicing,
} from '@stennet/core/practice';
import type { RunEvent } from '@stennet/core/run';

let bench: PracticeBench | null = null;
/** No pull has more turns of the handle than these. */
const MOST_STEPS = 4000;

// Thin: the joint itself, beside the page, so that a drag never waits for it.
const api = {
  /** The joint as it stands after what was done. @returns what a colleague did before */
  begin(log: PracticeLog, setup: PracticeSetup, who: Practicing): RunEvent[] {
    bench = playPractice(log, setup, who);
    return beginPractice(log.exercise, setup, who).before;
  },
  take: (event: RunEvent): void => bench?.take(event),
  move: (steps: number): Feel | null => bench?.move(steps) ?? null,
  feel: (): Feel | null => bench?.feel() ?? null,
  /** Turned until it has what a wrench says. @returns the steps that it took */
  pullLike({ peakNm, turnedDeg }: { peakNm: number; turnedDeg: number | null }): number {
    for (let steps = 1; steps <= MOST_STEPS; steps += 1) {
      const feel = bench?.move(1);
      if (!feel) return 0;
      if (turnedDeg === null ? feel.peakNm >= peakNm : feel.gaugeDeg >= turnedDeg) return steps;
    }
    return MOST_STEPS;
  },
  /** Where the paint mark of each bolt stands, degrees; those without one are left out. */
  stripes: (seats: readonly string[]): Record<string, number> =>
    Object.fromEntries(
      seats.flatMap((seat) => {
        const deg = bench?.stripeDeg(seat) ?? null;
        return deg === null ? [] : [[seat, deg] as const];
      }),
    ),
  judge: judgePractice,
};
export type PracticeWorker = typeof api;

expose(api);
