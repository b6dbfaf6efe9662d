import { act, renderHook } from '@testing-library/react-native';
import { simulateWrench, WRENCH_ADDRESS, type WrenchPull } from '@stennet/core/trace';
import { testId } from '@stennet/core/testing';
import { FakeEventSource } from '../../test/fakeEventSource';
import { useWrenchLink, useWrenchLive } from './wrench';

const pullOf = (n: number): WrenchPull => {
  const { peakNm, trace } = simulateWrench(
    { to: { unit: 'N.m', value: 30 }, how: 'ok' },
    n,
    'Wrench 4',
  );
  return { id: testId(n), peak: { value: Math.round(peakNm * 10) / 10, unit: 'N.m' }, trace };
};
const hello = JSON.stringify({ format: 'stennet-wrench', v: 1, name: 'Wrench 4', simulated: true });

beforeEach(() => FakeEventSource.install());

/** In use and listened to. */
async function listening(inUse = true) {
  const shown = renderHook(({ used }: { used: boolean }) => useWrenchLink(used), {
    initialProps: { used: inUse },
  });
  await act(async () => {
    shown.result.current.listen(true);
    await Promise.resolve();
  });
  await act(() => new Promise((resolve) => setTimeout(resolve, 20)));
  const say = (name: string, data: unknown): void =>
    act(() =>
      FakeEventSource.all.at(-1)?.say(name, typeof data === 'string' ? data : JSON.stringify(data)),
    );
  return { ...shown, say, link: () => shown.result.current.link };
}

test('nothing is heard unless a digital wrench is in use and someone wants to listen', async () => {
  const { link, rerender, unmount } = await listening(false);
  expect(FakeEventSource.all).toHaveLength(0);
  expect(link().state).toBe('off');
  rerender({ used: true });
  await act(() => new Promise((resolve) => setTimeout(resolve, 20)));
  expect(FakeEventSource.all.map((s) => s.url)).toEqual([`${WRENCH_ADDRESS}/stream`]);
  expect(link().state).toBe('looking');
  // With another tool it is let go.
  rerender({ used: false });
  expect(FakeEventSource.all[0]?.readyState).toBe(FakeEventSource.CLOSED);
  expect(link().state).toBe('off');
  unmount();
});

test('it says who it is; what it read waits until it is kept or thrown away, and one that no one answered for is not forgotten', async () => {
  const { say, link, result, unmount } = await listening();
  say('wrench', hello);
  expect(link()).toMatchObject({ state: 'on', name: 'Wrench 4', simulated: true, pull: null });
  say('pull', pullOf(1));
  expect(link()).toMatchObject({ pull: { id: testId(1) }, missed: null });
  say('pull', pullOf(2));
  expect(link()).toMatchObject({ pull: { id: testId(2) }, missed: { id: testId(1) } });
  act(() => result.current.done());
  expect(link()).toMatchObject({ pull: null, missed: null, state: 'on' });
  unmount();
});

test.each([
  ['no JSON', 'x'],
  ['no pull', {}],
  ['a pull of another unit', { ...pullOf(3), peak: { value: 300, unit: 'N' } }],
  ['more than any wrench', { ...pullOf(3), peak: { value: 3100, unit: 'N.m' } }],
  ['less than nothing', { ...pullOf(3), peak: { value: -5, unit: '[ft_i].[lbf_av]' } }],
  ['a trace that does not hold', { ...pullOf(3), trace: { ...pullOf(3).trace, tS: [1, 1] } }],
])('%s is no pull', async (_what, data) => {
  const { say, link, unmount } = await listening();
  say('wrench', hello);
  say('pull', data);
  expect(link().pull).toBeNull();
  unmount();
});

test('what it read stays on the screen while the connection is lost', async () => {
  const { say, link, unmount } = await listening();
  say('wrench', hello);
  say('pull', pullOf(4));
  act(() => FakeEventSource.all.at(-1)?.fail('tries again'));
  expect(link()).toMatchObject({ state: 'looking', name: null, pull: { id: testId(4) } });
  say('wrench', hello);
  expect(link()).toMatchObject({ state: 'on', name: 'Wrench 4', pull: { id: testId(4) } });
  unmount();
});

test('another version of the stream is said, not passed over in silence', async () => {
  const { say, link, unmount } = await listening();
  say('wrench', { format: 'stennet-wrench', v: 2, name: 'Wrench 9', more: 'unknown' });
  expect(link()).toMatchObject({ state: 'other', name: 'Wrench 9' });
  unmount();
});

test('how it was as it pulled stays with the pull; a lost connection forgets how it is', async () => {
  const { say, link, unmount } = await listening();
  say('wrench', hello);
  say('state', { zeroing: true });
  say('pull', pullOf(5));
  say('state', { zeroing: false, battery: 40 });
  expect(link()).toMatchObject({
    condition: { zeroing: false, battery: 40 },
    atPull: { zeroing: true },
  });
  say('state', { battery: 'full' });
  expect(link().condition).toEqual({ zeroing: false, battery: 40 });
  act(() => FakeEventSource.all.at(-1)?.fail('tries again'));
  expect(link().condition).toEqual({});
  unmount();
});

test('what it reads on the way is there while it is pulled, and gone with the pull or when the hand lets go', async () => {
  const { say, unmount } = await listening();
  const shown = renderHook(() => useWrenchLive());
  say('wrench', hello);
  say('live', { torque: { value: 12, unit: 'N.m' } });
  expect(shown.result.current).toEqual({ torque: { value: 12, unit: 'N.m' } });
  say('live', { torque: { value: 12, unit: 'furlong' } });
  expect(shown.result.current?.torque.value).toBe(12);
  say('pull', pullOf(6));
  expect(shown.result.current).toBeNull();
  say('live', { torque: { value: 3, unit: 'N.m' } });
  await act(() => new Promise((resolve) => setTimeout(resolve, 1600)));
  expect(shown.result.current).toBeNull();
  unmount();
});
