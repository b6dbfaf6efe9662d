import { act, renderHook } from '@testing-library/react-native';
import type { Me } from '@stennet/core/contract';
import { AppError } from '@stennet/core/errors';
import {
  enrolHere,
  isUnseen,
  leaveBay,
  noteVerified,
  takeDevice,
  unverified,
  useEnrolled,
  useUnverified,
  verifyNow,
} from './bay';

interface Asked {
  name: string;
  body: { person?: string; pin?: string; secret: string; device: string };
}
const mockAsked: Asked[] = [];
let mockAnswer: (asked: Asked) => Promise<unknown> = () => Promise.resolve({});
jest.mock('@/platform/device', () => ({ deviceId: () => 'device' }));
jest.mock('./api', () => ({
  asAppError: (e: unknown) => e,
  call: (name: string, _params: unknown, body: Asked['body']) => {
    mockAsked.push({ name, body });
    return mockAnswer({ name, body });
  },
}));

const me = (id: string): Me =>
  ({ person: { id, name: id }, shop: { id: 'shop' } }) as unknown as Me;
const MEI = me('mei');
const away = () => Promise.reject(new AppError('OFFLINE'));
const agrees = ({ body }: Asked) => Promise.resolve(me(body.person ?? ''));
/** Where PINs are right or wrong. */
const knows = (pin: string) => (asked: Asked) =>
  asked.body.pin === pin ? agrees(asked) : Promise.reject(new AppError('PIN_WRONG', { left: 4 }));

const enrolled = async (who: Me) => {
  mockAnswer = () => Promise.resolve({ ok: true });
  const { result, unmount } = renderHook(() => useEnrolled());
  await act(() => enrolHere(who));
  const found = result.current.find((e) => e.me.person.id === who.person.id);
  unmount();
  if (!found) throw new Error('not enrolled');
  return found;
};
beforeEach(() => {
  mockAsked.length = 0;
  for (const id of ['mei', 'jonah']) {
    leaveBay(id);
    noteVerified(id);
  }
});

test('who enrols has a secret of this device, another one each time, and stands in the list once', async () => {
  const first = await enrolled(MEI);
  const again = await enrolled(MEI);
  expect(first.secret).toMatch(/^[\w-]{43}$/);
  expect(again.secret).not.toBe(first.secret);
  const { result } = renderHook(() => useEnrolled());
  expect(result.current.map((e) => e.me.person.id)).toEqual(['mei']);
  expect(mockAsked.map((a) => [a.name, a.body.device, a.body.secret])).toEqual([
    ['enrol', 'device', first.secret],
    ['enrol', 'device', again.secret],
  ]);
  act(() => leaveBay('mei'));
  expect(result.current).toEqual([]);
});

test('where the server does not take it, no one is enrolled', async () => {
  mockAnswer = away;
  await expect(enrolHere(MEI)).rejects.toMatchObject({ code: 'OFFLINE' });
  expect(renderHook(() => useEnrolled()).result.current).toEqual([]);
});

test('with the right PIN the server agrees, and nothing waits', async () => {
  const mei = await enrolled(MEI);
  mockAnswer = knows('1470');
  expect((await takeDevice(mei, '1470')).person.id).toBe('mei');
  expect([unverified(), isUnseen('mei')]).toEqual([null, false]);
});

test('a wrong PIN changes no one over', async () => {
  const mei = await enrolled(MEI);
  mockAnswer = knows('1470');
  await expect(takeDevice(mei, '0000')).rejects.toMatchObject({ code: 'PIN_WRONG' });
  expect([unverified(), isUnseen('mei')]).toEqual([null, false]);
});

test('without the server they are on, not verified, and theirs waits until the server has agreed', async () => {
  const mei = await enrolled(MEI);
  const { result } = renderHook(() => useUnverified());
  mockAnswer = away;
  await act(async () => expect((await takeDevice(mei, '1470')).person.id).toBe('mei'));
  expect([result.current, isUnseen('mei'), isUnseen('jonah'), isUnseen(undefined)]).toEqual([
    'mei',
    true,
    false,
    false,
  ]);
  // Still away: nothing is decided.
  await act(() => expect(verifyNow()).rejects.toMatchObject({ code: 'OFFLINE' }));
  expect(result.current).toBe('mei');
  mockAnswer = knows('1470');
  await act(async () => expect((await verifyNow()).person.id).toBe('mei'));
  expect([result.current, isUnseen('mei')]).toEqual([null, false]);
});

test('a PIN that turns out wrong is forgotten: their password is asked, and theirs goes on waiting', async () => {
  const mei = await enrolled(MEI);
  mockAnswer = away;
  await takeDevice(mei, '0000');
  mockAnswer = knows('1470');
  await expect(verifyNow()).rejects.toMatchObject({ code: 'SIGN_IN_NEEDED' });
  const before = mockAsked.length;
  // Not tried a second time: each try counts at the server.
  await expect(verifyNow()).rejects.toMatchObject({ code: 'SIGN_IN_NEEDED' });
  expect(mockAsked).toHaveLength(before);
  expect(isUnseen('mei')).toBe(true);
  noteVerified('mei');
  expect(isUnseen('mei')).toBe(false);
});

test('two who were on without the server: each is seen for themselves', async () => {
  const [mei, jonah] = [await enrolled(MEI), await enrolled(me('jonah'))];
  mockAnswer = away;
  await takeDevice(mei, '1470');
  await takeDevice(jonah, '2580');
  expect([unverified(), isUnseen('mei'), isUnseen('jonah')]).toEqual(['jonah', true, true]);
  mockAnswer = agrees;
  await verifyNow();
  expect([unverified(), isUnseen('mei'), isUnseen('jonah')]).toEqual([null, true, false]);
});
