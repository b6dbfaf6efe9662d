import type { Signing } from '@stennet/core/contract';
import type { RecordFile } from '@stennet/core/record';
import request from 'supertest';
import { jonah, house } from './theShop';
import { demoId, type Session, ORIGIN } from './world';

let made = 0;
export const wordId = (): string =>
  `9d000000-0000-4000-8000-${String((made += 1)).padStart(12, '0')}`;
/** Finished by Mei 24 days ago and signed by her; by Jonah 41 days ago, signed by two. */
export const QS16 = demoId(822);
export const BRENNA = demoId(821);
export async function finishedRun(): Promise<{ run: string; count: number }> {
  const t = await jonah.technician(await house.freshJoint());
  const events = t.finish();
  await jonah.append(t.place.run, events).expect(200);
  return { run: t.place.run, count: events.length };
}
export const sign = (
  session: Session,
  run: string,
  position: number,
  kind = 'technician',
  more: object = {},
) => session.post(`/api/runs/${run}/signatures`, { id: wordId(), kind, position, ...more });
export const signing = async (run: string): Promise<Signing> =>
  (await jonah.get(`/api/runs/${run}/signatures`).expect(200)).body as Signing;
export const fileOf = async (run: string): Promise<RecordFile> =>
  (await jonah.get(`/api/runs/${run}/record?form=json`).expect(200)).body as RecordFile;
export const bringIn = (session: Session, body: Buffer) =>
  request(house.app)
    .post('/api/foreign')
    .set('Host', 'shop.test')
    .set('Origin', ORIGIN)
    .set('Cookie', session.cookie)
    .set('Content-Type', 'application/octet-stream')
    .send(body);
export function binary(
  res: request.Response,
  done: (error: Error | null, body: Buffer) => void,
): void {
  const parts: Buffer[] = [];
  const stream = res as unknown as NodeJS.ReadableStream;
  stream.on('data', (part: Buffer) => parts.push(part));
  stream.on('end', () => done(null, Buffer.concat(parts)));
}
