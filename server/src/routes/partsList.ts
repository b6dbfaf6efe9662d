import { partsList, type PartLine } from '@stennet/core/prepare';
import type { Express, Response } from 'express';
import Papa from 'papaparse';
import * as v from 'valibot';
import { PartsQuery, type Order } from '@stennet/core/contract';
import { AppError } from '@stennet/core/errors';
import { readSheet } from '@stennet/core/procedure';
import type { Client } from '../db/database';
import { listOrderSheets } from '../db/orders';
import { namesIn, register, requirePerson, type Deps } from '../http/serve';
import { partsPaper } from '../print/partsPaper';
import { orderIn } from '../order/findOrder';

/** What has to be ordered and laid out, as a table or on paper. */
export function partsListRoutes(app: Express, deps: Deps): void {
  register(app, 'partsList', async (req, res) => {
    const session = await requirePerson(deps, 'partsList', req);
    const asked = v.safeParse(PartsQuery, req.query);
    if (!asked.success) throw new AppError('BAD_REQUEST', { where: 'form of the list' });
    const { order, lines } = await deps.db.lookInShop(session.shop.id, (client) =>
      listOf(client, namesIn(req).order ?? ''),
    );
    const { form } = asked.output;
    const file = `parts-${order.number}`.replace(/[^A-Za-z0-9-]+/g, '-');
    res.set(
      'Content-Disposition',
      `${form === 'csv' ? 'attachment' : 'inline'}; filename="${file}.${form}"`,
    );
    if (form === 'csv') return sendTable(res, order, lines);
    res.set('Content-Type', 'application/pdf');
    const about = { shop: session.shop, fonts: deps.fonts, now: deps.now() };
    (await partsPaper({ order, lines, ...about })).pipe(res);
  });
}

async function listOf(client: Client, id: string): Promise<{ order: Order; lines: PartLine[] }> {
  const order = await orderIn(client, id);
  const rows = await listOrderSheets(client, order.id);
  const joints = rows.map((r) => ({
    job: r.job,
    joint: r.joint,
    name: r.name,
    sheet: readSheet(JSON.parse(r.body)),
  }));
  return { order, lines: partsList(joints, order.entries) };
}

const HEADINGS = [
  'order',
  'job',
  'joint',
  'part',
  'count',
  'need',
  'state',
  'number',
  'lot',
  'price',
  'why',
];

/** Cells that a spreadsheet would compute are marked as text. */
function sendTable(res: Response, order: Order, lines: readonly PartLine[]): void {
  const rows = lines.map(({ job, jointName, need, entry }) => [
    order.number,
    order.jobs.find((j) => j.id === job)?.title ?? '',
    jointName,
    need.what,
    need.count,
    need.need,
    entry?.body.state ?? '',
    entry?.body.number ?? '',
    entry?.body.lot ?? '',
    entry?.body.cents === undefined ? '' : (entry.body.cents / 100).toFixed(2),
    need.why,
  ]);
  res.set('Content-Type', 'text/csv; charset=utf-8');
  res.send(`\ufeff${Papa.unparse([HEADINGS, ...rows], { escapeFormulae: true })}\r\n`);
}
