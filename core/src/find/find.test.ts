import fc from 'fast-check';
import { demoSheets } from '../testing';
import { checkVin, isNear, nearForms, seeded, sheetWords, SheetIndex, typedLike, wordsOf } from '.';

const index = new SheetIndex(
  demoSheets.map((s) => ({
    key: `${s.id} ${s.revision}`,
    words: sheetWords(s),
    stands: s.status === 'approved',
  })),
);
const top = (text: string, n = 3): string[] => index.find(text, n).map((h) => h.key);

test('words: accents, capitals, decimal commas and joined codes make no difference', () => {
  expect(wordsOf('Zylinderkopf OB-20, M10×1,5')).toEqual([
    'zylinderkopf',
    'ob',
    '20',
    'ob20',
    'm10',
    '1.5',
  ]);
  expect(wordsOf('ÉCROU')).toEqual(wordsOf('ecrou'));
});

test('found by engine code, part, misspelt, partial and in any order', () => {
  expect(top('ob20 flywheel')).toContain('ob20-flywheel B');
  expect(top('flywheel ob20')[0]).toMatch(/^ob20-flywheel/);
  expect(top('flyweel ob20')[0]).toMatch(/^ob20-flywheel/);
  expect(top('exhast sabel')[0]).toBe('qn47-exhaust B');
  expect(top('bv48 dam')[0]).toBe('bv48-damper B');
  expect(top('pressure plate ridge')[0]).toBe('tf25-pressure-plate B');
});

test('a superseded sheet comes after the one that stands', () => {
  const found = top('brenna cylinder head', 5);
  expect(found.indexOf('brenna-2-0-head C')).toBeLessThan(found.indexOf('brenna-2-0-head B'));
});

test('nothing typed finds nothing, and nonsense does not throw', () => {
  expect(index.find('')).toEqual([]);
  fc.assert(
    fc.property(fc.string({ unit: 'grapheme' }), (text) =>
      expect(index.find(text).length).toBeLessThanOrEqual(20),
    ),
  );
});

test('one slip is near and shares a near form; two slips in a short word are not', () => {
  const letters = fc.string({ unit: fc.constantFrom(...'abcdefgh'), minLength: 4, maxLength: 12 });
  fc.assert(
    fc.property(
      letters,
      fc.nat(20),
      fc.constantFrom(0, 1, 2, 3),
      fc.constantFrom(...'xyz'),
      (word, where, kind, letter) => {
        const at = where % word.length;
        const slipped =
          [
            word.slice(0, at) + word.slice(at + 1),
            word.slice(0, at) + letter + word.slice(at),
            word.slice(0, at) + letter + word.slice(at + 1),
            word.slice(0, at) + (word[at + 1] ?? '') + (word[at] ?? '') + word.slice(at + 2),
          ][kind] ?? '';
        expect(isNear(word, slipped)).toBe(true);
        if (slipped.length >= 4)
          expect(nearForms(word).some((f) => nearForms(slipped).includes(f))).toBe(true);
      },
    ),
  );
  expect(isNear('head', 'hxxd')).toBe(false);
  expect(isNear('bolt', 'b')).toBe(false);
});

test('the typist is the same each time, and its queries find their sheet among the first three', () => {
  const words = demoSheets
    .filter((s) => s.status === 'approved')
    .map((s) => ({
      key: `${s.id} ${s.revision}`,
      words: [...wordsOf(s.applies.engine), ...wordsOf(s.title)],
    }));
  expect(typedLike(['ob20', 'flywheel', 'kit'], seeded(3))).toBe(
    typedLike(['ob20', 'flywheel', 'kit'], seeded(3)),
  );
  const random = seeded(11);
  let found = 0;
  for (let i = 0; i < 300; i += 1) {
    const w = words[i % words.length];
    // All words of the title: what a person types who looks for this one.
    if (w && index.find(typedLike(w.words, random), 5).some((h) => h.key === w.key)) found += 1;
  }
  expect(found / 300).toBeGreaterThan(0.85);
});

test('a vehicle number: length and letters refuse, the check digit is a note', () => {
  expect(checkVin('ZZ9BREN20H000241')).toEqual({ kind: 'refused', why: 'length' });
  expect(checkVin('ZZ9BREN20H000O417')).toEqual({ kind: 'refused', why: 'letters' });
  expect(checkVin('11111111111111111')).toEqual({ kind: 'good', checkDigit: true });
  expect(checkVin('zz9bren20h0002417')).toMatchObject({ kind: 'good', checkDigit: false });
});
