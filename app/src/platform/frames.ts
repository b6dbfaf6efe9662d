/**
 * Calls back when what was drawn last has been on the screen: in the frame after the one that shows
 * it. A page that is not seen shows nothing, and is not called back.
 * @returns what gives it up
 */
export function onceSeen(tell: () => void): () => void {
  let frame = requestAnimationFrame(() => {
    frame = requestAnimationFrame(tell);
  });
  return () => cancelAnimationFrame(frame);
}

/** What can wait until the screen stands; at the latest then. */
export const whenIdle = (latestMs: number): Promise<void> =>
  new Promise((done) => {
    if ('requestIdleCallback' in window) requestIdleCallback(() => done(), { timeout: latestMs });
    else setTimeout(done, latestMs);
  });
