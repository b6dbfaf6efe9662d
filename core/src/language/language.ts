import { createInstance } from 'i18next';

/** English is complete by definition, the others by type and by check. */
export const LANGUAGES = ['en', 'es'] as const;
export type Language = (typeof LANGUAGES)[number];

export const isLanguage = (code: unknown): code is Language =>
  LANGUAGES.some((language) => language === code);

/**
 * The first language of a browser's list that Stennet speaks, else English.
 * @example languageFor(['es-MX', 'en']) // 'es'
 */
export function languageFor(wanted: readonly string[]): Language {
  const codes = wanted.map((tag) => tag.trim().slice(0, 2).toLowerCase());
  return codes.find(isLanguage) ?? 'en';
}

/** Messages by name, in groups; `{{name}}` stands for a value, `_one` and `_other` for how many. */
export interface Messages {
  readonly [name: string]: string | Messages;
}

/** Another language of the same messages: the same names, no more and no fewer. */
export type Translation<D> = {
  readonly [K in keyof D]: D[K] extends string ? string : Translation<D[K]>;
};

type Value = string | number;
type ParamsIn<M> = M extends `${string}{{${infer Name}}}${infer Rest}`
  ? Name | ParamsIn<Rest>
  : never;
type Text<M, Always extends string = never> = [ParamsIn<M> | Always] extends [never]
  ? string
  : (params: Readonly<Record<ParamsIn<M> | Always, Value>>) => string;
/** Of a message in several numbers, one text with a count. */
type NameOf<K> = K extends `${string}_${'zero' | 'one'}`
  ? never
  : K extends `${infer Name}_other`
    ? Name
    : K;
export type Texts<D> = {
  readonly [K in keyof D as NameOf<K>]: D[K] extends string
    ? K extends `${string}_other`
      ? Text<D[K], 'count'>
      : Text<D[K]>
    : Texts<D[K]>;
};

const i18n = createInstance();
void i18n.init({
  lng: 'en',
  fallbackLng: 'en',
  initAsync: false,
  resources: {},
  nsSeparator: false,
  interpolation: { escapeValue: false },
});

let now: () => Language = () => 'en';
const lookedUp = new Map<string, string>();

/**
 * Says where the language of the moment comes from: the device's choice in the app, the request's
 * in the server. Until then it is English.
 */
export function speakAs(source: () => Language): void {
  now = source;
}
export const languageNow = (): Language => now();

/**
 * The locale for numbers and dates: the shop’s own. In a shop elsewhere Spanish is US Spanish:
 * a reading has a point, as on the wrench.
 * @example localeFor('en-GB') // 'en-GB' in English, 'es-US' in Spanish
 */
export function localeFor(shop: string): string {
  return now() === 'es' && !shop.toLowerCase().startsWith('es') ? 'es-US' : shop;
}

/**
 * Builds something in English, whatever is spoken: what is sealed and checked again later must say
 * the same everywhere.
 */
export function inEnglish<T>(build: () => T): T {
  const spoken = now;
  now = () => 'en';
  try {
    return build();
  } finally {
    now = spoken;
  }
}

/** Adds a language, area by area, beside the English. */
export function addTranslations(
  language: Language,
  areas: Readonly<Record<string, Messages>>,
): void {
  for (const [area, messages] of Object.entries(areas)) add(language, area, messages);
}

function add(language: Language, area: string, messages: Messages): void {
  i18n.addResourceBundle(language, area, messages, true, true);
  // What stood in English until now has its words.
  lookedUp.clear();
}

/**
 * The texts of an area, each in the language of the moment it is read in. A message with values is
 * a function of them.
 * @example textsOf('doc', { hi: 'Hello {{name}}' }).hi({ name: 'Ines' }) // 'Hello Ines'
 */
export function textsOf<const D extends Messages>(area: string, english: D): Texts<D> {
  add('en', area, english);
  return group(area, '', english) as Texts<D>;
}

/**
 * A text of a group by a name from elsewhere: a code in a file, an event of a newer server.
 */
export function textAt(texts: object, name: string | number): string | undefined {
  const text: unknown = Object.getOwnPropertyDescriptor(texts, name)?.get?.();
  return typeof text === 'string' ? text : undefined;
}

function group(area: string, path: string, messages: Messages): object {
  const texts = {};
  for (const [key, message] of Object.entries(messages)) {
    const name = key.replace(/_(zero|one|other)$/, '');
    if (typeof message !== 'string') define(texts, key, group(area, `${path}${key}.`, message));
    else if (name !== key || message.includes('{{'))
      define(texts, name, (params: Record<string, Value>) => say(area, path + name, params));
    else
      Object.defineProperty(texts, key, { enumerable: true, get: () => plain(area, path + key) });
  }
  return texts;
}

/**
 * A text without values is looked up once in each language: screens read hundreds of them each time
 * they are drawn.
 */
function plain(area: string, path: string): string {
  const name = `${now()} ${area} ${path}`;
  const text = lookedUp.get(name) ?? say(area, path);
  lookedUp.set(name, text);
  return text;
}

function define(texts: object, name: string, value: unknown): void {
  Object.defineProperty(texts, name, { enumerable: true, configurable: true, value });
}

function say(area: string, path: string, params: Record<string, Value> = {}): string {
  const { count } = params;
  return i18n.t(path, {
    ns: area,
    lng: now(),
    replace: params,
    ...(typeof count === 'number' ? { count } : {}),
  });
}

/** A phrase as it begins a sentence. */
export const upperFirst = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);
