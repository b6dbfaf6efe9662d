import { knownAt, seatIdOf, type PullNext, type RunState } from '@stennet/core/run';
import type { LookedAt, TracedPull, WrenchPull } from '@stennet/core/trace';
import { useBoltLook, useTraces } from '@/data';

/** Pulls of this run that were heard: of the same kind of fastener, in the same stage and pass. */
export function useEarlierPulls(state: RunState, due: PullNext): TracedPull[] {
  const { sheet } = state;
  const part = due.task.part;
  const now = knownAt(sheet, { ...due, part });
  const alike = state.effective.toArray().flatMap(({ event }) => {
    if (event.type !== 'pulled' || !event.payload.trace) return [];
    const { fastener, stage, pass, trace } = event.payload;
    if (stage !== due.stage.id || event.payload.part !== part?.id) return [];
    const seat = seatIdOf(fastener);
    const known = knownAt(sheet, { ...due, part, seat, pass });
    return known.like === now.like && seat !== due.seat ? [{ id: seat, name: trace, known }] : [];
  });
  const { traces } = useTraces(alike.map((a) => a.name));
  return alike.flatMap(({ id, name, known }) => {
    const trace = traces.get(name);
    return trace ? [{ id, trace, ...known }] : [];
  });
}

/**
 * What the curve of a pull looks like beside those before it. undefined while it is looked at; its
 * `look` is null where too little of it was heard.
 */
export function useVerdict(
  state: RunState,
  due: PullNext,
  pull: WrenchPull,
): { look: LookedAt | null | undefined; pulls: TracedPull[] } {
  const earlier = useEarlierPulls(state, due);
  const known = knownAt(state.sheet, { ...due, part: due.task.part });
  const pulls = [...earlier, { id: pull.id, trace: pull.trace, ...known }];
  return { look: useBoltLook(pulls), pulls };
}

/** How far the joint itself turned in it, degrees: without the tool's twist and back-swings. */
export const turnedIn = ({ curve }: LookedAt): number =>
  (curve.angleDeg.at(-1) ?? 0) - (curve.angleDeg[0] ?? 0);
