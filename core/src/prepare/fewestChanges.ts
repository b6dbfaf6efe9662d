import type { Wrench } from '../quantity';

interface Candidate {
  wrench: Wrench;
  cost: number;
}

/** A change weighs more than any rounding; a stage that none serves changes nothing. */
const CHANGE = 1000;
/** Dynamic programming over the stages in their order: the cheapest way to each candidate. */
export function fewestChanges(stages: readonly (readonly Candidate[])[]): (Wrench | null)[] {
  let ways = new Map<string | null, { cost: number; path: (Wrench | null)[] }>([
    [null, { cost: 0, path: [] }],
  ]);
  for (const candidates of stages) {
    const after = new Map<string | null, { cost: number; path: (Wrench | null)[] }>();
    for (const [last, way] of ways) {
      const offers: { key: string | null; cost: number; wrench: Wrench | null }[] = candidates.map(
        ({ wrench, cost }) => ({
          key: wrench.id,
          wrench,
          cost: cost + (last === null || last === wrench.id ? 0 : CHANGE),
        }),
      );
      if (offers.length === 0) offers.push({ key: last, wrench: null, cost: 0 });
      for (const { key, cost, wrench } of offers) {
        const known = after.get(key);
        if (!known || known.cost > way.cost + cost)
          after.set(key, { cost: way.cost + cost, path: [...way.path, wrench] });
      }
    }
    ways = after;
  }
  return [...ways.values()].reduce((best, way) => (way.cost < best.cost ? way : best)).path;
}

export const leastOf = <T>(list: readonly T[], of: (t: T) => number): T | undefined =>
  list.reduce<T | undefined>(
    (best, t) => (best === undefined || of(t) < of(best) ? t : best),
    undefined,
  );
