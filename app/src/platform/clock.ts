// The only place of the app that reads the clock. A demo or a test may set “today”; the offset comes with the sign-in.
let offsetMs = 0;

export function setClock(to: string | null, deviceNow = Date.now()): void {
  offsetMs = to ? new Date(to).getTime() - deviceNow : 0;
}

export const now = (): Date => new Date(Date.now() + offsetMs);
/** For durations: never jumps when the device's clock is put right. */
export const ticks = (): number => performance.now();
