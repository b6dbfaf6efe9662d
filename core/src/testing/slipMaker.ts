import type { Sheet } from '../procedure';

/** What a tired lead gets wrong on a sheet that was right, and where it stands. */
export interface Slip {
  name: string;
  sheet: Sheet;
  /** The finding names this place, or one inside it. Several where two places disagree. */
  places: readonly string[];
  /** Seen only beside the revision that it was made from. */
  earlier?: Sheet;
}
/** One of a list, by chance; undefined of none. */
export type Pick = <T>(of: readonly T[]) => T | undefined;
export type Maker = (sheet: Sheet, pick: Pick) => Omit<Slip, 'name'> | null;

export const indexes = <T>(list: readonly T[], which: (one: T, at: number) => boolean): number[] =>
  list.flatMap((one, i) => (which(one, i) ? [i] : []));
