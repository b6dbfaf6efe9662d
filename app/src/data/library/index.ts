import { wrap, type Remote } from 'comlink';
import type { LibraryWorker } from '@/workers/library.worker';
import { onLeaving } from '../leaving';
import type { Standing } from './libraryStore';

let running: { worker: Worker; library: Promise<Remote<LibraryWorker>>; shop: string } | null =
  null;
let caughtUp: Promise<Standing> | null = null;
/** How long what the device has counts as fresh. */
const FRESH_MS = 5 * 60_000;
let caughtUpAt = -Infinity;

/** The shop's library in its worker, opened with what the device has. */
export function libraryOf(shop: string): Promise<Remote<LibraryWorker>> {
  if (running?.shop !== shop) {
    stop();
    const worker = new Worker('/workers/library.js');
    const remote = wrap<LibraryWorker>(worker);
    running = { worker, shop, library: remote.open(shop).then(() => remote) };
  }
  return (running as NonNullable<typeof running>).library;
}

/** How many sheets the device has of a shop. */
export async function countOnDevice(shop: string): Promise<number> {
  return (await (await libraryOf(shop)).standing()).sheets;
}

/**
 * Asks the server for what is new, now and then; without a network the device goes on with what it
 * has.
 */
export function keepLibraryFresh(shop: string): void {
  if (caughtUp || performance.now() - caughtUpAt < FRESH_MS) return;
  caughtUp = libraryOf(shop)
    .then((library) => library.catchUp())
    .finally(() => (caughtUp = null));
  caughtUp.then(
    () => (caughtUpAt = performance.now()),
    () => undefined,
  );
}

function stop(): void {
  running?.worker.terminate();
  running = null;
  caughtUp = null;
  caughtUpAt = -Infinity;
}
onLeaving(stop);
