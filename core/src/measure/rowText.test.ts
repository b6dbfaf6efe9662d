import { addTranslations, speakAs } from '../language';
import { es } from '../language/es';
import { MEASURE_KINDS } from './names';
import { measureKinds } from './kinds';
import { rowText } from './rowText';

afterEach(() => speakAs(() => 'en'));

test('a given place is shown as it is stored in English', () => {
  for (const kind of MEASURE_KINDS)
    for (const row of measureKinds[kind].rows) expect(rowText(row)).toBe(row);
});

test('in Spanish every given place with a word in it is translated; other names stay', () => {
  addTranslations('es', es);
  speakAs(() => 'es');
  for (const kind of MEASURE_KINDS)
    for (const row of measureKinds[kind].rows)
      if (/[a-z]/i.test(row)) expect(rowText(row)).not.toBe(row);
  expect(rowText('gasket face')).toBe('gasket face');
});
