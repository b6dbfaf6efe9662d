import { act, renderHook } from '@testing-library/react-native';
import { AppError } from '@stennet/core/errors';
import type { RunState } from '@stennet/core/run';
import { demoSheet, Technician } from '@stennet/core/testing';
import { useActs } from './useActs';

jest.mock('@/data', () => ({ asAppError: (error: unknown) => error }));

/** A run after each of its first entries. */
function states(): RunState[] {
  const t = new Technician(demoSheet('cv30-rods'));
  return Array.from({ length: 6 }, () => (t.step(), t.state));
}

test('that something else was confirmed first is said beside what is due by then, until the next', async () => {
  const [before, after, next] = states() as [RunState, RunState, RunState];
  let refusal: AppError | null = new AppError('ALREADY_CONFIRMED', {
    entries: after.events.length,
  });
  const confirm = (): Promise<boolean> =>
    refusal ? Promise.reject(refusal) : Promise.resolve(true);
  const { result, rerender } = renderHook(
    ({ state }: { state: RunState }) => useActs('run', state, confirm),
    { initialProps: { state: before } },
  );
  await act(() => result.current.confirm('paused', {}));
  rerender({ state: after });
  expect(result.current.error).toBe(refusal);
  refusal = null;
  await act(() => result.current.confirm('paused', {}));
  rerender({ state: next });
  expect(result.current.error).toBeNull();
});

test('what was wrong with one entry is not said of the next', async () => {
  const [before, after] = states() as [RunState, RunState];
  const confirm = (): Promise<boolean> => Promise.reject(new AppError('NOT_NEXT'));
  const { result, rerender } = renderHook(
    ({ state }: { state: RunState }) => useActs('run', state, confirm),
    { initialProps: { state: before } },
  );
  await act(() => result.current.confirm('paused', {}));
  expect(result.current.error?.code).toBe('NOT_NEXT');
  rerender({ state: after });
  expect(result.current.error).toBeNull();
});

test('what was not taken is not told as done: a value that was heard stays on the screen', async () => {
  const [state] = states() as [RunState];
  const { result } = renderHook(() => useActs('run', state, () => Promise.resolve(false)));
  expect(await act(() => result.current.confirm('paused', {}))).toBe(false);
});
