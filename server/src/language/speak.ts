import { AsyncLocalStorage } from 'node:async_hooks';
import { parse } from 'cookie';
import type { RequestHandler } from 'express';
import {
  addTranslations,
  isLanguage,
  languageFor,
  speakAs,
  type Language,
} from '@stennet/core/language';
import { es as core } from '@stennet/core/language/es';
import { es } from './es';

addTranslations('es', { ...core, ...es });
const spoken = new AsyncLocalStorage<Language>();
speakAs(() => spoken.getStore() ?? 'en');

/** Answers in the language chosen in the app, else in the first one the browser asks for. */
export const speakLanguage: RequestHandler = (req, _res, next) => {
  const chosen = parse(req.get('cookie') ?? '')['stennet-language'];
  const asked = (req.get('accept-language') ?? '').slice(0, 200).split(',');
  spoken.run(isLanguage(chosen) ? chosen : languageFor(asked), next);
};

/** In a thread of its own a language is passed along. */
export const inLanguage = <T>(language: Language, work: () => T): T => spoken.run(language, work);
