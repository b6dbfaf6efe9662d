import { useState } from 'react';
import { saveEntry, type Change } from '@/data';
import { text } from '../text';

/** Keeps a change on this device and sends it; what the device itself cannot keep is said. */
export function useSave(): {
  problem: string | null;
  save: (change: Change, after?: () => void) => void;
} {
  const [problem, setProblem] = useState<string | null>(null);
  return {
    problem,
    save: (change, after) => {
      saveEntry(change).then(
        () => {
          setProblem(null);
          after?.();
        },
        () => setProblem(text.cannotKeep),
      );
    },
  };
}
