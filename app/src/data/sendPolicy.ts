import type { AppError } from '@stennet/core/errors';

/**
 * What becomes of something that is kept on this device when the server has not taken it. later: it
 * is tried again by itself; person: it waits until the person who made it signs in; refused: the
 * server will never have it, so it is shown with the reason, never dropped.
 */
export type Fate = 'later' | 'person' | 'refused';

/**
 * The server is away, fails, is full or busy, lacks its key, or is asked under a wrong name:
 * nothing that the entry could be blamed for.
 */
const LATER: readonly string[] = [
  'OFFLINE',
  'INTERNAL',
  'DISK_FULL',
  'BUSY',
  'SIGN_IN_LIMITED',
  'KEY_MISSING',
  'KEY_CHANGED',
  'WRONG_HOST',
  'WRONG_ORIGIN',
];
const PERSON: readonly string[] = ['SIGN_IN_NEEDED', 'WRONG_PERSON'];

/** @param own codes that mean something else for what is sent here */
export function fateOf(
  { code }: Pick<AppError, 'code'>,
  own: Readonly<Partial<Record<AppError['code'], Fate>>> = {},
): Fate {
  return (
    own[code] ?? (LATER.includes(code) ? 'later' : PERSON.includes(code) ? 'person' : 'refused')
  );
}

const FIRST_MS = 2500;
const LONGEST_MS = 10_000;

/** Tries again after a while, each time in vain a little later. */
export class Retry {
  private timer: ReturnType<typeof setTimeout> | undefined;
  private wait = FIRST_MS;
  constructor(private readonly act: () => unknown) {}

  later(): void {
    clearTimeout(this.timer);
    this.timer = setTimeout(() => void this.act(), this.wait);
    this.wait = Math.min(this.wait * 2, LONGEST_MS);
  }
  /** Something went through, or someone tries now. */
  stop(): void {
    clearTimeout(this.timer);
  }
  reset(): void {
    this.stop();
    this.wait = FIRST_MS;
  }
}
