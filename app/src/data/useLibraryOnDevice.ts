import { useEffect } from 'react';
import { onBackOnline } from '@/platform/online';
import { useSignedIn } from './account';

/** The whole library comes onto the device when no one waits for anything else. */
export function useLibraryOnDevice(): void {
  const shop = useSignedIn().me.shop.id;
  useEffect(() => {
    const begin = (): void =>
      void import('./library').then(({ keepLibraryFresh }) => keepLibraryFresh(shop));
    const timer = setTimeout(begin, 4000);
    const stop = onBackOnline(begin);
    return () => {
      clearTimeout(timer);
      stop();
    };
  }, [shop]);
}
