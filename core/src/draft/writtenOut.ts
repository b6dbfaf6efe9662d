import type { Stage } from '../procedure';

/**
 * Stages done so many times over, each time as stages of their own: a stretch or a torque that the
 * source has repeated with loosening between.
 * @param from the first one, `to` the last one, both counted from 0
 * @param times in all, with the one that is there
 * @example writtenOut([torque, loosen], 0, 1, 3) // six stages
 */
export function writtenOut(
  stages: readonly Stage[],
  from: number,
  to: number,
  times: number,
): Stage[] {
  const taken = new Set(stages.map((s) => s.id));
  const idFor = (id: string): string => {
    const stem = id.slice(0, 34);
    for (let n = 2; ; n += 1)
      if (!taken.has(`${stem}-${n}`)) {
        taken.add(`${stem}-${n}`);
        return `${stem}-${n}`;
      }
  };
  const round = stages.slice(from, to + 1);
  const again = Array.from({ length: times - 1 }, () =>
    round.map((s) => ({ ...s, id: idFor(s.id) })),
  ).flat();
  return [...stages.slice(0, to + 1), ...again, ...stages.slice(to + 1)];
}
