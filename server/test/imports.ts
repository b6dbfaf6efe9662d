import type { ImportLine } from '@stennet/core/contract/work';
import type { Sheet } from '@stennet/core/procedure';
import type request from 'supertest';
import { ines, house } from './theShop';

/** A whole answer as text, however it is typed. */
export const asText = (test: request.Test): request.Test =>
  test.buffer(true).parse((res, done) => {
    const parts: Buffer[] = [];
    res.on('data', (part: Buffer) => parts.push(part));
    res.on('end', () => done(null, Buffer.concat(parts).toString('utf8')));
  });
export const exported = async (query: string, who = ines): Promise<string> =>
  String((await asText(who.get(`/api/library/export?${query}`)).expect(200)).body);
export async function bring(
  text: string | Buffer,
  how = 'mode=look',
  who = ines,
): Promise<ImportLine> {
  const reply = await asText(
    who
      .post(`/api/library/import?${how}`, undefined)
      .type('application/octet-stream')
      .send(Buffer.isBuffer(text) ? text : Buffer.from(text)),
  );
  expect(reply.status).toBe(200);
  const lines = String(reply.body)
    .trim()
    .split('\n')
    .map((l) => JSON.parse(l) as ImportLine);
  const last = lines.at(-1);
  if (!last?.done) throw new Error('the answer has no end');
  return last;
}
export const counts = async (): Promise<string> =>
  JSON.stringify(
    (
      await house.admin.query(
        'select (select count(*) from sheet_revision) r, (select count(*) from sheet_draft) d, (select count(*) from sheet_word) w',
      )
    ).rows,
  );
export const sheetsIn = (json: string): Sheet[] => (JSON.parse(json) as { sheets: Sheet[] }).sheets;
