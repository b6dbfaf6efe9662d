import fs from 'node:fs';
import path from 'node:path';
import request from 'supertest';
import { createApp } from './app';
import { house, ines, jonah, petra } from '../test/theShop';
import { demoId } from '../test/world';

const HOST = { Host: 'shop.test' };
const scrape = (app: Parameters<typeof request>[0], token?: string) =>
  request(app)
    .get('/metrics')
    .set(token ? { ...HOST, Authorization: `Bearer ${token}` } : HOST);

test('metrics are there for who shows the token, and for no one where there is none', async () => {
  expect((await scrape(house.app, 'anything')).status).toBe(404);
  const app = createApp({ ...house.options, metricsToken: 'let me look' });
  expect((await scrape(app)).status).toBe(404);
  expect((await scrape(app, 'let me loo')).status).toBe(404);
  const seen = await scrape(app, 'let me look');
  expect([seen.status, seen.headers['content-type']]).toEqual([
    200,
    expect.stringContaining('text/plain'),
  ]);
  expect(seen.text).toContain('stennet_db_up 1');
  expect(seen.text).toMatch(/stennet_disk_free_bytes \d{6,}/);
  expect(seen.text).not.toContain('stennet_archive_age_seconds');
});

test('requests are counted by their route, never by what stands in the address; refusals by their code', async () => {
  await jonah.get(`/api/orders/${demoId(201)}`).expect(200);
  await jonah.post(`/api/tools/${demoId(101)}`, {}).expect(403);
  const app = createApp({ ...house.options, metricsToken: 'look' });
  const { text } = await scrape(app, 'look');
  expect(text).toMatch(
    /stennet_request_seconds_count\{method="GET",route="\/api\/orders\/:order",status="200"\} [1-9]/,
  );
  expect(text).toMatch(/stennet_refusals_total\{code="FORBIDDEN"\} [1-9]/);
  expect(text).not.toContain(demoId(201));
});

test('how the house stands is for the lead', async () => {
  expect((await jonah.get('/api/system')).body.error.code).toBe('FORBIDDEN');
  expect((await petra.get('/api/system')).body.error.code).toBe('FORBIDDEN');
  const { body } = await ines.get('/api/system').expect(200);
  expect(body).toMatchObject({
    server: { name: expect.any(String), startedAt: expect.any(String) },
    replicaLagS: null,
    archive: null,
    waiting: 0,
  });
  expect(body.devices).toBeGreaterThanOrEqual(4);
  expect(body.freeBytes).toBeGreaterThan(0);
  expect(body.servers).toContainEqual({ name: 'alone', startedAt: expect.any(String) });
  expect(body.unsent).toEqual([]);
  expect(body.backups).toEqual([]);
});

test('the last backups are told, the newest first; a line that was cut off is none', async () => {
  const made = (day: number): string =>
    JSON.stringify({
      at: `2026-11-0${day}T20:00:00.000Z`,
      name: `shop-${day}.tar`,
      bytes: day * 1000,
      encrypted: day % 2 === 0,
    });
  const list = path.join(house.keys.folder, 'backups.jsonl');
  fs.writeFileSync(list, `${[1, 2, 3, 4, 5, 6].map(made).join('\n')}\n{"at":"2026-`);
  const { body } = await ines.get('/api/system').expect(200);
  fs.rmSync(list);
  expect(body.backups.map((b: { name: string }) => b.name)).toEqual([
    'shop-6.tar',
    'shop-5.tar',
    'shop-4.tar',
    'shop-3.tar',
    'shop-2.tar',
  ]);
  expect(body.backups[0]).toMatchObject({ bytes: 6000, encrypted: true });
});

test('a phone that has not sent everything says so with whatever it asks', async () => {
  const asks = (unsent: string) =>
    request(house.app)
      .get('/api/me')
      .set(HOST)
      .set('Cookie', `${jonah.cookie}; stennet_unsent=${unsent}`)
      .expect(200);
  const waiting = async (): Promise<unknown> =>
    (await ines.get('/api/system').expect(200)).body.unsent;
  await asks('14');
  expect(await waiting()).toEqual([
    { person: 'Jonah Pike', device: expect.any(String), seenAt: expect.any(String), unsent: 14 },
  ]);
  // What no phone of ours says counts for nothing.
  await asks('many');
  expect(await waiting()).toEqual([]);
});
