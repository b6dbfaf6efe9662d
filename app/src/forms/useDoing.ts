import { useState } from 'react';
import type { AppError } from '@stennet/core/errors';
import { asAppError } from '@/data';

/** One thing at a time that the server may refuse: what it said, and what was done. */
export function useDoing(): {
  error: AppError | null;
  done: string;
  isBusy: boolean;
  doing: (act: () => Promise<unknown>, done: string, after?: () => void) => void;
} {
  const [error, setError] = useState<AppError | null>(null);
  const [done, setDone] = useState('');
  const [isBusy, setBusy] = useState(false);
  const doing = (act: () => Promise<unknown>, said: string, after?: () => void): void => {
    if (isBusy) return;
    setError(null);
    setDone('');
    setBusy(true);
    act()
      .then(
        () => {
          setDone(said);
          after?.();
        },
        (e: unknown) => setError(asAppError(e)),
      )
      .finally(() => setBusy(false));
  };
  return { error, done, isBusy, doing };
}
