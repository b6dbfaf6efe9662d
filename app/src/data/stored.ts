import { announcer } from '@/platform/announce';
import { create } from 'zustand';

/** How this device's own storage stands. */
export type Stored =
  { is: 'well' } | { is: 'refused' } | { is: 'hangs' } | { is: 'cleared'; unsent: number };

export const useStored = create<Stored>(() => ({ is: 'well' }));
const clearing = announcer();

export function noteStored(next: Stored): void {
  // Cleared a second time, what is on the screen is put back a second time.
  if (useStored.getState().is === next.is && next.is !== 'cleared') return;
  useStored.setState(next, true);
  if (next.is === 'cleared') clearing.tell();
}

/** A storage that was refused before has opened, one that hung has answered. */
export function noteOpened(): void {
  const { is } = useStored.getState();
  if (is === 'refused' || is === 'hangs') noteStored({ is: 'well' });
}

/** What is still in memory is put back. */
export const onCleared = clearing.on;
