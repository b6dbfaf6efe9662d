import 'fake-indexeddb/auto';
import { createElement, type ReactNode } from 'react';
import { QueryClient, QueryClientProvider, QueryObserver } from '@tanstack/react-query';
import { renderHook, waitFor } from '@testing-library/react-native';
import {
  persistQueryClientRestore,
  persistQueryClientSave,
} from '@tanstack/react-query-persist-client';
import type { Me } from '@stennet/core/contract';
import { AppError } from '@stennet/core/errors';
import { onLeaving } from './leaving';
import { keepOnly, persistOptions, queryClient, useMe } from './queries';
import { queryKeys } from './queryKeys';

const mockAnswers: Record<string, unknown> = {};
jest.mock('./api', () => ({
  ...jest.requireActual<object>('./api'),
  call: (name: string) => Promise.resolve(mockAnswers[name]),
}));

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
  await persistQueryClientSave({ queryClient, ...persistOptions });
  // It writes twice a second at most.
  await new Promise((done) => setTimeout(done, 600));
  const next = await nextStart();
  const { data, status, error } = next.getQueryState(['today']) ?? {};
  next.clear();
  return { data, status, error };
}

async function nextStart(): Promise<QueryClient> {
  const next = new QueryClient();
  await persistQueryClientRestore({ queryClient: next, ...persistOptions });
  return next;
}

test('a start without the server takes nothing from the next start without it', async () => {
  const known = { data: 'RO 2417', status: 'success', error: null };
  expect(await knownAtNextStart(new AppError('OFFLINE'))).toEqual(known);
});

test('what the server has refused is not shown at the next start', async () => {
  expect(await knownAtNextStart(new AppError('FORBIDDEN'))).toEqual({});
});

const seat = (person: string, shop: string): Me =>
  ({ person: { id: person }, shop: { id: shop } }) as Me;

test('whoever takes a device over is on at the next start, with no answer of the one before', async () => {
  await knownAtNextStart(new AppError('OFFLINE'));
  // The page is gone before the answers are next written.
  await keepOnly(seat('ines', 'tern'));
  const next = await nextStart();
  expect(
    next
      .getQueryCache()
      .getAll()
      .map((q) => q.queryKey),
  ).toEqual([queryKeys.me]);
  expect(next.getQueryData(queryKeys.me)).toEqual(seat('ines', 'tern'));
  next.clear();
});

/** What is left of one answer when the server says that this is signed in. */
async function leftWhen(now: Me): Promise<{ data: unknown; hasLeft: boolean }> {
  jest.useRealTimers();
  let hasLeft = false;
  const stop = onLeaving(() => (hasLeft = true));
  queryClient.setQueryData(queryKeys.me, seat('ines', 'halden'));
  queryClient.setQueryData(queryKeys.tools, 'tools of Halden Quay');
  mockAnswers.me = now;
  const wrapper = ({ children }: { children: ReactNode }) =>
    createElement(QueryClientProvider, { client: queryClient }, children);
  const hook = renderHook(() => useMe(), { wrapper });
  await waitFor(() => expect(hook.result.current.isFetching).toBe(false));
  expect(hook.result.current.data).toEqual(now);
  hook.unmount();
  stop();
  return { data: queryClient.getQueryData(queryKeys.tools), hasLeft };
}

test.each([
  ['another person', seat('jonah', 'halden')],
  ['another shop', seat('ines', 'tern')],
])('%s signed in from another tab sees no answer of the one before', async (_who, now) => {
  expect(await leftWhen(now)).toEqual({ data: undefined, hasLeft: true });
});

test('who is still the same keeps all answers', async () => {
  const data = 'tools of Halden Quay';
  expect(await leftWhen(seat('ines', 'halden'))).toEqual({ data, hasLeft: false });
});
