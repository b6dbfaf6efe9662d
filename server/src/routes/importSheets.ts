import { text } from '../language/text';
import type { Express, Request, Response } from 'express';
import * as v from 'valibot';
import { ImportQuery } from '@stennet/core/contract';
import type { ImportLine } from '@stennet/core/contract/work';
import { AppError, toWire } from '@stennet/core/errors';
import { classify, type Arrival } from '@stennet/core/exchange';
import type { Sheet } from '@stennet/core/procedure';
import type { Client } from '../db/database';
import { draftsOf, revisionsOf, saveDraft, type Acting } from '../db/keepDrafts';
import { keepSheet } from '../db/keepSheet';
import { register, requirePerson, type Deps } from '../http/serve';
import { arrivingSheets, type Arriving } from './arrivingSheets';

/** So many sheets are compared with the library at once. */
const BATCH = 50;
/** The first so many refusals are told one by one. */
const TOLD = 200;

type Asked = v.InferOutput<typeof ImportQuery>;

/**
 * A file of sheets, or a table of stages or fasteners, read as it streams in. The answer is a line
 * of JSON after each batch: what is new, same, changed, refused and why. Written only when asked,
 * and then all in one transaction.
 */
export function importRoutes(app: Express, deps: Deps): void {
  register(app, 'importSheets', async (req, res) => {
    const session = await requirePerson(deps, 'importSheets', req);
    const asked = v.safeParse(ImportQuery, req.query);
    if (!asked.success) throw new AppError('BAD_REQUEST', { where: 'how to import' });
    const who: Acting = {
      shop: session.shop.id,
      person: session.person.id,
      name: session.person.name,
      now: deps.now(),
    };
    res.set('Content-Type', 'application/x-ndjson; charset=utf-8');
    const tally = new Tally(res);
    try {
      await deps.db.inShop(who.shop, async (client) => {
        await takeAll(client, who, req, asked.output, tally);
        if (asked.output.mode === 'look') throw new LookedOnly();
        if (tally.line.refusedCount > 0 && asked.output.skip !== 'refused')
          throw new AppError('IMPORT_REFUSED', { count: tally.line.refusedCount });
      });
      tally.end({ written: true });
    } catch (error) {
      if (error instanceof LookedOnly) tally.end({});
      else if (error instanceof AppError)
        tally.end({ error: { code: error.code, params: toWire(error).params } });
      else {
        req.log.error(error);
        tally.end({ error: { code: 'INTERNAL', params: {} } });
      }
    }
  });
}

/** Nothing of a look is kept: the transaction is rolled back, as by a refusal. */
class LookedOnly extends Error {}

class Tally {
  readonly line: ImportLine = {
    read: 0,
    new: 0,
    same: 0,
    changed: 0,
    refused: [],
    refusedCount: 0,
    done: false,
    written: false,
    error: null,
  };
  constructor(private readonly res: Response) {}

  refuse(place: string, sheet: string, message: string): void {
    this.line.refusedCount += 1;
    if (this.line.refused.length < TOLD)
      this.line.refused.push({ place, sheet: sheet.slice(0, 60), message });
  }
  say(): void {
    this.res.write(`${JSON.stringify({ ...this.line, refused: [] })}\n`);
  }
  end(over: Partial<ImportLine>): void {
    this.res.end(`${JSON.stringify({ ...this.line, ...over, done: true })}\n`);
  }
}

async function takeAll(
  client: Client,
  who: Acting,
  req: Request,
  asked: Asked,
  tally: Tally,
): Promise<void> {
  let batch: Arriving[] = [];
  const seen = new Set<string>();
  const take = async (): Promise<void> => {
    await takeBatch(client, who, batch, seen, tally, asked.mode === 'write');
    batch = [];
    tally.say();
  };
  for await (const arriving of arrivingSheets(client, req)) {
    batch.push(arriving);
    if (batch.length >= BATCH) await take();
  }
  await take();
}

async function takeBatch(
  client: Client,
  who: Acting,
  batch: readonly Arriving[],
  seen: Set<string>,
  tally: Tally,
  writes: boolean,
): Promise<void> {
  const ids = batch.flatMap((a) => (a.sheet ? [a.sheet.id] : []));
  const revisions = await revisionsOf(client, ids);
  const drafts = await draftsOf(client, ids);
  for (const { place, name, sheet, refused } of batch) {
    tally.line.read += 1;
    if (!sheet) {
      tally.refuse(place, name, refused ?? '');
      continue;
    }
    const arrival = once(
      classify(sheet, {
        revisions: revisions.get(sheet.id) ?? [],
        draft: drafts.get(sheet.id) ?? null,
      }),
      sheet,
      seen,
    );
    if (arrival.what === 'refused') tally.refuse(place, name, WHY[arrival.why](sheet));
    else tally.line[arrival.what] += 1;
    if (writes) await keep(client, who, arrival);
  }
}

/** A sheet has one draft, so of one sheet one revision can come in that is to be approved. */
function once(arrival: Arrival, sheet: Sheet, seen: Set<string>): Arrival {
  if (arrival.what === 'same' || arrival.what === 'refused') return arrival;
  const key = arrival.keep === 'superseded' ? `${sheet.id} ${sheet.revision}` : sheet.id;
  if (seen.has(key)) return { what: 'refused', why: 'twice' };
  seen.add(key);
  return arrival;
}

const WHY: Record<Extract<Arrival, { what: 'refused' }>['why'], (s: Sheet) => string> = {
  draftOpen: () => text.import.draftOpen,
  otherContent: (s) => text.import.otherContent({ revision: s.revision }),
  twice: (s) => text.import.twice({ id: s.id }),
};

async function keep(client: Client, who: Acting, arrival: Arrival): Promise<void> {
  if (arrival.what !== 'new' && arrival.what !== 'changed') return;
  if (arrival.keep === 'superseded') await keepSheet(client, who.shop, arrival.sheet);
  else await saveDraft(client, who, arrival.sheet, 0, null, true);
}
