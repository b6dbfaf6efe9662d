import type { Request, Response } from 'express';
import { languageNow } from '@stennet/core/language';
import { jonah } from '../test/theShop';
import { speakLanguage } from './language/speak';

test('a refusal is in the first language of the browser that is spoken here, also past a body', async () => {
  const asked = async (language: string): Promise<string> =>
    (
      await jonah
        .post('/api/tools/00000000-0000-4000-8000-000000000001', {
          version: 0,
          tool: {},
          retired: false,
        })
        .set('Accept-Language', language)
    ).body.error.message;
  const [english, spanish] = [await asked('pt-BR, en;q=0.8'), await asked('es-MX,es;q=0.9,en')];
  expect(english).toBe('Your role (technician) doesn’t allow this.');
  expect(spanish).toBe('Su puesto (técnico) no permite esto.');
  expect((await jonah.get('/api/nothing').set('Accept-Language', 'es')).body.error.fix).toBe(
    'Revise el enlace o vuelva a Hoy.',
  );
});

test('the language chosen in the app comes before the browser’s; nonsense is no language', () => {
  const spoken = (headers: Record<string, string>): string => {
    let now = '';
    const request = { get: (name: string) => headers[name] } as unknown as Request;
    void speakLanguage(request, {} as Response, () => (now = languageNow()));
    return now;
  };
  expect(spoken({ cookie: 'stennet-language=es', 'accept-language': 'en' })).toBe('es');
  expect(spoken({ cookie: 'stennet-language=en', 'accept-language': 'es' })).toBe('en');
  expect(spoken({ cookie: 'stennet-language=../x', 'accept-language': 'es' })).toBe('es');
  expect(spoken({})).toBe('en');
  expect(languageNow()).toBe('en');
});
