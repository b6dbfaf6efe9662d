import 'fake-indexeddb/auto';
import { act, renderHook, waitFor } from '@testing-library/react-native';
import { database } from './database';
import { leave } from './leaving';
import { useKeptForm } from './useKeptForm';

const mockMe = { person: { id: 'mei' }, shop: { id: 'halden' } };
jest.mock('./account', () => ({ useSignedIn: () => ({ me: mockMe }) }));

const EMPTY = { note: '', km: 0 };
const open = (name: string) => renderHook(() => useKeptForm(name, EMPTY));
const onDisk = async () => (await database()).getAll('answers');
const aMoment = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, 30));
/** The browser was closed: nothing is left but what is on disk. */
const closed = (): Promise<void> => aMoment().then(leave);

beforeEach(async () => {
  mockMe.person.id = 'mei';
  leave();
  await (await database()).clear('answers');
});

test('taken down in the moment in which something was typed, it is there where it is shown next', async () => {
  const first = await open('note');
  await act(() => {
    first.result.current.put({ note: 'leaks at the' });
    first.result.current.put({ km: 12 });
    void first.unmount();
  });
  const next = await open('note');
  expect(next.result.current).toMatchObject({
    form: { note: 'leaks at the', km: 12 },
    isTouched: true,
    isRestored: true,
  });
});

test('closed and opened again, it is brought back and said to be; once let go it stays gone', async () => {
  const first = await open('note');
  expect(first.result.current).toMatchObject({ form: EMPTY, isTouched: false, isRestored: false });
  await act(() => first.result.current.put({ note: 'hot smell' }));
  expect(first.result.current).toMatchObject({ isTouched: true, isRestored: false });
  await first.unmount();
  await closed();
  const next = await open('note');
  await waitFor(() =>
    expect(next.result.current).toMatchObject({
      form: { note: 'hot smell', km: 0 },
      isRestored: true,
    }),
  );
  await act(() => next.result.current.clear());
  expect(next.result.current).toMatchObject({ form: EMPTY, isTouched: false, isRestored: false });
  await next.unmount();
  await closed();
  expect(await onDisk()).toEqual([]);
  expect((await open('note')).result.current.isTouched).toBe(false);
});

test('who typed before the disk was read keeps what they typed, and what stood there beside it', async () => {
  await (
    await database()
  ).put('answers', JSON.stringify({ note: 'older', km: 1 }), 'form note of mei in halden');
  const { result } = await open('note');
  await act(() => result.current.put({ note: 'newer' }));
  await act(aMoment);
  expect(result.current.form).toEqual({ note: 'newer', km: 1 });
  expect(await onDisk()).toEqual([JSON.stringify({ note: 'newer', km: 1 })]);
});

test('the same form of someone else on this phone is another', async () => {
  const { result, unmount } = await open('note');
  await act(() => result.current.put({ note: 'of Mei' }));
  await unmount();
  mockMe.person.id = 'jonah';
  expect((await open('note')).result.current.form).toEqual(EMPTY);
});
