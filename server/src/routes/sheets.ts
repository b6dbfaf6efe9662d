import type { Express } from 'express';
import * as v from 'valibot';
import { FindQuery } from '@stennet/core/contract';
import type { SheetReply } from '@stennet/core/contract/work';
import { jointThumb } from '@stennet/core/drawing';
import { AppError } from '@stennet/core/errors';
import { wordsOf } from '@stennet/core/find';
import { onlyRow, type Client } from '../db/database';
import { findSheetRevision, listSheetPlaces, listSheetUses, listSheets } from '../db/sheets';
import { relatedTo, standingSheet } from '../db/standingSheets';
import { searchSheets } from '../db/searchSheets';
import { serve, type Deps } from '../http/serve';

const MOST_HITS = 20;

export function sheetRoutes(app: Express, deps: Deps): void {
  serve(app, deps, 'findSheets', async ({ client, query }) => {
    const asked = v.safeParse(FindQuery, query);
    if (!asked.success) throw new AppError('BAD_REQUEST', { where: 'search' });
    const { q = '', maker = null, engine = null, kind = null } = asked.output;
    const place = [maker, engine, kind] as const;
    const typed = wordsOf(q).slice(0, 8);
    if (typed.length === 0)
      return {
        sheets: (await listSheets(client, ...place, MOST_HITS)).map((r) => r.brief),
      };
    return { sheets: await searchSheets(client, typed, place, MOST_HITS) };
  });
  serve(app, deps, 'sheetPlaces', async ({ client }) => ({
    places: await listSheetPlaces(client),
  }));
  serve(app, deps, 'sheetThumb', async ({ client, params }) => {
    const { sheet = '', revision = '' } = params;
    const row = onlyRow(
      await findSheetRevision(client, sheet, revision),
      new AppError('NOT_FOUND'),
    );
    return jointThumb(standingSheet(row));
  });
  serve(app, deps, 'sheet', async ({ client, params }) =>
    sheetPage(client, params.sheet ?? '', params.revision ?? ''),
  );
}

async function sheetPage(client: Client, id: string, revision: string): Promise<SheetReply> {
  const row = onlyRow(await findSheetRevision(client, id, revision), new AppError('NOT_FOUND'));
  const sheet = standingSheet(row);
  const uses = await listSheetUses(client, id);
  return {
    sheet,
    hash: row.hash,
    approval: row.approver && row.approved_at ? { by: row.approver, at: row.approved_at } : null,
    draft:
      row.draft_editor && row.draft_at
        ? { editor: row.draft_editor, editedAt: row.draft_at }
        : null,
    related: await relatedTo(client, sheet),
    uses: uses.map(({ order_id: order, ...use }) => ({ ...use, order })),
  };
}
