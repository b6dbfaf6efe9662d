/** A moment as it is kept, and no half-typed day. */
export const isMoment = (words: string): boolean =>
  /^\d{4}-\d{2}-\d{2}T/.test(words) && !Number.isNaN(Date.parse(words));
