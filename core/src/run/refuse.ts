import { textsOf } from '../language';
import { explanations } from '../language/en/explanations';
import { AppError } from '../errors';
import { units, type Quantity } from '../quantity';
import type { Next } from './due';
import type { TooMuch } from './tooMuch';

const text = textsOf('explanations', explanations);

export function notNext(due: Next): AppError {
  const at =
    due.kind === 'pull'
      ? text.nextPull({ fastener: due.fastener, stage: due.stage.name })
      : text.next[due.kind === 'waitClock' ? 'wait' : due.kind];
  return new AppError('NOT_NEXT', { next: at });
}

/** Asked back once: it is more often a slip than a pull. */
export function askedBack({ reading, why }: { reading: Quantity; why: TooMuch }): AppError {
  const { value, unit } = reading;
  return new AppError('READING_TOO_MUCH', {
    reading: unit === 'deg' ? `${value}°` : `${value} ${units[unit].symbol}`,
    why,
  });
}

export function sameFastener(got: string, expected: string): void {
  if (got !== expected) throw new AppError('WRONG_FASTENER', { expected, got });
}

/** Each of these once, and no other. */
export function allSame(got: readonly string[], expected: readonly string[]): void {
  const named = new Set(got);
  if (
    named.size !== got.length ||
    got.length !== expected.length ||
    !expected.every((f) => named.has(f))
  )
    throw new AppError('REQUIRES_ALL');
}
