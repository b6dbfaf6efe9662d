import fc from 'fast-check';
import { convert, readingDoubt, type UnitCode } from '.';

const TORQUES: readonly UnitCode[] = ['N.m', '[ft_i].[lbf_av]', '[in_i].[lbf_av]'];
const near = fc.double({ min: -0.08, max: 0.08, noNaN: true });
const target = fc.double({ min: 4, max: 300, noNaN: true });

test('a reading in another unit is asked about, in that unit', () => {
  fc.assert(
    fc.property(
      target,
      near,
      fc.constantFrom(...TORQUES),
      fc.constantFrom(...TORQUES),
      (value, off, asked, read) => {
        const expected = { value, unit: asked };
        const typed = convert(expected, read) * (1 + off);
        expect(readingDoubt(typed, expected)).toBe(read === asked ? null : read);
      },
    ),
  );
});

test('a reading that is only short, or far beyond, is left to its own questions', () => {
  const expected = { value: 50, unit: 'N.m' } as const;
  expect([50, 47, 40, 60, 100, 0, -3].map((v) => readingDoubt(v, expected))).toEqual(
    Array.from({ length: 7 }, () => null),
  );
  expect(readingDoubt(0.06, { value: 1.5, unit: 'mm' })).toBe('[in_i]');
  expect(readingDoubt(50, { value: 75, unit: 'deg' })).toBeNull();
});
