import {
  addTranslations,
  isLanguage,
  languageFor,
  speakAs,
  type Language,
} from '@stennet/core/language';
import { keptTexts } from './keptText';

export type LanguageChoice = 'device' | Language;
const KEY = 'stennet.language';
const YEAR_S = 31_536_000;

export function languageChoice(): LanguageChoice {
  const kept = keptTexts.get(KEY);
  return isLanguage(kept) ? kept : 'device';
}

/** Spoken by this page for as long as it is open: another choice loads it again. */
const choice = languageChoice();
export const language: Language =
  choice === 'device' ? languageFor(globalThis.navigator?.languages ?? []) : choice;

export function chooseLanguage(next: LanguageChoice): void {
  keptTexts.put(KEY, next);
  window.location.reload();
}

/** Papers and refusals of the server come in the same language, links to them among them. */
export function startLanguage(): void {
  speakAs(() => language);
  document.documentElement.lang = language;
  document.cookie = `stennet-language=${language}; path=/api; SameSite=Strict; max-age=${YEAR_S}`;
}

/** English comes with the page; any other language is a piece of its own. */
export const languageIsHere = language === 'en';
export async function loadLanguage(): Promise<void> {
  if (languageIsHere) return;
  const { es } = await import('@/language/es/all');
  addTranslations(language, es);
}
