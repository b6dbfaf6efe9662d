import { useEffect, useSyncExternalStore } from 'react';
import { AppError } from '@stennet/core/errors';
import { type EventOf, type EventType, type PayloadOf } from '@stennet/core/run';
import { now } from '@/platform/clock';
import { deviceName } from '@/platform/device';
import { call } from './api';
import { database, type KeptRun } from './database';
import { isLive, onHint } from './stream';
import { onLeaving } from './leaving';
import { onCleared } from './stored';
import { makeHoldKey } from './outbox/holdKeys';
import { keepServerRun } from './outbox/outbox';
import { stores, type Loaded, storeOf } from './runStore';

/** How often a run on another device is looked at. */
const WATCH_MS = 4000;
onHint((run) => {
  for (const [id, store] of stores) if (run === null || run === id) store.lookAgain();
});

/** @returns whether it was taken */
export type Confirm = <T extends EventType>(type: T, payload: PayloadOf<T>) => Promise<boolean>;

/** A run and the way to confirm something in it, as this person. */
export function useRun(
  run: string,
  person: string,
): {
  loaded: Loaded;
  confirm: Confirm;
  reload: () => void;
  takeOver: () => Promise<void>;
  dismissRefused: (text: string) => Promise<void>;
} {
  const store = storeOf(run);
  const loaded = useSyncExternalStore(store.subscribe, store.get);
  useEffect(() => {
    void store.load();
  }, [store]);
  const isWatched =
    loaded.status === 'ready' && !loaded.isMine && loaded.state.status !== 'finished';
  useEffect(() => {
    if (!isWatched) return;
    const timer = setInterval(() => {
      if (!isLive()) void store.load();
    }, WATCH_MS);
    return () => clearInterval(timer);
  }, [store, isWatched]);
  return {
    loaded,
    confirm: (type, payload) => store.confirm(type, payload, person),
    reload: () => void store.load(),
    takeOver: () => store.takeOver(person, deviceName()),
    dismissRefused: (text) => store.dismissRefused(person, text),
  };
}

/** Starting needs the server: it alone knows that no other device has begun on this joint. */
export async function startRun(
  events: [EventOf<'started'>, ...EventOf<'variantAnswered'>[]],
  kept: KeptRun,
  device: string,
): Promise<void> {
  // What this device cannot keep it should not lead.
  await database().catch(() => {
    throw new AppError('STORAGE_FAILED');
  });
  const [{ run }] = events;
  const holdKey = await makeHoldKey(run, events[0].hold);
  const { refused } = await call(
    'appendRunEvents',
    { run },
    { deviceName: device, holdKey, sentAt: now().toISOString(), events },
  );
  if (refused) throw new AppError(refused.code as AppError['code'], refused.params);
  await keepServerRun(kept, events);
}

onCleared(() => {
  for (const store of stores.values()) void store.keepAgain();
});
onLeaving(() => {
  for (const store of stores.values()) store.dispose();
  stores.clear();
});
