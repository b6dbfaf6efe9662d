/**
 * Values named in a refusal's text. Plain strings and numbers, so that a refusal can be stored and
 * sent.
 */
export type ErrorParams = Readonly<Record<string, string | number>>;

export interface Entry {
  message: (p: ErrorParams) => string;
  fix: (p: ErrorParams) => string;
}

/** Both are read by a technician: what is wrong, and what to do. */
export const entry = (message: Entry['message'] | string, fix: Entry['fix'] | string): Entry => ({
  message: typeof message === 'string' ? () => message : message,
  fix: typeof fix === 'string' ? () => fix : fix,
});
