import { create } from 'zustand';
import { hearServer } from './clock';

/** A record whose times are off by more cannot be read beside another. */
const MOST_MS = 10 * 60_000;
const useOffMs = create(() => ({ offMs: 0 }));

/** Compares this device's clock with the server's, at each answer. */
export function noteServerTime(header: string | null): void {
  const server = header ? Date.parse(header) : NaN;
  if (Number.isNaN(server)) return;
  hearServer(server);
  const off = Date.now() - server;
  const next = Math.abs(off) > MOST_MS ? Math.round(off / 60_000) * 60_000 : 0;
  if (next !== useOffMs.getState().offMs) useOffMs.setState({ offMs: next });
}

/**
 * By how many minutes this device's clock is ahead of the server's (behind: negative); 0 when they
 * agree.
 */
export const useClockOff = (): number => useOffMs(({ offMs }) => offMs / 60_000);
