import request from 'supertest';
import { house } from './theShop';
import { ORIGIN } from './world';

export const GUESSES = process.env.STENNET_ALL ? 400 : 60;
export const door = (body: object, cookie = '') =>
  request(house.app)
    .post('/api/session')
    .set({ Host: 'shop.test', Origin: ORIGIN, Cookie: cookie })
    .send(body);
export const codesOf = (replies: request.Response[]): Record<string, number> => {
  const counts: Record<string, number> = {};
  for (const { body } of replies)
    counts[body.error?.code ?? 'in'] = (counts[body.error?.code ?? 'in'] ?? 0) + 1;
  return counts;
};
export const later = (minutes: number): void =>
  void (house.clock = new Date(house.clock.getTime() + minutes * 60000));
export const many = <T>(n: number, ask: (i: number) => PromiseLike<T>): Promise<T[]> =>
  Promise.all(Array.from({ length: n }, (_, i) => ask(i)));
