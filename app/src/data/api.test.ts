import { AppError } from '@stennet/core/errors';
import { asAppError, call, callRaw, noteNewSignIn } from './api';

jest.mock('@/platform/clockOff', () => ({
  noteServerTime: (date: string | null) => mockTimes.push(date),
}));
const mockTimes: (string | null)[] = [];

/** What the server answers to the next question, and what it was asked. */
let asked: { path: string; init: RequestInit }[] = [];
function answer(status: number, body: unknown, before: () => void = () => undefined): void {
  global.fetch = ((path: string, init: RequestInit) => {
    asked.push({ path, init });
    before();
    const text = typeof body === 'string' ? body : JSON.stringify(body);
    return Promise.resolve({
      ok: status < 400,
      status,
      headers: new Map([['date', 'Thu, 26 Nov 2026 08:00:00 GMT']]),
      json: () => Promise.resolve().then(() => JSON.parse(text) as unknown),
    });
  }) as never;
}
beforeEach(() => {
  asked = [];
});
const refusal = (work: Promise<unknown>): Promise<AppError> =>
  work.then(() => Promise.reject(new Error('taken')), asAppError);

test('a question goes to its route with its names in place; a newer server may say more than is known here, but not less', async () => {
  answer(200, { ok: true, ofANewerServer: true });
  expect(
    await call(
      'settleFollowUp',
      { followUp: 'a/b' },
      { version: 1, state: 'done', note: null, seenKm: null },
    ),
  ).toEqual({ ok: true });
  expect(asked[0]).toMatchObject({
    path: '/api/follow-ups/a%2Fb',
    init: {
      method: 'POST',
      credentials: 'same-origin',
      headers: { 'Content-Type': 'application/json' },
    },
  });
  expect(JSON.parse(String(asked[0]?.init.body))).toMatchObject({ version: 1, state: 'done' });
  await call('dropFeed');
  expect(asked[1]).toMatchObject({ path: '/api/me/feed', init: { method: 'DELETE' } });
  expect(asked[1]?.init.body).toBeUndefined();
  expect(mockTimes.at(-1)).toContain('2026');
  answer(200, {});
  await expect(call('dropFeed')).rejects.toThrow(/"ok"/);
});

test('what stands behind the question mark, plain bytes', async () => {
  answer(200, { due: [], hasFeed: false });
  await call('followUps', {}, undefined, { state: 'done' });
  expect(asked[0]?.path).toBe('/api/follow-ups?state=done');
  answer(200, { have: 2, photo: null, width: 0, height: 0 });
  await callRaw('photoPiece', { photo: 'f' }, new Uint8Array([1, 2]), { start: '0', size: '9' });
  expect(asked[1]).toMatchObject({
    path: '/api/photos/f?start=0&size=9',
    init: { body: new Uint8Array([1, 2]), headers: { 'Content-Type': 'application/octet-stream' } },
  });
});

test('a refusal comes as what it is, with its words', async () => {
  answer(409, { error: { code: 'FOLLOW_UP_CHANGED', params: { by: 'Mei' } } });
  const why = await refusal(call('dropFeed'));
  expect(why.code).toBe('FOLLOW_UP_CHANGED');
  expect(why.message).toContain('Mei');
});

test.each([
  ['no server', () => (global.fetch = (() => Promise.reject(new TypeError('failed'))) as never)],
  ['a proxy’s own page', () => answer(502, '<html>Bad gateway</html>')],
  ['a code of a newer server', () => answer(400, { error: { code: 'NEVER_HEARD_OF' } })],
  ['a refusal without a code', () => answer(500, {})],
])('%s is as good as none: it is tried again later', async (_what, set) => {
  set();
  expect((await refusal(call('dropFeed'))).code).toBe('OFFLINE');
});

test('“no one is signed in” said to a question of before the last sign-in is not news', async () => {
  answer(401, { error: { code: 'SIGN_IN_NEEDED' } });
  expect((await refusal(call('dropFeed'))).code).toBe('SIGN_IN_NEEDED');
  answer(401, { error: { code: 'SIGN_IN_NEEDED' } }, noteNewSignIn);
  expect((await refusal(call('dropFeed'))).code).toBe('OFFLINE');
});

test('what is no refusal is a fault of ours, and says so', () => {
  expect(asAppError(new Error('x')).code).toBe('INTERNAL');
  const own = new AppError('OFFLINE');
  expect(asAppError(own)).toBe(own);
});
