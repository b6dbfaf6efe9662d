import { useSyncExternalStore } from 'react';
import { keptTexts } from './keptText';

export type ThemeChoice = 'device' | 'light' | 'dark';
const KEY = 'stennet.theme';
const listeners = new Set<() => void>();

function read(): ThemeChoice {
  const kept = keptTexts.get(KEY);
  return kept === 'light' || kept === 'dark' ? kept : 'device';
}

export function chooseTheme(choice: ThemeChoice): void {
  keptTexts.put(KEY, choice);
  for (const tell of listeners) tell();
}

export const useThemeChoice = (): ThemeChoice =>
  useSyncExternalStore((tell) => {
    listeners.add(tell);
    return () => listeners.delete(tell);
  }, read);
