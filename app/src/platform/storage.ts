import { useEffect, useState } from 'react';

const NEARLY = 0.9;

/** How safely this browser keeps what is stored; null where it does not say. Asked for permanence once, and looked at. */
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
