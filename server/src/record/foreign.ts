import express, { type Express } from 'express';
import * as v from 'valibot';
import { AppError } from '@stennet/core/errors';
import { canonicalJson, eventsIn, faultText, newerRecord, RecordFileSchema, traceName, tracesNamed, verifyRecordFile, type RecordFile } from '@stennet/core/record';
import { TraceSchema, type Trace } from '@stennet/core/trace';
import { onlyRow, type Client } from '../db/database';
import findForeign from '../db/queries/findForeign.sql';
import findForeignForUpdate from '../db/queries/findForeignForUpdate.sql';
import insertForeign from '../db/queries/insertForeign.sql';
import insertTrace from '../db/queries/insertTrace.sql';
import { register, requirePerson, serve, type Deps } from '../http/serve';
import type { Session } from '../http/session';
import { isArchive, unpackArchive } from './archive';
import { fingerprintOf, fitsKey } from './keys';

const MOST_BYTES = '60mb';

/** Records from other installations: checked from the first entry to the last signature before any of them is kept, and whenever one is looked at. */
export function foreignRoutes(app: Express, deps: Deps): void {
  app.post('/api/foreign', express.raw({ type: () => true, limit: MOST_BYTES }));
  register(app, 'takeForeign', async (req, res) => {
    const session = await requirePerson(deps, 'takeForeign', req);
    if (!Buffer.isBuffer(req.body) || req.body.length === 0) throw new AppError('FOREIGN_UNREADABLE', { why: 'it is empty' });
    const { files, traces } = readForeign(req.body);
    for (const file of files) {
      const fault = faultOf(file);
      if (fault) throw new AppError('FOREIGN_BROKEN', { number: file.order.number, joint: file.joint, fault });
    }
    const records = await deps.db.inShop(session.shop.id, async (client) => {
      await keepTraces(client, files, traces, session, deps.now());
      const taken = [];
      for (const f of files) taken.push({ run: f.run.id, number: f.order.number, joint: f.joint, from: f.shop.name, kept: await keep(client, f, session, deps.now()) });
      return taken;
    });
    res.json({ taken: files.length, records });
  });

  serve(app, deps, 'foreignRecord', async ({ client, params }) => (await foreignIn(client, params.run)).file);
  serve(app, deps, 'checkForeign', async ({ client, params }) => {
    const { file, at, by } = await foreignIn(client, params.run);
    return { fault: faultOf(file), at, by };
  });
}

async function foreignIn(client: Client, run: string | undefined): Promise<{ file: RecordFile; at: string; by: string }> {
  const { body, at, by } = onlyRow((await client.query<{ body: string; at: string; by: string }>(findForeign, [run])).rows, new AppError('NOT_FOUND'));
  return { file: JSON.parse(body) as RecordFile, at, by };
}

/** A later state of the same record takes the place of the earlier one; one that tells something else does not. @throws AppError FOREIGN_OTHER */
async function keep(client: Client, file: RecordFile, session: Session, now: Date): Promise<'new' | 'newer' | 'known'> {
  const [row] = (await client.query<{ body: string }>(findForeignForUpdate, [file.run.id])).rows;
  const known = row && (JSON.parse(row.body) as RecordFile);
  // One that does not hold any more is no hindrance to one that does.
  const how = !known ? 'new' : faultOf(known) ? 'newer' : newerRecord(known, file);
  const other = new AppError('FOREIGN_OTHER', { number: file.order.number, joint: file.joint });
  if (how === 'other') throw other;
  if (how !== 'known') {
    const of = [file.order.vehicle.vin.toUpperCase(), file.order.number, file.joint, file.shop.name, fingerprintOf(file.shop.key)];
    const { rowCount } = await client.query(insertForeign, [session.shop.id, file.run.id, ...of, JSON.stringify(file), session.person.id, now]);
    // Another key got there first.
    if (rowCount === 0) throw other;
  }
  return how;
}

/** Only what a record names, by its hash. */
async function keepTraces(client: Client, files: readonly RecordFile[], traces: readonly Trace[], session: Session, now: Date): Promise<void> {
  const named = new Set(files.flatMap((f) => tracesNamed(eventsIn(f.chain))));
  for (const trace of traces) {
    const name = traceName(trace);
    if (named.has(name)) await client.query(insertTrace, [session.shop.id, name, canonicalJson(trace), session.person.id, now]);
  }
}

/** One document, or all records of an archive with what wrenches saw of their pulls. @throws AppError FOREIGN_UNREADABLE */
export function readForeign(bytes: Uint8Array): { files: RecordFile[]; traces: Trace[] } {
  const { records, traces } = isArchive(bytes) ? unpackArchive(bytes) : { records: [new TextDecoder().decode(bytes)], traces: [] };
  return { files: records.map((text) => parsed(RecordFileSchema, text, 'record')), traces: traces.map((text) => parsed(TraceSchema, text, 'curve of a wrench')) };
}

function parsed<Schema extends v.GenericSchema>(schema: Schema, text: string, what: string): v.InferOutput<Schema> {
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch {
    throw new AppError('FOREIGN_UNREADABLE', { why: 'it is no JSON' });
  }
  const read = v.safeParse(schema, json, { abortEarly: true });
  if (!read.success) throw new AppError('FOREIGN_UNREADABLE', { why: `it is no ${what} (${(v.getDotPath(read.issues[0]) ?? 'all of it').slice(0, 80)})` });
  return read.output;
}

/** What does not hold in a file, in a sentence; its own key is the one that is compared with the paper. */
export function faultOf(file: RecordFile): string | null {
  const fault = verifyRecordFile(file, fitsKey(file.shop.key));
  if (fault) return faultText(fault);
  return fingerprintOf(file.shop.key) === file.shop.fingerprint ? null : 'The fingerprint in it is not that of its key.';
}
