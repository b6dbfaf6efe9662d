import { keptTexts, tabTexts } from './keptText';

/** What a browser does when it is asked for its storage. */
function storage(
  how: 'keeps' | 'refuses' | 'is full',
  kept = new Map<string, string>(),
): Map<string, string> {
  const full = (): never => {
    throw new Error('QuotaExceededError');
  };
  const keeps = {
    getItem: (name: string) => kept.get(name) ?? null,
    setItem: how === 'is full' ? full : (name: string, text: string) => void kept.set(name, text),
    removeItem: (name: string) => void kept.delete(name),
  };
  Object.defineProperty(globalThis, 'localStorage', {
    configurable: true,
    get: () => {
      if (how === 'refuses') throw new Error('SecurityError');
      return keeps;
    },
  });
  return kept;
}

test('a text is kept under its name, and gone when it is dropped', () => {
  const kept = storage('keeps');
  keptTexts.put('a', '1');
  expect([kept.get('a'), keptTexts.get('a'), keptTexts.get('b')]).toEqual(['1', '1', null]);
  keptTexts.drop('a');
  expect([kept.size, keptTexts.get('a')]).toEqual([0, null]);
});

test.each(['refuses', 'is full'] as const)(
  'a browser that %s: what was put lasts as long as the page',
  (how) => {
    storage(how);
    expect(keptTexts.get('x')).toBeNull();
    keptTexts.put('x', '1');
    expect(keptTexts.get('x')).toBe('1');
    keptTexts.drop('x');
    expect(keptTexts.get('x')).toBeNull();
  },
);

test('what did not fit stands above what was kept before it, and is kept once there is room', () => {
  const kept = storage('keeps');
  keptTexts.put('y', 'old');
  storage('is full', kept);
  keptTexts.put('y', 'new');
  expect([kept.get('y'), keptTexts.get('y')]).toEqual(['old', 'new']);
  storage('keeps', kept);
  keptTexts.put('y', 'newer');
  expect([kept.get('y'), keptTexts.get('y')]).toEqual(['newer', 'newer']);
});

test('where there is no storage at all, a tab still knows what was said in it', () => {
  tabTexts.put('seen', 'yes');
  expect(tabTexts.get('seen')).toBe('yes');
});
