import { useSyncExternalStore } from 'react';

export type ThemeChoice = 'device' | 'light' | 'dark';
const KEY = 'stennet.theme';
const listeners = new Set<() => void>();

function read(): ThemeChoice {
  const kept = localStorage.getItem(KEY);
  return kept === 'light' || kept === 'dark' ? kept : 'device';
}

export function chooseTheme(choice: ThemeChoice): void {
  localStorage.setItem(KEY, choice);
  for (const tell of listeners) tell();
}

export const useThemeChoice = (): ThemeChoice =>
  useSyncExternalStore((tell) => {
    listeners.add(tell);
    return () => listeners.delete(tell);
  }, read);
