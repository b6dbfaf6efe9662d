import { act, renderHook } from '@testing-library/react-native';
import { noteServerTime, useClockOff } from './clockOff';

test('a clock that is off by more than ten minutes is said, with its direction; a few seconds, or an answer without a time, are not', () => {
  const { result } = renderHook(() => useClockOff());
  const at = (minutes: number): void =>
    act(() => noteServerTime(new Date(Date.now() - minutes * 60_000).toUTCString()));
  expect(result.current).toBe(0);
  at(1);
  expect(result.current).toBe(0);
  at(125);
  expect(result.current).toBe(125);
  act(() => noteServerTime(null));
  act(() => noteServerTime('yesterday'));
  expect(result.current).toBe(125);
  at(-40);
  expect(result.current).toBe(-40);
  at(0);
  expect(result.current).toBe(0);
});
