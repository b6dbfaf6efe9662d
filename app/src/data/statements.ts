import { useQuery } from '@tanstack/react-query';
import type { Say } from '@stennet/core/contract/work';
import type { Statement } from '@stennet/core/run';
import { deviceId } from '@/platform/device';
import { useIsShown } from '@/platform/shown';
import { call } from './api';
import { lookEvery } from './queries';
import { queryKeys } from './queryKeys';

/** What was said of a run by others; looked up while it is open on the screen. */
export const useStatements = (run: string, isOpen: boolean) =>
  useQuery({
    queryKey: queryKeys.statements(run),
    queryFn: () => call('statements', { run }),
    enabled: isOpen,
    refetchInterval: lookEvery(8000),
    subscribed: useIsShown(),
    gcTime: 60_000,
  });

/**
 * A lead says something of a run: with the PIN on this device, or (pin null) signed in here
 * themselves.
 * @throws AppError PIN_WRONG, PIN_NONE, PIN_LIMITED, NOT_LEAD, OFFLINE
 */
export async function say(
  run: string,
  said: { id: string; lead: string; pin: string | null; say: Say; text?: string },
): Promise<Statement> {
  const { statement } = await call('sayStatement', { run }, { ...said, device: deviceId() });
  return statement;
}
