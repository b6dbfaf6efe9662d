import { createElement, type ReactNode } from 'react';
import { QueryClientProvider } from '@tanstack/react-query';
import { renderHook, waitFor } from '@testing-library/react-native';
import { AppError } from '@stennet/core/errors';
import { queryClient, useOrder } from './queries';
import { queryKeys } from './queryKeys';

const mockRefusal = new AppError('NOT_FOUND');
jest.mock('@/platform/shown', () => ({ useIsShown: () => true }));
jest.mock('./api', () => ({
  ...jest.requireActual<object>('./api'),
  call: () => Promise.reject(mockRefusal),
}));
afterEach(() => queryClient.clear());

test('an order that Today has stays on the screen where asking for it fails: a form on it is not lost', async () => {
  queryClient.setQueryData(queryKeys.today, { orders: [{ id: 'o1', number: '2417' }] });
  const wrapper = ({ children }: { children: ReactNode }) =>
    createElement(QueryClientProvider, { client: queryClient }, children);
  const { result } = await renderHook(() => useOrder('o1'), { wrapper });
  expect(result.current.data).toMatchObject({ number: '2417' });
  await waitFor(() => expect(result.current.isError).toBe(true));
  expect(result.current.data).toMatchObject({ number: '2417' });
});
