import { useCallback, useEffect, useRef, useState } from 'react';
import { proxy, wrap, type Remote } from 'comlink';
import type { BenchWorker } from '@/workers/bench.worker';

export interface BenchWork<T> {
  result: T | null;
  /** How far it is, 0 to 1. */
  share: number;
  state: 'busy' | 'done' | 'stopped' | 'failed';
  stop: () => void;
  again: () => void;
}

/**
 * Something heavy, calculated beside the page; begun anew when what it is about changes. Stopping
 * ends the worker at once.
 * @param about what it is calculated from, as a key
 */
export function useBenchWork<T>(
  about: string,
  work: (bench: Remote<BenchWorker>, onPart: (share: number) => void) => Promise<T>,
): BenchWork<T> {
  const [round, setRound] = useState(0);
  const key = `${about} ${round}`;
  const [at, setAt] = useState<{ key: string; work: Omit<BenchWork<T>, 'stop' | 'again'> }>();
  const stopNow = useRef<() => void>(() => undefined);
  useEffect(() => {
    const put = (next: Omit<BenchWork<T>, 'stop' | 'again'>): void => setAt({ key, work: next });
    const worker = new Worker('/workers/bench.js');
    let isOver = false;
    const end = (): void => {
      isOver = true;
      worker.terminate();
    };
    stopNow.current = () => {
      end();
      put({ ...IDLE, state: 'stopped' });
    };
    const onPart = proxy((share: number) => void (isOver || put({ ...IDLE, share })));
    // How far it is comes by another port, and may come after the result.
    const finish = (last: Omit<BenchWork<T>, 'stop' | 'again'>): void => {
      if (isOver) return;
      end();
      put(last);
    };
    work(wrap<BenchWorker>(worker), onPart).then(
      (result) => finish({ result, share: 1, state: 'done' }),
      () => finish({ ...IDLE, state: 'failed' }),
    );
    return end;
    // What it does is told by what it is about.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key]);
  const again = useCallback(() => setRound((n) => n + 1), []);
  const now = at?.key === key ? at.work : IDLE;
  const stop = useCallback(() => stopNow.current(), []);
  return { ...now, stop, again };
}

const IDLE = { result: null, share: 0, state: 'busy' as const };
