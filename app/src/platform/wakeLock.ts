import { useEffect } from 'react';

/**
 * Keeps the screen on while a run is on it, where the browser can; taken again when the page comes
 * back to the front.
 */
export function useWakeLock(active: boolean): void {
  useEffect(() => {
    if (!active || !('wakeLock' in navigator)) return;
    let lock: WakeLockSentinel | undefined;
    let over = false;
    const take = (): void => {
      if (document.visibilityState !== 'visible' || over) return;
      navigator.wakeLock.request('screen').then(
        (l) => {
          if (over) void l.release();
          else lock = l;
        },
        () => undefined, // refused on low battery: the screen then goes dark as it always does
      );
    };
    take();
    document.addEventListener('visibilitychange', take);
    return () => {
      over = true;
      document.removeEventListener('visibilitychange', take);
      void lock?.release();
    };
  }, [active]);
}
