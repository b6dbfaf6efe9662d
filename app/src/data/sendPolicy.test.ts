import { AppError, ERROR_CODES } from '@stennet/core/errors';
import { statusOf } from '../../../server/src/http/status';
import { fateOf, Retry } from './sendPolicy';

test('what the server fails at is tried again, whatever it says of it: nothing confirmed is refused for that', () => {
  const failing = ERROR_CODES.filter(
    (code) => statusOf[code] >= 500 && !code.startsWith('STORAGE_'),
  );
  expect(failing).toEqual(
    expect.arrayContaining(['OFFLINE', 'INTERNAL', 'KEY_MISSING', 'DISK_FULL']),
  );
  for (const code of failing) expect([code, fateOf(new AppError(code))]).toEqual([code, 'later']);
  expect(fateOf(new AppError('BUSY'))).toBe('later');
  expect(fateOf(new AppError('SIGN_IN_NEEDED'))).toBe('person');
  expect(fateOf(new AppError('NOT_NEXT'))).toBe('refused');
  expect(fateOf(new AppError('FORBIDDEN'), { FORBIDDEN: 'person' })).toBe('person');
});

test('each time in vain a little later, and soon again once something went through', () => {
  jest.useFakeTimers();
  const tried: number[] = [];
  const retry = new Retry(() => tried.push(Date.now()));
  const from = Date.now();
  for (let i = 0; i < 5; i += 1) {
    retry.later();
    jest.runOnlyPendingTimers();
  }
  expect(tried.map((t, i) => t - (tried[i - 1] ?? from))).toEqual([
    2500, 5000, 10_000, 10_000, 10_000,
  ]);
  retry.reset();
  retry.later();
  retry.stop();
  jest.runOnlyPendingTimers();
  expect(tried).toHaveLength(5);
  retry.later();
  jest.advanceTimersByTime(5000);
  expect(tried).toHaveLength(6);
  jest.useRealTimers();
});
