import { gunzipSync, gzipSync } from 'node:zlib';
import type { Express, Request, Response } from 'express';
import Papa from 'papaparse';
import * as v from 'valibot';
import { RecordQuery, type Entry, type Order } from '@stennet/core/contract';
import { AppError } from '@stennet/core/errors';
import { readSheet, type Sheet } from '@stennet/core/procedure';
import type { Trace } from '@stennet/core/trace';
import {
  faultText,
  PULL_COLUMNS,
  pullRows,
  recordDocument,
  tracesNamed,
} from '@stennet/core/record';
import type { Client } from '../db/database';
import type { Shelf } from '../files/files';
import { listOrderSheets } from '../db/orders';
import { listRunsOfOrder } from '../db/runs';
import { namesIn, register, requirePerson, shelfFor, type Deps } from '../http/serve';
import type { Session } from '../http/session';
import { handOverPaper } from '../print/handOverPaper';
import { recordPaper } from '../print/recordPaper';
import { orderIn } from '../order/findOrder';
import { photoIn } from './photos';
import { tracesOf } from './traces';
import { packArchive } from '../record/archive';
import { findIn, keptRecord, recordFileOf, type KeptRecord } from '../record/readRecord';

/**
 * Records as they leave the house: on paper, as documents that can be checked, as a table, all of
 * an order in one archive.
 */
export function recordOutRoutes(app: Express, deps: Deps): void {
  register(app, 'recordOut', async (req, res) => {
    const session = await requirePerson(deps, 'recordOut', req);
    const asked = v.safeParse(RecordQuery, req.query);
    if (!asked.success) throw new AppError('BAD_REQUEST', { where: 'form of the record' });
    const { form } = asked.output;
    const { kept, beside } = await deps.db.lookInShop(session.shop.id, async (client) => {
      const shelf = shelfFor(deps, session);
      const kept = await keptRecord(client, shelf, namesIn(req).run ?? '');
      return { kept, beside: form === 'pdf' ? await besideIt(client, shelf, kept) : null };
    });
    const file = `record-${kept.row.number}-${kept.name}`.replace(/[^A-Za-z0-9-]+/g, '-');
    res.set(
      'Content-Disposition',
      `${form === 'pdf' ? 'inline' : 'attachment'}; filename="${file}.${form}"`,
    );
    if (form === 'json') return sendPacked(req, res, packedRecord(kept, session, deps));
    if (!beside) return sendTable(res, kept);
    res.set('Content-Type', 'application/pdf');
    (await paperOf(kept, beside, session, deps)).pipe(res);
  });

  register(app, 'orderArchive', async (req, res) => {
    const session = await requirePerson(deps, 'orderArchive', req);
    const { order, files } = await deps.db.lookInShop(session.shop.id, (client) =>
      archiveOf(client, namesIn(req).order ?? '', session, deps),
    );
    res.set(
      'Content-Disposition',
      `attachment; filename="ro-${order.number.replace(/[^A-Za-z0-9-]+/g, '-')}.zip"`,
    );
    res.set('Content-Type', 'application/zip');
    res.send(Buffer.from(packArchive(files)));
  });

  register(app, 'handOver', async (req, res) => {
    const session = await requirePerson(deps, 'handOver', req);
    const { order, sheets } = await deps.db.lookInShop(session.shop.id, async (client) => {
      const order = await orderIn(client, namesIn(req).order ?? '');
      const rows = await listOrderSheets(client, order.id);
      return { order, sheets: rows.map((r): Sheet => readSheet(JSON.parse(r.body))) };
    });
    res.set(
      'Content-Disposition',
      `inline; filename="hand-over-${order.number.replace(/[^A-Za-z0-9-]+/g, '-')}.pdf"`,
    );
    res.set('Content-Type', 'application/pdf');
    const about = { shop: session.shop, fonts: deps.fonts, now: deps.now() };
    (await handOverPaper({ order, sheets, ...about })).pipe(res);
  });
}

const documentText = (value: unknown): string => `${JSON.stringify(value, null, 1)}\n`;

/** As it was made and packed before, where all that it was made from is the same. */
function packedRecord(kept: KeptRecord, { shop }: Session, { checked, keys }: Deps): Buffer {
  const key = keys.of(shop.id);
  const from = [shop.name, kept.row, kept.chain, kept.signatures, kept.people, key.fingerprint];
  return checked.file(from, () => gzipSync(documentText(recordFileOf(kept, shop, key))));
}

function sendPacked(req: Request, res: Response, packed: Buffer): void {
  res.vary('Accept-Encoding').set('Content-Type', 'application/json; charset=utf-8');
  if (req.acceptsEncodings('gzip')) res.set('Content-Encoding', 'gzip').send(packed);
  else res.send(gunzipSync(packed));
}

/** Cells that a spreadsheet would compute are marked as text. */
function sendTable(res: Response, kept: KeptRecord): void {
  const { vehicle } = kept.row;
  const head = {
    order: kept.row.number,
    vehicle: `${vehicle.maker} ${vehicle.model}, ${vehicle.vin}`,
    joint: kept.name,
  };
  const rows = pullRows(recordDocument(kept.sheet, kept.events, kept.people, kept.odd), head);
  res
    .set('Content-Type', 'text/csv; charset=utf-8')
    .send(`\ufeff${Papa.unparse([[...PULL_COLUMNS], ...rows], { escapeFormulae: true })}\r\n`);
}

/** What paper shows other than the record itself: what is on the repair order, and curves. */
interface Beside {
  entries: readonly Entry[];
  traces: ReadonlyMap<string, Trace>;
}
const besideIt = async (
  client: Client,
  shelf: Shelf | null,
  kept: KeptRecord,
): Promise<Beside> => ({
  entries: (await orderIn(client, kept.row.order_id)).entries,
  traces: await tracesOf(client, shelf, tracesNamed(kept.events)),
});

async function paperOf(
  kept: KeptRecord,
  beside: Beside,
  session: Session,
  deps: Deps,
): Promise<Awaited<ReturnType<typeof recordPaper>>> {
  const key = deps.keys.of(session.shop.id);
  const { fault } = await findIn(kept, key, deps);
  return recordPaper({
    file: recordFileOf(kept, session.shop, key),
    events: kept.events,
    words: kept.words,
    ...beside,
    joint: kept.row.joint_id,
    fault: fault && faultText(fault),
    shop: session.shop,
    fonts: deps.fonts,
    now: deps.now(),
  });
}

/**
 * The whole order: what is on it, each record as a document and as a table of pulls, and the
 * photos and traces as they are kept.
 */
async function archiveOf(
  client: Client,
  id: string,
  session: Session,
  deps: Deps,
): Promise<{ order: Order; files: Record<string, Uint8Array> }> {
  const order = await orderIn(client, id);
  const shelf = shelfFor(deps, session);
  const text = (value: unknown): Uint8Array => new TextEncoder().encode(documentText(value));
  const files: Record<string, Uint8Array> = {
    'order.json': text({ format: 'stennet-order', v: 1, order }),
  };
  const traced: string[] = [];
  for (const { id: run } of await listRunsOfOrder(client, order.id)) {
    const kept = await keptRecord(client, shelf, run);
    files[`records/${run}.json`] = text(
      recordFileOf(kept, session.shop, deps.keys.of(session.shop.id)),
    );
    traced.push(...tracesNamed(kept.events));
  }
  for (const [name, trace] of await tracesOf(client, shelf, traced))
    files[`traces/${name}.json`] = text(trace);
  for (const photo of new Set(
    order.entries.flatMap((e) => (e.body.kind === 'photo' ? [e.body.photo] : [])),
  )) {
    const bytes = await photoIn(client, shelf, photo);
    if (bytes) files[`photos/${photo}.jpg`] = bytes;
  }
  return { order, files };
}
