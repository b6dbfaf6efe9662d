/** Where the device can; in silence elsewhere. */
export function vibrate(ms: number): void {
  navigator.vibrate?.(ms);
}
