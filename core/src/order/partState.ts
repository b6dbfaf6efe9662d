/** How a part stands on the repair order. */
export const PART_STATES = ['needed', 'ordered', 'here', 'fitted', 'notNeeded'] as const;
export type PartState = (typeof PART_STATES)[number];

/** New ones that no one has in the hand yet. */
export const isAwaited = (state: PartState | undefined): boolean =>
  state === undefined || state === 'needed' || state === 'ordered';
