import 'fake-indexeddb/auto';
import { QueryObserver } from '@tanstack/react-query';
import { AppError } from '@stennet/core/errors';
import { queryClient } from './queries';

beforeEach(() => jest.useFakeTimers());
afterEach(() => {
  queryClient.clear();
  jest.useRealTimers();
});

/** Watches a question whose first answers are these. */
function watch(name: string, fails: AppError, times: number) {
  let asked = 0;
  const observer = new QueryObserver(queryClient, {
    queryKey: [name],
    queryFn: () => (++asked <= times ? Promise.reject(fails) : Promise.resolve('here')),
  });
  const stop = observer.subscribe(() => undefined);
  return { asked: () => asked, data: () => observer.getCurrentResult().data, stop };
}

test('a screen that found no server asks again by itself until it has its answer', async () => {
  const sheet = watch('sheet', new AppError('OFFLINE'), 4);
  await jest.advanceTimersByTimeAsync(30_000);
  expect(sheet.data()).toBe('here');
  expect(sheet.asked()).toBe(5);
  sheet.stop();
});

test('what was refused is not asked for again by itself', async () => {
  const sheet = watch('sheet', new AppError('NOT_FOUND'), 9);
  await jest.advanceTimersByTimeAsync(30_000);
  expect(sheet.asked()).toBe(1);
  sheet.stop();
});
