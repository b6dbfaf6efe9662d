import { create } from 'zustand';
import { keptTexts } from './keptText';

export type ThemeChoice = 'device' | 'light' | 'dark';
const KEY = 'stennet.theme';

function read(): ThemeChoice {
  const kept = keptTexts.get(KEY);
  return kept === 'light' || kept === 'dark' ? kept : 'device';
}

const useTheme = create(() => ({ theme: read() }));

export function chooseTheme(theme: ThemeChoice): void {
  keptTexts.put(KEY, theme);
  useTheme.setState({ theme });
}

export const useThemeChoice = (): ThemeChoice => useTheme(({ theme }) => theme);
