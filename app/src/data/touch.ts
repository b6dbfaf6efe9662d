import { onTouched } from '@/platform/touched';
import { asAppError, call } from './api';
import { noteSignedOut } from './queries';

const EVERY_MS = 3 * 60_000;

/**
 * Looking and reading send nothing that the server would take for a hand: a touch now and then says
 * that someone is there.
 */
export function startTouching(): () => void {
  let last = performance.now();
  return onTouched(() => {
    if (performance.now() - last < EVERY_MS) return;
    last = performance.now();
    call('touch').catch((error: unknown) => noteSignedOut(asAppError(error)));
  });
}
