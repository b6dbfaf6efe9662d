import { AppError } from '../errors';
import type { Next } from './next';

export function notNext(due: Next): AppError {
  const at = due.kind === 'pull' ? `fastener ${due.fastener}, ${due.stage.name}` : due.kind;
  return new AppError('NOT_NEXT', { next: at });
}

export function sameFastener(got: string, expected: string): void {
  if (got !== expected) throw new AppError('WRONG_FASTENER', { expected, got });
}

/** Each of these once, and no other. */
export function allSame(got: readonly string[], expected: readonly string[]): void {
  const named = new Set(got);
  if (named.size !== got.length || got.length !== expected.length || !expected.every((f) => named.has(f))) throw new AppError('REQUIRES_ALL');
}
