// Two tabs of one browser on the same run: what one has written, the other reads.
const CHANNEL = 'stennet.runs';
const channel = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel(CHANNEL);
// Outside of a browser it would keep the program from ending.
(channel as { unref?: () => void } | null)?.unref?.();

export const tellTabs = (run: string): void => channel?.postMessage(run);

/** @returns an end to it */
export function onOtherTab(hear: (run: string) => void): () => void {
  const listen = (message: MessageEvent<unknown>): void => {
    if (typeof message.data === 'string') hear(message.data);
  };
  channel?.addEventListener('message', listen);
  return () => channel?.removeEventListener('message', listen);
}
