/*
 * What the stream and the open runs have to do with each other, apart from both: the stream begins
 * with Today, a run brings all of core's run with it.
 */
let live = false;
/** The stream is open, here or in another tab: no one has to ask from time to time. */
export const isLive = (): boolean => live;
export const noteLive = (is: boolean): void => void (live = is);

let lookAgain: (run: string | null) => void = () => undefined;
/** @param look at what is watched of one run, or of all */
export const onHint = (look: (run: string | null) => void): void => void (lookAgain = look);
/** Something has changed elsewhere. */
export const tellHint = (run: string | null): void => lookAgain(run);
