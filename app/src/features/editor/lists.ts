/** A copy of a list with one thing changed, put in, taken out or moved. */
export const changed = <T>(list: readonly T[], at: number, by: (thing: T) => T): T[] =>
  list.map((x, i) => (i === at ? by(x) : x));
export const without = <T>(list: readonly T[], at: number): T[] => list.filter((_x, i) => i !== at);
export const insertedAt = <T>(list: readonly T[], at: number, thing: T): T[] => [
  ...list.slice(0, at),
  thing,
  ...list.slice(at),
];

/** One thing put where another one stands; the others close up. */
export function moved<T>(list: readonly T[], from: number, to: number): T[] {
  const thing = list[from];
  return thing === undefined ? [...list] : insertedAt(without(list, from), to, thing);
}

/** A name that is not taken: `stage-3`. */
export function freeId(taken: readonly string[], stem: string): string {
  for (let n = taken.length + 1; ; n += 1)
    if (!taken.includes(`${stem}-${n}`)) return `${stem}-${n}`;
}

/** Without the fields that say nothing: a document does not hold them. */
export function withoutUnset<T extends object>(thing: T): T {
  return Object.fromEntries(Object.entries(thing).filter(([, value]) => value !== undefined)) as T;
}
