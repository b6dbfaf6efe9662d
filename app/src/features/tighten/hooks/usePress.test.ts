import { act, renderHook } from '@testing-library/react-native';
import { PULL_MS, SETTLE_MS, usePress } from './usePress';

let mockNow = 0;
let frames: (() => void)[] = [];
jest.mock('@/platform/clock', () => ({ ticks: () => mockNow }));
beforeEach(() => {
  mockNow = 0;
  frames = [];
  Object.assign(globalThis, {
    requestAnimationFrame: (tell: () => void) => frames.push(tell),
    cancelAnimationFrame: () => (frames = []),
  });
});
/** The screen draws: everything that waits for a frame is told. */
const frame = (): void =>
  act(() => {
    const due = frames;
    frames = [];
    for (const tell of due) tell();
  });

test('time counts from the frame in which it was seen, not from when it was known', () => {
  const { result, rerender } = renderHook(({ step }: { step: number }) => usePress(step), {
    initialProps: { step: 1 },
  });
  // Known for two seconds, and never drawn.
  mockNow = 2000;
  expect(result.current(true)).toBe('ignore');
  frame();
  expect(result.current(true)).toBe('ignore');
  frame();
  mockNow = 2000 + SETTLE_MS - 1;
  expect(result.current(true)).toBe('ignore');
  mockNow = 2000 + SETTLE_MS;
  expect(result.current(true)).toBe('askBack');
  expect(result.current(false)).toBe('take');
  mockNow = 2000 + PULL_MS;
  expect(result.current(true)).toBe('take');
  // The next one: what was seen before does not count for it.
  rerender({ step: 2 });
  mockNow += 5000;
  expect(result.current(true)).toBe('ignore');
  frame();
  frame();
  mockNow += PULL_MS;
  expect(result.current(true)).toBe('take');
});
