import { useEffect, useState } from 'react';

const NEARLY = 0.9;

/**
 * How safely this browser keeps what is stored; null where it does not say. Asked for permanence
 * once, and looked at.
 */
export function useStorage(): { isKept: boolean; isNearlyFull: boolean } | null {
  const [storage, setStorage] = useState<{ isKept: boolean; isNearlyFull: boolean } | null>(null);
  useEffect(() => {
    // An insecure address has none of it.
    const manager = navigator.storage as StorageManager | undefined;
    if (!manager) return;
    void (async () => {
      const isKept = (await manager.persisted()) || (await manager.persist());
      const { usage = 0, quota = 0 } = await manager.estimate();
      setStorage({ isKept, isNearlyFull: quota > 0 && usage / quota > NEARLY });
    })().catch(() => undefined);
  }, []);
  return storage;
}

/**
 * Where the browser clears its storage when room gets short, cookies stay: this one tells the next
 * start that there was something, and how much of it the server did not have. It holds a number and
 * nothing else.
 */
const MARK = 'stennet_unsent';
export function markStored(unsent: number): void {
  document.cookie = `${MARK}=${unsent}; Max-Age=31536000; SameSite=Strict; Path=/`;
}
/** null: nothing was ever stored here, or it is a worker that asks, which has no cookies. */
export function storedBefore(): number | null {
  if (typeof document === 'undefined') return null;
  const found = new RegExp(`(?:^|; )${MARK}=(\\d{1,9})(?:;|$)`).exec(document.cookie);
  return found ? Number(found[1]) : null;
}
