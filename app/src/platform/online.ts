import { useSyncExternalStore } from 'react';

const subscribe = (changed: () => void): (() => void) => {
  window.addEventListener('online', changed);
  window.addEventListener('offline', changed);
  return () => {
    window.removeEventListener('online', changed);
    window.removeEventListener('offline', changed);
  };
};

/**
 * Whether the device believes that it has a network; whether the server answers is another matter.
 */
export const useDeviceOnline = (): boolean =>
  useSyncExternalStore(subscribe, () => navigator.onLine);
export const onBackOnline = (act: () => void): (() => void) => {
  window.addEventListener('online', act);
  return () => window.removeEventListener('online', act);
};
