import type { Express, Response } from 'express';
import Papa from 'papaparse';
import * as v from 'valibot';
import { ExportQuery } from '@stennet/core/contract';
import { AppError } from '@stennet/core/errors';
import { HEADINGS, rowsOf, type RowKind } from '@stennet/core/exchange';
import type { Sheet } from '@stennet/core/procedure';
import type { Client } from '../db/database';
import listExport from '../db/queries/listExport.sql';
import listPicked from '../db/queries/listPicked.sql';
import { standingSheet, type SheetRow } from '../db/sheets';
import { register, requirePerson, type Deps } from '../http/serve';

const PAGE = 100;
type Asked = v.InferOutput<typeof ExportQuery>;

/** One sheet, a selection or the library, as JSON or as tables, written page by page. */
export function exportRoutes(app: Express, deps: Deps): void {
  register(app, 'exportSheets', async (req, res) => {
    const session = await requirePerson(deps, 'exportSheets', req);
    const asked = v.safeParse(ExportQuery, req.query);
    if (!asked.success) throw new AppError('BAD_REQUEST', { where: 'what to export' });
    await deps.db.inShop(session.shop.id, (client) => send(client, asked.output, res, `${session.shop.name} ${deps.now().toISOString().slice(0, 10)}`));
  });
}

async function send(client: Client, asked: Asked, res: Response, name: string): Promise<void> {
  const isJson = asked.form === 'json';
  const file = `${name} ${isJson ? 'sheets' : asked.form}`.replace(/[^A-Za-z0-9]+/g, '-').toLowerCase();
  res.set('Content-Type', isJson ? 'application/json; charset=utf-8' : 'text/csv; charset=utf-8');
  res.set('Content-Disposition', `attachment; filename="${file}.${isJson ? 'json' : 'csv'}"`);
  let gone = false;
  res.on('close', () => (gone = true));
  const put = async (text: string): Promise<void> => {
    if (!res.write(text) && !gone) await new Promise<void>((resolve) => res.once('drain', resolve).once('close', resolve));
  };
  const [begin, between, end] = isJson ? ['{"format":"stennet-sheets","v":1,"sheets":[\n', ',\n', '\n]}\n'] : [tableHead(asked.form as RowKind), '', ''];
  await put(begin);
  let count = 0;
  for await (const sheet of sheetsOf(client, asked)) {
    if (gone) return;
    await put(`${count > 0 ? between : ''}${isJson ? JSON.stringify(sheet) : tableOf(asked.form as RowKind, sheet)}`);
    count += 1;
  }
  res.end(end);
}

// A mark at the beginning tells spreadsheets that it is UTF-8.
const tableHead = (kind: RowKind): string => `\ufeff${Papa.unparse([[...HEADINGS[kind]]])}\r\n`;
const tableOf = (kind: RowKind, sheet: Sheet): string => `${Papa.unparse(rowsOf[kind](sheet), { columns: [...HEADINGS[kind]], header: false })}\r\n`;

async function* sheetsOf(client: Client, { pick, maker, engine, kind }: Asked): AsyncGenerator<Sheet> {
  if (pick !== undefined) {
    const pairs = [pick].flat().map((p) => p.split(':'));
    for (const row of (await client.query<SheetRow>(listPicked, [pairs.map((p) => p[0]), pairs.map((p) => p[1])])).rows) yield standingSheet(row);
    return;
  }
  let behind = ['', ''];
  for (;;) {
    const { rows } = await client.query<SheetRow & { sheet: string; revision: string }>(listExport, [...behind, maker ?? null, engine ?? null, kind ?? null, PAGE]);
    for (const row of rows) yield standingSheet(row);
    const last = rows.at(-1);
    if (!last || rows.length < PAGE) return;
    behind = [last.sheet, last.revision];
  }
}
