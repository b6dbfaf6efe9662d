import type { Express, Response } from 'express';
import Papa from 'papaparse';
import * as v from 'valibot';
import { ExportQuery } from '@stennet/core/contract';
import { AppError } from '@stennet/core/errors';
import { HEADINGS, rowsOf, type RowKind } from '@stennet/core/exchange';
import type { Sheet } from '@stennet/core/procedure';
import type { Client } from '../db/database';
import { listExport, listPicked } from '../db/sheets';
import { standingSheet } from '../db/standingSheets';
import { register, requirePerson, type Deps } from '../http/serve';

const PAGE = 100;
type Asked = v.InferOutput<typeof ExportQuery>;

/** One sheet, a selection or the library, as JSON or as tables, written page by page. */
export function exportRoutes(app: Express, deps: Deps): void {
  register(app, 'exportSheets', async (req, res) => {
    const session = await requirePerson(deps, 'exportSheets', req);
    const asked = v.safeParse(ExportQuery, req.query);
    if (!asked.success) throw new AppError('BAD_REQUEST', { where: 'what to export' });
    // A page at a time, each with a connection of its own: who reads slowly, or not at all, keeps
    // none from others.
    const page: Page = (work) => deps.db.lookInShop(session.shop.id, work);
    await send(
      page,
      asked.output,
      res,
      `${session.shop.name} ${deps.now().toISOString().slice(0, 10)}`,
    );
  });
}

type Page = <T>(work: (client: Client) => Promise<T>) => Promise<T>;
/** Who takes nothing for so long has gone. */
const PATIENCE_MS = 30_000;

async function send(page: Page, asked: Asked, res: Response, name: string): Promise<void> {
  const isJson = asked.form === 'json';
  const file = `${name} ${isJson ? 'sheets' : asked.form}`
    .replace(/[^A-Za-z0-9]+/g, '-')
    .toLowerCase();
  res.set('Content-Type', isJson ? 'application/json; charset=utf-8' : 'text/csv; charset=utf-8');
  res.set('Content-Disposition', `attachment; filename="${file}.${isJson ? 'json' : 'csv'}"`);
  let gone = false;
  res.on('close', () => (gone = true));
  const put = async (text: string): Promise<void> => {
    if (res.write(text) || gone) return;
    const late = setTimeout(() => res.destroy(), PATIENCE_MS);
    await new Promise<void>((resolve) => res.once('drain', resolve).once('close', resolve));
    clearTimeout(late);
  };
  const [begin, between, end] = isJson
    ? ['{"format":"stennet-sheets","v":1,"sheets":[\n', ',\n', '\n]}\n']
    : [tableHead(asked.form as RowKind), '', ''];
  await put(begin);
  let count = 0;
  for await (const sheet of sheetsOf(page, asked)) {
    if (gone) return;
    await put(
      `${count > 0 ? between : ''}${isJson ? JSON.stringify(sheet) : tableOf(asked.form as RowKind, sheet)}`,
    );
    count += 1;
  }
  res.end(end);
}

// A mark at the beginning tells spreadsheets that it is UTF-8.
const tableHead = (kind: RowKind): string => `\ufeff${Papa.unparse([[...HEADINGS[kind]]])}\r\n`;
const tableOf = (kind: RowKind, sheet: Sheet): string =>
  `${Papa.unparse(rowsOf[kind](sheet), { columns: [...HEADINGS[kind]], header: false })}\r\n`;

async function* sheetsOf(page: Page, { pick, maker, engine, kind }: Asked): AsyncGenerator<Sheet> {
  if (pick !== undefined) {
    const pairs = [pick].flat().map((p) => p.split(':'));
    const picked = await page(
      async (client) =>
        await listPicked(
          client,
          pairs.map((p) => p[0]),
          pairs.map((p) => p[1]),
        ),
    );
    for (const row of picked) yield standingSheet(row);
    return;
  }
  let behind = ['', ''];
  for (;;) {
    const after = [...behind, maker ?? null, engine ?? null, kind ?? null, PAGE];
    const rows = await page((client) => listExport(client, ...after));
    for (const row of rows) yield standingSheet(row);
    const last = rows.at(-1);
    if (!last || rows.length < PAGE) return;
    behind = [last.sheet, last.revision];
  }
}
