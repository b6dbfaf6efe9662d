import { act, renderHook } from '@testing-library/react-native';
import { keptChoice } from './keptChoice';

const kept = new Map<string, string>();
beforeAll(() => {
  Object.defineProperty(globalThis, 'localStorage', {
    configurable: true,
    value: {
      getItem: (key: string) => kept.get(key) ?? null,
      setItem: (key: string, value: string) => void kept.set(key, value),
    },
  });
});

test('what one person chose stays theirs, the rest is plain, and the same object stays while nothing changes', () => {
  const { useKept, put } = keptChoice('test', { sound: false, zoom: 1 });
  const mine = renderHook(() => useKept('mei'));
  expect(mine.result.current).toEqual({ sound: false, zoom: 1 });
  const before = mine.result.current;
  mine.rerender({});
  expect(mine.result.current).toBe(before);
  act(() => put('mei', { zoom: 3 }));
  expect(mine.result.current).toEqual({ sound: false, zoom: 3 });
  expect(renderHook(() => useKept('jonah')).result.current).toEqual({ sound: false, zoom: 1 });
});

test('what cannot be read is the plain choice', () => {
  kept.set('stennet.test2.mei', '{broken');
  const { useKept } = keptChoice('test2', { huge: false });
  expect(renderHook(() => useKept('mei')).result.current).toEqual({ huge: false });
});
