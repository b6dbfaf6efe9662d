import { useSyncExternalStore } from 'react';

/** How this device's own storage stands. */
export type Stored =
  { is: 'well' } | { is: 'refused' } | { is: 'hangs' } | { is: 'cleared'; unsent: number };

let stored: Stored = { is: 'well' };
const listeners = new Set<() => void>();
const afterClearing = new Set<() => void>();

export function noteStored(next: Stored): void {
  // Cleared a second time, what is on the screen is put back a second time.
  if (stored.is === next.is && next.is !== 'cleared') return;
  stored = next;
  for (const tell of listeners) tell();
  if (next.is === 'cleared') for (const act of afterClearing) act();
}

/** A storage that was refused before has opened, one that hung has answered. */
export function noteOpened(): void {
  if (stored.is === 'refused' || stored.is === 'hangs') noteStored({ is: 'well' });
}

/** What is still in memory is put back. */
export const onCleared = (act: () => void): void => void afterClearing.add(act);

export const useStored = (): Stored =>
  useSyncExternalStore(
    (tell) => {
      listeners.add(tell);
      return () => listeners.delete(tell);
    },
    () => stored,
  );
