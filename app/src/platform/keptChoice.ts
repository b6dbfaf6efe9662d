import { useStore } from 'zustand';
import { createStore } from 'zustand/vanilla';
import { keptTexts } from './keptText';

/**
 * Choices that one person makes on this device, kept in its storage; each `of` has its own. What
 * cannot be read is the plain choice.
 */
export function keptChoice<T extends object>(
  name: string,
  plain: T,
): { useKept: (of: string) => T; put: (of: string, change: Partial<T>) => void } {
  // The same object while nothing has changed: nothing is drawn again for it.
  const seen = new Map<string, { text: string | null; choice: T }>();
  const changes = createStore(() => ({ n: 0 }));
  const read = (of: string): T => {
    const text = keptTexts.get(`stennet.${name}.${of}`);
    const known = seen.get(of);
    if (known && known.text === text) return known.choice;
    const choice = { ...plain, ...parsed(text) };
    seen.set(of, { text, choice });
    return choice;
  };
  return {
    useKept: (of) => useStore(changes, () => read(of)),
    put: (of, change) => {
      keptTexts.put(`stennet.${name}.${of}`, JSON.stringify({ ...read(of), ...change }));
      changes.setState(({ n }) => ({ n: n + 1 }));
    },
  };
}

function parsed(text: string | null): object {
  try {
    const kept: unknown = JSON.parse(text ?? '{}');
    return typeof kept === 'object' && kept !== null ? kept : {};
  } catch {
    return {};
  }
}
