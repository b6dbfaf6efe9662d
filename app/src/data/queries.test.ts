import 'fake-indexeddb/auto';
import { QueryClient, QueryObserver } from '@tanstack/react-query';
import {
  persistQueryClientRestore,
  persistQueryClientSave,
} from '@tanstack/react-query-persist-client';
import { AppError } from '@stennet/core/errors';
import { isKept, persister, queryClient } from './queries';

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

/** An answer, then a question that fails; and what the next start of the app knows. */
async function knownAtNextStart(fails: AppError): Promise<unknown> {
  jest.useRealTimers();
  const ask = (queryFn: () => Promise<string>): Promise<unknown> =>
    queryClient.fetchQuery({ queryKey: ['today'], queryFn, retry: false }).catch(() => undefined);
  await ask(() => Promise.resolve('RO 2417'));
  await queryClient.invalidateQueries();
  await ask(() => Promise.reject(fails));
  const dehydrateOptions = { shouldDehydrateQuery: isKept };
  await persistQueryClientSave({ queryClient, persister, dehydrateOptions });
  // It writes twice a second at most.
  await new Promise((done) => setTimeout(done, 600));
  const next = new QueryClient();
  await persistQueryClientRestore({ queryClient: next, persister });
  const { data, status, error } = next.getQueryState(['today']) ?? {};
  next.clear();
  return { data, status, error };
}

test('a start without the server takes nothing from the next start without it', async () => {
  const known = { data: 'RO 2417', status: 'success', error: null };
  expect(await knownAtNextStart(new AppError('OFFLINE'))).toEqual(known);
});

test('what the server has refused is not shown at the next start', async () => {
  expect(await knownAtNextStart(new AppError('FORBIDDEN'))).toEqual({});
});
