import { Workbox } from 'workbox-window';
import { create } from 'zustand';
import { whenIdle } from './frames';

// A new version is fetched in the background and waits. It is taken when the person asks for it,
// never under an open run.
const useWaiting = create<{ page: Workbox | null }>(() => ({ page: null }));

/**
 * Only once the first screen stands: fetching the whole shell must not take its place on the wire.
 */
export function registerServiceWorker(): void {
  if (__DEV__ || !('serviceWorker' in navigator)) return;
  const register = (): void => void whenIdle(4000).then(registerNow);
  if (document.readyState === 'complete') register();
  else window.addEventListener('load', register, { once: true });
}

function registerNow(): void {
  const page = new Workbox('/sw.js');
  page.addEventListener('waiting', () => useWaiting.setState({ page }));
  // Without it the app works as long as the server answers; Account says so.
  page.register().catch(() => undefined);
}

export const useNewVersion = (): boolean => useWaiting(({ page }) => page !== null);

export function takeNewVersion(): void {
  const { page } = useWaiting.getState();
  page?.addEventListener('controlling', () => location.reload());
  page?.messageSkipWaiting();
}

/** Whether this browser can start the app without the server. */
export const startsOffline = (): boolean =>
  'serviceWorker' in navigator && navigator.serviceWorker.controller !== null;
