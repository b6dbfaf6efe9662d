/** Told when the person or the shop changes: what is held in memory of them goes. */
const listeners = new Set<() => void>();

export function onLeaving(forget: () => void): void {
  listeners.add(forget);
}

export function leave(): void {
  for (const forget of listeners) forget();
}
