import { routes } from '@stennet/core/contract';
import { eventStream } from '@/platform/eventStream';
import { noteLive, tellHint } from './stream';
import { queryKeys } from './queryKeys';
import { outdate, refresh } from './refresh';

/*
 * Word that something has changed elsewhere, from one stream for the whole browser:
 * - The tab that has the lock holds the stream and passes on what it hears; the others listen to
 *   it.
 * - A hint carries no data: what it is about is asked again, where it is shown.
 * - A pull is followed at once by who watches the run; lists of orders come after it.
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
  // Whether it is the network or the sign-in shows when something is asked for.
  if (topic === LOST) return void refresh(...LISTS);
  const [kind, run = null] = topic.split(':');
  tellHint(run);
  if (run && kind === 'pulls') return followSoon(run);
  void refresh(
    ...LISTS,
    ...(run ? [queryKeys.statements(run), queryKeys.signing(run)] : [queryKeys.followUps]),
  );
}

const LISTS = [queryKeys.everyOrder, queryKeys.today, queryKeys.orders];
const SOON_MS = 10_000;
const pulled = new Set<string>();
let soon: ReturnType<typeof setTimeout> | undefined;

/** What shows how far a run has come is asked for once for all pulls of some seconds. */
function followSoon(run: string): void {
  void outdate(...LISTS, queryKeys.signing(run));
  pulled.add(run);
  soon ??= setTimeout(() => {
    soon = undefined;
    void refresh(...LISTS, ...[...pulled].map(queryKeys.signing));
    pulled.clear();
  }, SOON_MS);
}
