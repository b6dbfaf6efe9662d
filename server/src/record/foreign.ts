import express, { type Express } from 'express';
import * as v from 'valibot';
import { AppError } from '@stennet/core/errors';
import { faultText, RecordFileSchema, verifyRecordFile, type RecordFile } from '@stennet/core/record';
import { onlyRow } from '../db/database';
import findForeign from '../db/queries/findForeign.sql';
import insertForeign from '../db/queries/insertForeign.sql';
import { register, requirePerson, serve, type Deps } from '../http/serve';
import { isArchive, recordsIn } from './archive';
import { fingerprintOf, fitsKey } from './keys';

const MOST_BYTES = '60mb';

/** Records from other installations: checked from the first entry to the last signature before any of them is kept. */
export function foreignRoutes(app: Express, deps: Deps): void {
  app.post('/api/foreign', express.raw({ type: () => true, limit: MOST_BYTES }));
  register(app, 'takeForeign', async (req, res) => {
    const session = await requirePerson(deps, 'takeForeign', req);
    if (!Buffer.isBuffer(req.body) || req.body.length === 0) throw new AppError('FOREIGN_UNREADABLE', { why: 'it is empty' });
    const files = readForeign(req.body);
    for (const file of files) {
      const fault = faultOf(file);
      if (fault) throw new AppError('FOREIGN_BROKEN', { number: file.order.number, joint: file.joint, fault });
    }
    await deps.db.inShop(session.shop.id, async (client) => {
      for (const f of files) {
        const of = [f.order.vehicle.vin.toUpperCase(), f.order.number, f.joint, f.shop.name, fingerprintOf(f.shop.key)];
        await client.query(insertForeign, [session.shop.id, f.run.id, ...of, JSON.stringify(f), session.person.id, deps.now()]);
      }
    });
    res.json({ taken: files.length, records: files.map((f) => ({ run: f.run.id, number: f.order.number, joint: f.joint, from: f.shop.name, fault: null })) });
  });

  serve(app, deps, 'foreignRecord', async ({ client, params }) => {
    const { body } = onlyRow((await client.query<{ body: string }>(findForeign, [params.run])).rows, new AppError('NOT_FOUND'));
    return JSON.parse(body) as RecordFile;
  });
}

/** One document, or all records of an archive. @throws AppError FOREIGN_UNREADABLE */
export function readForeign(bytes: Uint8Array): RecordFile[] {
  const texts = isArchive(bytes) ? recordsIn(bytes) : [new TextDecoder().decode(bytes)];
  return texts.map((text) => {
    let json: unknown;
    try {
      json = JSON.parse(text);
    } catch {
      throw new AppError('FOREIGN_UNREADABLE', { why: 'it is no JSON' });
    }
    const parsed = v.safeParse(RecordFileSchema, json, { abortEarly: true });
    if (!parsed.success) throw new AppError('FOREIGN_UNREADABLE', { why: `it is no record (${(v.getDotPath(parsed.issues[0]) ?? 'all of it').slice(0, 80)})` });
    return parsed.output;
  });
}

/** What does not hold in a file, in a sentence; its own key is the one that is compared with the paper. */
export function faultOf(file: RecordFile): string | null {
  const fault = verifyRecordFile(file, fitsKey(file.shop.key));
  if (fault) return faultText(fault);
  return fingerprintOf(file.shop.key) === file.shop.fingerprint ? null : 'The fingerprint in it is not that of its key.';
}
