let live = false;
/** The stream is open, here or in another tab: nobody has to ask from time to time. */
export const isLive = (): boolean => live;
export const noteLive = (is: boolean): void => void (live = is);
