import type { Express } from 'express';
import * as v from 'valibot';
import { FindQuery } from '@stennet/core/contract';
import type { SheetBrief, SheetReply } from '@stennet/core/contract/run';
import { AppError } from '@stennet/core/errors';
import { wordsOf } from '@stennet/core/find';
import { onlyRow, type Client } from '../db/database';
import findSheetRevision from '../db/queries/findSheetRevision.sql';
import listSheetPlaces from '../db/queries/listSheetPlaces.sql';
import listSheets from '../db/queries/listSheets.sql';
import listSheetUses from '../db/queries/listSheetUses.sql';
import { relatedTo, standingSheet, type SheetRow } from '../db/sheets';
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
        sheets: (
          await client.query<{ brief: SheetBrief }>(listSheets, [...place, MOST_HITS])
        ).rows.map((r) => r.brief),
      };
    return { sheets: await searchSheets(client, typed, place, MOST_HITS) };
  });
  serve(app, deps, 'sheetPlaces', async ({ client }) => ({
    places: (await client.query(listSheetPlaces)).rows,
  }));
  serve(app, deps, 'sheet', async ({ client, params }) =>
    sheetPage(client, params.sheet ?? '', params.revision ?? ''),
  );
}

interface PageRow extends SheetRow {
  hash: string;
  approver: string | null;
  approved_at: string | null;
  draft_editor: string | null;
  draft_at: string | null;
}

async function sheetPage(client: Client, id: string, revision: string): Promise<SheetReply> {
  const row = onlyRow(
    (await client.query<PageRow>(findSheetRevision, [id, revision])).rows,
    new AppError('NOT_FOUND'),
  );
  const sheet = standingSheet(row);
  const uses = (
    await client.query<SheetReply['uses'][number] & { order_id: string }>(listSheetUses, [id])
  ).rows;
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
