import { textAt, textsOf } from '../language';
import { errors as english } from '../language/en/errors';
import { errorVariants } from '../language/en/errorVariants';
import { practice } from '../language/en/practice';
import { roles } from '../language/en/roles';

/**
 * Values named in a refusal's text. Plain strings and numbers, so that a refusal can be stored and
 * sent.
 */
export type ErrorParams = Readonly<Record<string, string | number>>;

/** Every refusal of the product, by a code that never changes; its words are in the messages. */
export type ErrorCode = keyof typeof english;
export const ERROR_CODES = Object.keys(english) as ErrorCode[];
export const isErrorCode = (code: unknown): code is ErrorCode =>
  typeof code === 'string' && Object.hasOwn(english, code);

const texts = textsOf('errors', english);
const variants = textsOf('errorVariants', errorVariants);
const practiceTexts = textsOf('practice', practice);
const exerciseNames = (ids: string): string =>
  ids
    .split(',')
    .map((id) => practiceTexts.exercises[id as keyof typeof practice.exercises]?.title ?? id)
    .join(', ');
const roleTexts = textsOf('roles', roles);

/** What is wrong. */
export const messageOf = (code: ErrorCode, params: ErrorParams): string =>
  VARIANTS[code]?.(params) ?? say(texts[code].message, { ...params, ...PREPARED[code]?.(params) });

/** What to do now. */
export const fixOf = (code: ErrorCode, params: ErrorParams): string =>
  say(texts[code].fix, { ...params, ...PREPARED[code]?.(params) });

function say(text: unknown, params: ErrorParams): string {
  return typeof text === 'function' ? String(text(params)) : String(text);
}

/** Refusals that say something else where a value is missing, or where it says more. */
const VARIANTS: Partial<Record<ErrorCode, (p: ErrorParams) => string | undefined>> = {
  NOT_NEXT: ({ next }) => (next === undefined ? variants.notNext : undefined),
  ONE_TIME_USE: ({ group }) => (group === undefined ? undefined : variants.oneTimeUse({ group })),
  READING_TOO_MUCH: ({ why, reading = '' }) =>
    why === 'twice' || why === 'pastYield' || why === 'pastWrench'
      ? variants.tooMuch[why]({ reading })
      : undefined,
};

const PREPARED: Partial<Record<ErrorCode, (p: ErrorParams) => ErrorParams>> = {
  BAD_REQUEST: ({ where = 'body' }) => ({ where }),
  SIGN_IN_LIMITED: ({ minutes = 15 }) => ({ minutes }),
  PIN_LIMITED: ({ minutes = 15 }) => ({ minutes }),
  WRONG_HOST: ({ host = '' }) => ({ host }),
  PRACTICE_FIRST: ({ exercises = '' }) => ({ exercises: exerciseNames(String(exercises)) }),
  FORBIDDEN: ({ role = '' }) => ({ role: textAt(roleTexts, role) ?? role }),
  METHOD_NOT_ALLOWED: ({ method = '' }) => ({ method: textAt(variants.methods, method) ?? method }),
  SHEET_NOT_RUNNABLE: withoutStop,
  DRAFT_NOT_READY: withoutStop,
};

/** A sentence that becomes part of another. */
function withoutStop({ what = '' }: ErrorParams): ErrorParams {
  return { what: String(what).replace(/\.$/, '') };
}
