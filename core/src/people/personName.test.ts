import fc from 'fast-check';
import * as v from 'valibot';
import { nameKey, nameLook, PersonNameSchema } from './personName';

const isGood = (name: string): boolean => v.is(PersonNameSchema, name);

test.each([
  ['  Jonah   Pike ', 'JONAH PIKE'],
  ['İnes Çorte', 'ines çorte'],
  ['Işık', 'IŞIK'],
  ['ışık', 'IŞIK'],
  ['Οδυσσεύς', 'ΟΔΥΣΣΕΎΣ'],
  ['Weiß', 'WEISS'],
  ['Ｊｏｎａｈ', 'jonah'],
])('%p and %p are one person', (a, b) => expect(nameKey(a)).toBe(nameKey(b)));

test('a key is its own key, in upper and lower case', () => {
  fc.assert(
    fc.property(fc.string({ unit: 'grapheme', maxLength: 40 }), (name) =>
      expect(nameKey(nameKey(name))).toBe(nameKey(name)),
    ),
  );
});

test.each([
  'Jonah\u200bPike',
  'Jonah\u00ad Pike',
  '\u202eekiP hanoJ',
  'Jonаh Pike',
  'Ines Cοrte',
  '   ',
  '<b>Ines</b>',
  'Ines\tCorte\u0000',
])('%p is no name', (name) => expect(isGood(name)).toBe(false));
test.each([
  'Jonah Pike',
  "Siân O'Connor-Hughes",
  'Þórdís Jónsdóttir',
  'Игорь Сомов',
  'Ελένη',
  '王小明',
  'J. R. Pike 2',
])('%p is a name', (name) => expect(isGood(name)).toBe(true));

test('all in another script that looks Latin has the look of the Latin one', () => {
  expect(isGood('Оса')).toBe(true);
  expect(nameLook('Оса')).toBe(nameLook('Oca'));
  expect(nameLook('Jonah Pike')).not.toBe(nameLook('Mei Sandoval'));
});
