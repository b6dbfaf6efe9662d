/** How a part stands on the repair order. */
export const PART_STATES = [
  'needed',
  'ordered',
  'backordered',
  'here',
  'fitted',
  'notNeeded',
] as const;
export type PartState = (typeof PART_STATES)[number];

/** New ones that no one has in the hand yet. */
export function isAwaited<S extends PartState | undefined>(
  state: S,
): state is S & ('needed' | 'ordered' | 'backordered') {
  return (
    state === undefined || state === 'needed' || state === 'ordered' || state === 'backordered'
  );
}
