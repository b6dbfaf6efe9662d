import { AppError } from '../errors';
import { errorsOf } from './checks';
import type { Sheet } from './sheet';

/**
 * Refuses a sheet with an error before anything is tightened by it.
 * @throws AppError SHEET_NOT_RUNNABLE naming the place and what is wrong there
 */
export function assertRunnable(sheet: Sheet): void {
  const [first] = errorsOf(sheet);
  if (first) throw new AppError('SHEET_NOT_RUNNABLE', { where: first.place, what: first.message });
}
