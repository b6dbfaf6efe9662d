import { useSyncExternalStore } from 'react';
import { hearServer } from './clock';

/** A record whose times are off by more cannot be read beside another. */
const MOST_MS = 10 * 60_000;
let offMs = 0;
const listeners = new Set<() => void>();

/** Compares this device's clock with the server's, at each answer. */
export function noteServerTime(header: string | null): void {
  const server = header ? Date.parse(header) : NaN;
  if (Number.isNaN(server)) return;
  hearServer(server);
  const off = Date.now() - server;
  const next = Math.abs(off) > MOST_MS ? Math.round(off / 60_000) * 60_000 : 0;
  if (next === offMs) return;
  offMs = next;
  for (const tell of listeners) tell();
}

/**
 * By how many minutes this device's clock is ahead of the server's (behind: negative); 0 when they
 * agree.
 */
export const useClockOff = (): number =>
  useSyncExternalStore(
    (tell) => {
      listeners.add(tell);
      return () => listeners.delete(tell);
    },
    () => offMs / 60_000,
  );
