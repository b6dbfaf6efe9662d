type Work = typeof import('./workParts');

/*
 * The app's entry says how its working part is loaded: a second way into it would be
 * a second piece, and what two pieces share is loaded before everything else.
 */
let load: () => Promise<Work> = () =>
  Promise.reject(new Error('nobody has said how the working part is loaded'));
export const loadWorkBy = (by: () => Promise<Work>): void => void (load = by);

/** The working part; the service worker has it before it is asked for. */
export const work = (): Promise<Work> => load();
