// The only place of the app that reads the clock. A demo or a test may set “today”; the offset
// comes with the sign-in.
let offsetMs = 0;

export function setClock(to: string | null, deviceNow = Date.now()): void {
  offsetMs = to ? new Date(to).getTime() - deviceNow : 0;
}

export const now = (): Date => new Date(Date.now() + offsetMs);
let anchor = { at: Date.now(), ticks: performance.now() };
/** How far the server's clock stood from this one when it first said; null: it has not yet. */
let serverAhead: number | null = null;
/** Said to the second, and some time on the way. */
const SAID_WITHIN_MS = 3000;

/**
 * This device's clock as it has gone on since the app was opened: putting it forward does not
 * shorten a wait.
 */
export const steadyNow = (): Date => new Date(steady() + offsetMs);
const steady = (): number => anchor.at + (performance.now() - anchor.ticks);

/** A device that slept has counted too little: the server, where it answers, says by how much. */
export function hearServer(server: number): void {
  const ahead = server - steady();
  serverAhead ??= ahead;
  if (ahead - serverAhead > SAID_WITHIN_MS)
    anchor = { at: steady() + ahead - serverAhead, ticks: performance.now() };
}

/** For durations: never jumps when the device's clock is corrected. */
export const ticks = (): number => performance.now();
