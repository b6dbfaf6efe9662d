import { useSyncExternalStore } from 'react';

// A new version is fetched in the background and waits. It is taken when the person asks for it,
// never under an open run.
let waiting: ServiceWorker | null = null;
const listeners = new Set<() => void>();

function noteWaiting(worker: ServiceWorker | null): void {
  waiting = worker;
  for (const tell of listeners) tell();
}

/**
 * Only once the first screen stands: fetching the whole shell must not take its place on the wire.
 */
export function registerServiceWorker(): void {
  if (__DEV__ || !('serviceWorker' in navigator)) return;
  const register = (): void =>
    void ('requestIdleCallback' in window
      ? requestIdleCallback(registerNow, { timeout: 4000 })
      : setTimeout(registerNow, 2000));
  if (document.readyState === 'complete') register();
  else window.addEventListener('load', register, { once: true });
}

function registerNow(): void {
  navigator.serviceWorker.register('/sw.js').then(
    (registration: ServiceWorkerRegistration | undefined) => {
      // Where a browser is told to allow none it answers with nothing.
      if (!registration) return;
      if (registration.waiting) noteWaiting(registration.waiting);
      registration.addEventListener('updatefound', () => {
        const fresh = registration.installing;
        fresh?.addEventListener('statechange', () => {
          if (fresh.state === 'installed' && navigator.serviceWorker.controller) noteWaiting(fresh);
        });
      });
    },
    () => undefined, // without it the app works as long as the server answers; Account says so
  );
}

export const useNewVersion = (): boolean =>
  useSyncExternalStore(
    (tell) => {
      listeners.add(tell);
      return () => listeners.delete(tell);
    },
    () => waiting !== null,
  );

export function takeNewVersion(): void {
  navigator.serviceWorker.addEventListener('controllerchange', () => location.reload());
  waiting?.postMessage({ type: 'SKIP_WAITING' });
}

/** Whether this browser can start the app without the server. */
export const startsOffline = (): boolean =>
  'serviceWorker' in navigator && navigator.serviceWorker.controller !== null;
