import { create } from 'zustand';
import type { RunningClock } from '@stennet/core/run';
import { keptTexts } from '@/platform/keptText';
import { onLeaving } from './leaving';

/** A clock that runs in a run of this device: what it is about, and when it ends. */
export interface ShownClock {
  run: string;
  id: string;
  kind: 'within' | 'notBefore';
  text: string;
  startedAt: string;
  limitAt: string;
}

const KEY = 'stennet.clocks';
const useShown = create(() => ({ clocks: read() as readonly ShownClock[] }));

/**
 * Kept where the next start finds it before anything else is loaded: sealant goes on curing through
 * a reload.
 */
function read(): ShownClock[] {
  try {
    return JSON.parse(keptTexts.get(KEY) ?? '[]') as ShownClock[];
  } catch {
    return [];
  }
}

function set(next: readonly ShownClock[]): void {
  keptTexts.put(KEY, JSON.stringify(next));
  useShown.setState({ clocks: next });
}

/** Called whenever a run of this device has moved on. */
export function noteClocks(run: string, running: readonly RunningClock[]): void {
  const own = running.map(({ clock, startedAt, limitAt }): ShownClock => ({
    run,
    id: clock.id,
    kind: clock.kind,
    text: clock.text,
    startedAt,
    limitAt,
  }));
  const { clocks: current } = useShown.getState();
  const before = current.filter((c) => c.run === run);
  if (
    own.length === before.length &&
    own.every((c, i) => c.id === before[i]?.id && c.limitAt === before[i]?.limitAt)
  )
    return;
  set([...current.filter((c) => c.run !== run), ...own]);
}

export const useClocks = (): readonly ShownClock[] => useShown(({ clocks }) => clocks);

onLeaving(() => set([]));
