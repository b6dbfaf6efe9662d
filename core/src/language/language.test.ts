import { addTranslations, inEnglish, languageFor, localeFor, speakAs, textAt, textsOf } from '.';

const text = textsOf('test', {
  plain: 'Save',
  named: '{{bolt}} at {{place}}',
  pulls_zero: 'No pulls yet',
  pulls_one: '{{count}} pull on {{bolt}}',
  pulls_other: '{{count}} pulls on {{bolt}}',
  kinds: { nut: 'Nut', bolt: 'Bolt' },
  deep: { er: { said: '{{a}} & {{b}} <c>' } },
});
addTranslations('es', {
  test: {
    plain: 'Guardar',
    pulls_one: '{{count}} tirón en {{bolt}}',
    pulls_other: '{{count}} tirones en {{bolt}}',
  },
});

afterEach(() => speakAs(() => 'en'));

test('says a message with its values, as they are', () => {
  expect(text.plain).toBe('Save');
  expect(text.named({ bolt: 'Bolt 7', place: '3 o’clock' })).toBe('Bolt 7 at 3 o’clock');
  expect(text.deep.er.said({ a: '<b>', b: '{{a}}' })).toBe('<b> & {{a}} <c>');
});

test('counts', () => {
  const on = (count: number) => text.pulls({ count, bolt: '4' });
  expect([on(0), on(1), on(2)]).toEqual(['No pulls yet', '1 pull on 4', '2 pulls on 4']);
});

test('speaks the language of the moment, and English where that has no word', () => {
  const before = text.plain;
  speakAs(() => 'es');
  expect([before, text.plain]).toEqual(['Save', 'Guardar']);
  expect(text.pulls({ count: 1, bolt: '4' })).toBe('1 tirón en 4');
  expect(text.kinds.nut).toBe('Nut');
  expect(inEnglish(() => text.plain)).toBe('Save');
  expect(text.plain).toBe('Guardar');
});

test('what was read in English for want of its words is read anew once they are there', () => {
  const late = textsOf('late', { save: 'Save' });
  speakAs(() => 'es');
  expect(late.save).toBe('Save');
  addTranslations('es', { late: { save: 'Guardar' } });
  expect(late.save).toBe('Guardar');
});

test('a group can be asked with a name from elsewhere', () => {
  const kind: string = 'stud';
  expect(textAt(text.kinds, kind)).toBeUndefined();
  expect(textAt(text.kinds, 'nut')).toBe('Nut');
  expect(textAt(text.kinds, 'toString')).toBeUndefined();
  expect(Object.values(text.kinds)).toEqual(['Nut', 'Bolt']);
});

test('takes the first language of a browser that it speaks', () => {
  expect(languageFor(['es-MX', 'en'])).toBe('es');
  expect(languageFor(['pt-BR', ' en-US', 'es'])).toBe('en');
  expect(languageFor(['ca'])).toBe('en');
  expect(languageFor([])).toBe('en');
});

test('writes numbers as the shop does, in Spanish with a point', () => {
  expect([localeFor('en-GB'), localeFor('de-DE')]).toEqual(['en-GB', 'de-DE']);
  speakAs(() => 'es');
  expect([localeFor('en-GB'), localeFor('es-MX')]).toEqual(['es-US', 'es-MX']);
});
