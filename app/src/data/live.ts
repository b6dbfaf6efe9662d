import { routes } from '@stennet/core/contract';
import { eventStream } from '@/platform/eventStream';
import { noteLive, tellHint } from './stream';
import { queryKeys } from './queryKeys';
import { refresh } from './refresh';

/*
 * Word that something has changed elsewhere, from one stream for the whole browser:
 * - The tab that has the lock holds the stream and passes on what it hears; the others listen to
 *   it.
 * - A hint carries no data: what it is about is asked again.
 * - Without a stream (a proxy that cuts it, an old browser) what is watched is asked for from time
 *   to time, as before.
 */
const LOCK = 'stennet.stream';
/** Between tabs only: the stream is gone, each asks for itself again. */
const LOST = 'lost';

export function startLive(): () => void {
  if (!('EventSource' in window)) return () => undefined;
  const channel = 'BroadcastChannel' in window ? new BroadcastChannel(LOCK) : null;
  const ended = new AbortController();
  if (channel) channel.onmessage = ({ data }: MessageEvent<{ topic: string }>) => hear(data.topic);
  const lead = (): Promise<void> =>
    new Promise((resolve) => {
      const pass = (topic: string): void => {
        channel?.postMessage({ topic });
        hear(topic);
      };
      const close = eventStream(
        routes.stream.path,
        { hello: () => pass('all'), message: pass },
        () => pass(LOST),
      );
      ended.signal.addEventListener('abort', () => {
        close();
        noteLive(false);
        resolve();
      });
    });
  if ('locks' in navigator)
    void navigator.locks.request(LOCK, { signal: ended.signal }, lead).catch(() => undefined);
  else void lead();
  return () => {
    ended.abort();
    channel?.close();
  };
}

function hear(topic: string): void {
  noteLive(topic !== LOST);
  if (topic === LOST) return;
  const run = topic.startsWith('run:') ? topic.slice(4) : null;
  tellHint(run);
  const lists = [queryKeys.everyOrder, queryKeys.today, queryKeys.orders];
  void refresh(
    ...lists,
    ...(run ? [queryKeys.statements(run), queryKeys.signing(run)] : [queryKeys.followUps]),
  );
}
